import type { Data } from "../wire/data-answer";
import { scpiNumber } from "../wire/scpi";
import type { Encoding } from "./scope-dialect";

const READ: Record<
  Exclude<Encoding, "ascii">,
  [bytes: number, read: (view: DataView, at: number, low: boolean) => number]
> = {
  int8: [1, (view, at) => view.getInt8(at)],
  uint8: [1, (view, at) => view.getUint8(at)],
  int16: [2, (view, at, low) => view.getInt16(at, low)],
  uint16: [2, (view, at, low) => view.getUint16(at, low)],
  real32: [4, (view, at, low) => view.getFloat32(at, low)],
  real64: [8, (view, at, low) => view.getFloat64(at, low)],
};

/** A share of samples that are no usual number, beyond which the bytes are read the wrong way. */
const MOST_STRANGE = 0.02;
/** No probe of this job sees more: what is beyond it is a number read in the wrong order of bytes. */
const MOST_VOLTS = 1e5;

/**
 * The samples in an answer, as they are written there. Text is read as text, whatever was asked for: not every
 * instrument obeys an order of format. Bytes in the other order than was said are told by what they make of numbers.
 * @returns null where they are no samples
 */
export function samplesOf(data: Data, encoding: Encoding, lowByteFirst: boolean): Float32Array | null {
  if (data.kind === "text") return fromText(data.text);
  if (encoding === "ascii") return fromText(new TextDecoder().decode(data.bytes));
  const [size] = READ[encoding];
  if (data.bytes.length === 0 || data.bytes.length % size !== 0) return null;
  const asSaid = fromBytes(data.bytes, encoding, lowByteFirst);
  if (!encoding.startsWith("real") || !isStrange(asSaid)) return asSaid;
  const otherWay = fromBytes(data.bytes, encoding, !lowByteFirst);
  return isStrange(otherWay) ? null : otherWay;
}

function fromBytes(bytes: Uint8Array, encoding: Exclude<Encoding, "ascii">, lowByteFirst: boolean): Float32Array {
  const [size, read] = READ[encoding];
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  return Float32Array.from({ length: bytes.length / size }, (_, i) => read(view, i * size, lowByteFirst));
}

function fromText(text: string): Float32Array | null {
  const numbers = text.split(/[,;\s]+/).filter((one) => one !== "");
  const samples = Float32Array.from(numbers, (one) => scpiNumber(one) ?? NaN);
  const isUsable = samples.length > 1 && samples.every((value) => Number.isFinite(value));
  return isUsable ? samples : null;
}

/** Numbers no probe gives: not finite, huge, or so small that only a wrong order of bytes makes them. */
function isStrange(samples: Float32Array): boolean {
  const strange = samples.reduce((sum, value) => {
    const size = Math.abs(value);
    return sum + (!Number.isFinite(value) || size > MOST_VOLTS || (size > 0 && size < 1e-12) ? 1 : 0);
  }, 0);
  return strange > MOST_STRANGE * samples.length;
}
