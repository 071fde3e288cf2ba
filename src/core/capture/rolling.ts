import type { Capture } from "./capture";
import type { Columns } from "./columns";

/** Exact zeros in every channel for so many samples on end, in what is never quite still: the computer had nothing to hand on. */
const FEWEST_LOST = 64;
/** Zeros for longer than this are an input that is still, not one that was not listened to. */
const LONGEST_HOLE_S = 0.5;

/** Samples gone through together for what is drawn: a column of dots of four seconds at 48 kHz holds five times as many. */
const FEW = 32;

/**
 * The last seconds of something that goes on: blocks of samples are laid into a ring, the oldest give way. Memory is that
 * of the length kept, however long it runs. Of what a busy computer did not hand on in time, a sound input leaves exact
 * zeros; a recording never reaches across such a hole, which would look like a wire that lost its contact.
 */
export class Rolling {
  readonly sampleS: number;
  /** Seconds of sound this computer did not hand on. */
  lostS = 0;
  /** Where samples are missing, the oldest first, counted from the start; those that gave way are let go. */
  private holes: { from: number; to: number }[] = [];
  private zeros = 0;
  private readonly rings: Float32Array[];
  /** Least and greatest of every few samples, so that what is drawn many times a second is gone through once. */
  private readonly extremes: Columns[];
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
    const few = Math.ceil(length / FEW) + 1;
    this.extremes = names.map(() => ({ least: new Float32Array(few), greatest: new Float32Array(few) }));
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
      this.layExtremes(this.extremes[channel]!, piece, this.count + skipped);
    });
    this.findHoles(block, size);
    this.count += size;
  }

  private layExtremes({ least, greatest }: Columns, piece: Float32Array, from: number): void {
    for (let i = 0; i < piece.length; i++) {
      const value = piece[i]!;
      const at = Math.floor((from + i) / FEW) % least.length;
      const isFirst = (from + i) % FEW === 0;
      if (isFirst || value < least[at]!) least[at] = value;
      if (isFirst || value > greatest[at]!) greatest[at] = value;
    }
  }

  /**
   * The last seconds as they are drawn: least and greatest of each column of dots, of each channel.
   * @param count columns of the whole length asked for; fewer come while less was recorded
   * @param perUnit what one unit laid in stands for
   */
  columns(lengthS: number, count: number, perUnit: number): { lengthS: number; channels: Columns[] } | null {
    const size = Math.min(this.count, this.rings[0]!.length, Math.round(lengthS / this.sampleS));
    if (size < FEW) return null;
    const [first, last] = [Math.ceil((this.count - size) / FEW), Math.floor(this.count / FEW)];
    const wide = Math.max(1, Math.round((count * size * this.sampleS) / lengthS));
    const channels = this.extremes.map(({ least, greatest }) => {
      const shown: Columns = { least: new Float32Array(wide).fill(NaN), greatest: new Float32Array(wide).fill(NaN) };
      for (let k = first; k < last; k++) {
        const column = Math.floor(((k - first) * wide) / (last - first));
        const at = k % least.length;
        const [low, high] = [perUnit * least[at]!, perUnit * greatest[at]!];
        if (!(shown.least[column]! <= low)) shown.least[column] = low;
        if (!(shown.greatest[column]! >= high)) shown.greatest[column] = high;
      }
      return shown;
    });
    return { lengthS: size * this.sampleS, channels };
  }

  private findHoles(block: readonly Float32Array[], size: number): void {
    const [first] = block;
    for (let i = 0; i < size; i++) {
      // Asked of every sample of hours: that one channel is not nought is nearly always enough.
      if (first![i] === 0 && block.every((samples) => samples[i] === 0)) {
        this.zeros++;
        continue;
      }
      if (this.zeros === 0) continue;
      const to = this.count + i;
      const isHole = this.zeros >= FEWEST_LOST && this.zeros * this.sampleS <= LONGEST_HOLE_S && this.zeros < to;
      if (isHole) this.holes.push({ from: to - this.zeros, to });
      if (isHole) this.lostS += this.zeros * this.sampleS;
      this.zeros = 0;
    }
    this.holes = this.holes.filter(({ to }) => to > this.count + size - this.rings[0]!.length);
  }

  /** The longest stretch without a hole among the last samples. */
  private longestWhole(size: number): { from: number; size: number } {
    const starts = [this.count - size, ...this.holes.map(({ to }) => to)];
    const ends = [...this.holes.map(({ from }) => from), this.count - Math.min(size, this.openHole())];
    const stretches = starts.map((start, i) => {
      const from = Math.max(start, this.count - size);
      return { from, size: ends[i]! - from };
    });
    return stretches.reduce((longest, one) => (one.size > longest.size ? one : longest));
  }

  /** Samples of a hole that is not over yet, as far as one can know. */
  private openHole(): number {
    return this.zeros >= FEWEST_LOST && this.zeros * this.sampleS <= LONGEST_HOLE_S ? this.zeros : 0;
  }

  /**
   * A copy of the last seconds, or the longest stretch of them that is whole, times counted from the start; null before
   * anything was laid in.
   * @param perUnit volts for one unit laid in; null where nobody knows
   */
  last(lengthS: number, name: string, perUnit: number | null = 1): Capture | null {
    if (this.count === 0) return null;
    const length = this.rings[0]!.length;
    const { from, size } = this.longestWhole(
      Math.min(this.count, length, Math.max(1, Math.round(lengthS / this.sampleS))),
    );
    const samplesOf = (ring: Float32Array) => {
      const out = new Float32Array(size);
      const at = from % length;
      // What lies across the ring's end is copied in two pieces.
      const first = ring.subarray(at, at + size);
      out.set(first);
      out.set(ring.subarray(0, size - first.length), first.length);
      if (perUnit !== null && perUnit !== 1) for (let i = 0; i < size; i++) out[i]! *= perUnit;
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
