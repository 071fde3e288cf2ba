import type { Capture } from "./capture";

/**
 * The last seconds of something that goes on: blocks of samples are laid into a ring, the oldest give way. Memory is that
 * of the length kept, however long it runs.
 */
export class Rolling {
  readonly sampleS: number;
  private readonly rings: Float32Array[];
  private readonly names: readonly string[];
  /** Samples ever laid in. */
  private count = 0;

  /** @throws RangeError for no channels or no length */
  constructor(names: readonly string[], sampleS: number, keptS: number) {
    const length = Math.round(keptS / sampleS);
    if (names.length === 0 || !(length > 0)) throw new RangeError("a rolling recording needs channels and a length");
    this.names = names;
    this.sampleS = sampleS;
    this.rings = names.map(() => new Float32Array(length));
  }

  /** Seconds recorded since the start, those that have given way included. */
  get elapsedS(): number {
    return this.count * this.sampleS;
  }

  /** Lays in one block, a piece of equal length for each channel. */
  lay(block: readonly Float32Array[]): void {
    const length = this.rings[0]!.length;
    const size = block[0]?.length ?? 0;
    const skipped = Math.max(0, size - length);
    this.rings.forEach((ring, channel) => {
      const piece = (block[channel] ?? block[0]!).subarray(skipped);
      const at = (this.count + skipped) % length;
      const first = piece.subarray(0, length - at);
      ring.set(first, at);
      ring.set(piece.subarray(first.length), 0);
    });
    this.count += size;
  }

  /** A copy of the last seconds, times counted from the start; null before anything was laid in. @param perUnit volts for one unit laid in; null where nobody knows */
  last(lengthS: number, name: string, perUnit: number | null = 1): Capture | null {
    if (this.count === 0) return null;
    const length = this.rings[0]!.length;
    const size = Math.min(this.count, length, Math.max(1, Math.round(lengthS / this.sampleS)));
    const from = this.count - size;
    const samplesOf = (ring: Float32Array) => {
      const out = new Float32Array(size);
      for (let i = 0; i < size; i++) out[i] = (perUnit ?? 1) * ring[(from + i) % length]!;
      return out;
    };
    return {
      name,
      sampleS: this.sampleS,
      startS: from * this.sampleS,
      channels: this.rings.map((ring, i) => ({
        name: this.names[i]!,
        unit: "V",
        ...(perUnit === null ? { scale: "unknown" as const } : {}),
        samples: samplesOf(ring),
      })),
    };
  }
}
