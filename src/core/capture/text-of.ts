/** How a file's letters are written: UTF-16 with its mark or by every other byte a nought, else UTF-8, else the letters of western offices. */
export type Encoding = "utf-8" | "utf-16le" | "utf-16be" | "windows-1252";

/** A file as text, however its letters are written. */
export function textOf(bytes: Uint8Array): string {
  return new TextDecoder(encodingOf(bytes)).decode(bytes);
}

/** @param bytes the beginning of a file, or all of it */
export function encodingOf(bytes: Uint8Array): Encoding {
  const wide = bytes.length > 8 && [1, 3, 5, 7].every((at) => bytes[at] === 0 && bytes[at - 1]! > 0);
  if (wide) return "utf-16le";
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return "utf-16le";
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return "utf-16be";
  // A “µ” that is read as no letter takes the unit of time with it. A letter cut in two at the end is none such.
  const head = new TextDecoder("utf-8").decode(bytes.subarray(0, HEAD_BYTES), { stream: true });
  return head.includes("\ufffd") ? "windows-1252" : "utf-8";
}

/** So much of a file is looked at to tell how its letters are written. */
const HEAD_BYTES = 20_000;
