/** UTF-16 with its mark or by every other byte a nought, else UTF-8, else the letters of western offices: what instruments write. */
export function textOf(bytes: Uint8Array): string {
  const wide = bytes.length > 8 && [1, 3, 5, 7].every((at) => bytes[at] === 0 && bytes[at - 1]! > 0);
  if (wide) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  const text = new TextDecoder("utf-8").decode(bytes);
  // A “µ” that is read as no letter takes the unit of time with it.
  return text.slice(0, HEAD).includes("\ufffd") ? new TextDecoder("windows-1252").decode(bytes) : text;
}

/** So much of a file is looked at to tell how its letters are written. */
const HEAD = 20_000;
