import type { FindingCode } from "../checks/findings/findings";
import type { Capture } from "./capture";

/** Something found while watching, as far as it concerns the watch. */
export interface Seen {
  code: string;
  confidence: number;
  startS: number;
  endS: number;
}

/** A moment that was caught. */
export interface Caught {
  code: string;
  confidence: number;
  /** In seconds of the recording. */
  startS: number;
  endS: number;
}

/** A watch as it is kept, to be gone on with by another page. */
export interface KeptWatch {
  watchedS: number;
  missedS: number;
  /** How many moments it has caught. */
  caught: number;
  least: Float32Array;
  greatest: Float32Array;
}

/** Losses that turn with nothing: what only a watch of hours catches. */
export const worthCatching: readonly FindingCode[] = ["random-dropout", "supply-dip", "noise-at-rest"];
/** A finding less sure than this is looked at once more before it counts. */
const SURE = 0.6;
/** The same again within so many seconds is the same moment. */
const QUIET_S = 2;
/** What lies nearer the newest sample than this may still change as more comes. */
const EDGE_S = 0.25;
const ENVELOPE_S = 1;

/**
 * A watch over a recording that goes on for hours: least and greatest of each second are kept of all of it, and the moments
 * in which something was found. Looked at again and again with overlapping windows, a moment counts once, and only when it
 * was found by two looks: what shows at the edge of one window alone is an end of the window.
 */
export class Watch {
  readonly caught: Caught[] = [];
  /** Least and greatest of the first channel, second by second; NaN where nothing was recorded. */
  readonly least: number[] = [];
  readonly greatest: number[] = [];
  /** Seconds of which nothing was seen: the page slept, or the machine did. */
  missedS = 0;
  private readonly codes: ReadonlySet<string>;
  private pending: Caught[] = [];
  private beganS: number | null = null;
  private untilS = 0;
  /** Seconds watched by an earlier page, and those since it. */
  private readonly beforeS: number;
  private readonly gapS: number;
  private readonly caughtBefore: number;

  /** @param codes findings worth catching @param before what another page has watched, and how long ago it ended, in seconds */
  constructor(codes: readonly string[] = worthCatching, before?: { kept: KeptWatch; gapS: number }) {
    this.codes = new Set(codes);
    this.beforeS = before?.kept.watchedS ?? 0;
    this.gapS = Math.max(0, before?.gapS ?? 0);
    this.missedS = before?.kept.missedS ?? 0;
    this.caughtBefore = before?.kept.caught ?? 0;
    this.least.push(...(before?.kept.least ?? []));
    this.greatest.push(...(before?.kept.greatest ?? []));
  }

  /** How many moments it has caught, those of earlier pages included. */
  get count(): number {
    return this.caughtBefore + this.caught.length;
  }

  /** All that another page needs to go on with it. */
  keep(): KeptWatch {
    return {
      watchedS: this.watchedS,
      missedS: this.missedS,
      caught: this.count,
      least: Float32Array.from(this.least),
      greatest: Float32Array.from(this.greatest),
    };
  }

  /** Seconds since the first sample. */
  get watchedS(): number {
    return this.beganS === null ? this.beforeS : this.untilS - this.beganS;
  }

  /** Takes the last seconds and what was found in them. @returns the moments caught by this look */
  look(window: Capture, findings: readonly Seen[]): Caught[] {
    const endS = window.startS + window.channels[0]!.samples.length * window.sampleS;
    this.lay(window, endS);
    const here = findings.filter(
      ({ code, startS }) => this.codes.has(code) && startS < endS - EDGE_S && startS > window.startS + EDGE_S,
    );
    const fresh = here.filter((one) => !this.caught.some((known) => isSame(known, one)));
    const sure = fresh.filter(
      (one) =>
        this.pending.some((known) => isSame(known, one)) &&
        Math.max(one.confidence, pendingConfidence(this.pending, one)) >= SURE,
    );
    this.pending = fresh.filter((one) => !sure.includes(one));
    const now = sure.map(({ code, confidence, startS, endS: until }) => ({ code, confidence, startS, endS: until }));
    this.caught.push(...now);
    return now;
  }

  private lay({ startS, sampleS, channels }: Capture, endS: number): void {
    const { samples } = channels[0]!;
    if (this.beganS === null) {
      // What went by since the page before is as missed as what a sleeping one misses.
      this.beganS = startS - this.beforeS - this.gapS;
      this.untilS = this.beganS + this.beforeS;
    }
    if (startS > this.untilS + sampleS) {
      this.missedS += startS - this.untilS;
      this.untilS = startS;
    }
    for (let i = Math.max(0, Math.round((this.untilS - startS) / sampleS)); i < samples.length; i++) {
      const second = Math.floor((startS + i * sampleS - this.beganS) / ENVELOPE_S);
      while (this.least.length <= second) {
        this.least.push(NaN);
        this.greatest.push(NaN);
      }
      const value = samples[i]!;
      if (!(this.least[second]! <= value)) this.least[second] = value;
      if (!(this.greatest[second]! >= value)) this.greatest[second] = value;
    }
    this.untilS = Math.max(this.untilS, endS);
  }
}

function isSame(
  one: Pick<Caught, "code" | "startS" | "endS">,
  other: Pick<Caught, "code" | "startS" | "endS">,
): boolean {
  return one.code === other.code && one.startS < other.endS + QUIET_S && other.startS < one.endS + QUIET_S;
}

function pendingConfidence(pending: readonly Caught[], one: Seen): number {
  return pending.find((known) => isSame(known, one))?.confidence ?? 0;
}
