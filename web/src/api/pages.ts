/** Rows the server gives at once; a shorter page is the last. */
export const PAGE = 100;

/** A list to its end, a page at a time: what was added meanwhile may come twice, and stands once. */
export async function allPages<Row extends { id: number }>(get: (page: number) => Promise<Row[]>): Promise<Row[]> {
  const found = new Map<number, Row>();
  for (let page = 1; ; page++) {
    const rows = await get(page);
    rows.forEach((row) => found.set(row.id, row));
    if (rows.length < PAGE) return [...found.values()];
  }
}
