/** A file's text: UTF-8 if it is, UTF-16 by its mark, else the old Windows letters that saved pages still use. */
export async function readFile(file: Blob): Promise<string> {
  return decode(new Uint8Array(await file.arrayBuffer()));
}

export function decode(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}
