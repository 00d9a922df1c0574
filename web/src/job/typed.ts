const PARTS: Record<string, number> = { "½": 1 / 2, "¼": 1 / 4, "¾": 3 / 4, "⅓": 1 / 3, "⅔": 2 / 3, "⅛": 1 / 8 };
/** A number somebody typed: with a point or a comma, "1/4", "1 1/2", "1½"; NaN if it is none, or nothing. */
export function typedNumber(text: string): number {
  const told = text.trim().replace(",", ".");
  const part = /^(\d+(?=$|[\s½¼¾⅓⅔⅛]))?\s*(?:([½¼¾⅓⅔⅛])|(\d+)\s*\/\s*([1-9]\d*))$/.exec(told);
  if (part) return Number(part[1] ?? 0) + (part[2] ? (PARTS[part[2]] ?? NaN) : Number(part[3]) / Number(part[4]));
  return told === "" ? NaN : Number(told);
}
