import { t } from "../words/words";
import { Gunzip } from "fflate";
import { UnusableInput, type Capture } from "./capture";
import { parseCaptureCsv, usualLimits, type ReadLimits } from "./csv";
import { textOf } from "./text-of";
import { captureFromWav } from "./wav";

/**
 * Reads a capture file by what is in it, not by its name: text, gzip of text or of WAV, WAV.
 *
 * @param onShare told now and then how much of it is read, 0 to 1
 * @throws UnusableInput saying what, where and how to mend it
 */
export function readCaptureFile(
  bytes: Uint8Array,
  name: string,
  onShare?: (share: number) => void,
  limits: ReadLimits = usualLimits,
): Capture {
  if (bytes.length === 0) throw new UnusableInput(t`${name} is empty. Export the capture again.`);
  if (bytes[0] === 0x1f && bytes[1] === 0x8b)
    return readCaptureFile(gunzip(bytes, name, limits), name.replace(/\.gz$/i, ""), onShare, limits);
  if (startsWith(bytes, "RIFF") || startsWith(bytes, "RF64")) return captureFromWav(bytes, name, limits);
  if (startsWith(bytes, "PK"))
    throw new UnusableInput(t`${name} is a ZIP. Unpack it and drop the capture that is inside.`);
  return parseCaptureCsv(textOf(bytes), name, onShare, limits);
}

function startsWith(bytes: Uint8Array, word: string): boolean {
  return [...word].every((letter, i) => bytes[i] === letter.charCodeAt(0));
}

const MOST_RATIO = 40;
/** One column of two levels packs four hundredfold: this much of it is taken whatever it packs to. */
const LEAST_UNPACKED = 24 * 1024 * 1024;

/** Bytes handed over at once: all that is pushed is unpacked before it is told, up to 1032 times as much. */
const PUSHED = 2 * 1024;

/** Unpacks piece by piece, so that a bomb is stopped at the limit and not when memory ends. */
function gunzip(bytes: Uint8Array, name: string, limits: ReadLimits): Uint8Array {
  // Captures of numbers pack some three- to thirtyfold; what packs far better is no recording.
  const largest = Math.min(limits.bytes, LEAST_UNPACKED + MOST_RATIO * bytes.length);
  const pieces: Uint8Array[] = [];
  let [size, ended] = [0, false];
  const unpack = new Gunzip((piece, final) => {
    size += piece.length;
    ended = final;
    if (size > largest)
      throw new UnusableInput(
        t`${name} unpacks to over ${Math.ceil(largest / 1e6)} MB, more than a recording of its size holds. Cut it shorter, or send it unpacked.`,
      );
    pieces.push(piece);
  });
  try {
    for (let from = 0; from < bytes.length; from += PUSHED)
      unpack.push(bytes.subarray(from, from + PUSHED), from + PUSHED >= bytes.length);
  } catch (error) {
    if (error instanceof UnusableInput) throw error;
    throw new UnusableInput(t`${name} is a damaged gzip file. Copy or compress it again.`, { cause: error });
  }
  if (!ended) throw new UnusableInput(t`${name} is a gzip file cut short. Copy it again.`);
  const whole = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
