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

  /** @param codes findings worth catching */
  constructor(codes: readonly string[] = worthCatching) {
    this.codes = new Set(codes);
  }

  /** Seconds since the first sample. */
  get watchedS(): number {
    return this.beganS === null ? 0 : this.untilS - this.beganS;
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
    if (this.beganS === null) [this.beganS, this.untilS] = [startS, startS];
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
