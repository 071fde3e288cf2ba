import type { FindingCode } from "../checks/findings/findings";
import { isApart } from "./apart";
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

/** What was being done, and when. */
export interface Mark {
  /** In seconds since the watch began. */
  atS: number;
  text: string;
}

/** A watch as it is kept, to be gone on with by another page. */
export interface KeptWatch {
  watchedS: number;
  missedS: number;
  /** How many moments it has caught. */
  caught: number;
  /** Channel by channel. */
  least: Float32Array[];
  greatest: Float32Array[];
  marks: Mark[];
}

/** Losses that turn with nothing: what only a watch of hours catches. */
export const worthCatching: readonly FindingCode[] = ["random-dropout", "supply-dip", "noise-at-rest"];
/** The code of a moment in which two wheels that roll together gave different speeds. */
export const APART = "apart";
/** The code of what a page that died has kept of its watch. */
export const LAST_MINUTE = "last-minute";
/** A finding less sure than this is looked at once more before it counts. */
const SURE = 0.6;
/** The same again within so many seconds is the same moment. */
const QUIET_S = 2;
/** Marks kept: as many as anybody makes by hand in a day. */
const MOST_MARKS = 500;
/** What lies nearer the newest sample than this may still change as more comes. */
const EDGE_S = 0.25;
const ENVELOPE_S = 1;

/**
 * A watch over a recording that goes on for hours: least and greatest of each second are kept of all of it, and the moments
 * in which something was found. Looked at again and again with overlapping windows, a moment counts once, and only when it
 * was found by two looks: what shows at the edge of one window alone is an end of the window. Of screens that stand apart
 * each is seen once only, and one look must do.
 */
export class Watch {
  readonly caught: Caught[] = [];
  readonly marks: Mark[] = [];
  /** Least and greatest of each channel, second by second; NaN where nothing was recorded. */
  readonly least: number[][] = [];
  readonly greatest: number[][] = [];
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
  private readonly isScreens: boolean;

  /**
   * @param codes findings worth catching
   * @param before what another page has watched, and how long ago it ended, in seconds
   * @param isScreens what it looks at are screens that stand apart
   */
  constructor(codes: readonly string[] = worthCatching, before?: { kept: KeptWatch; gapS: number }, isScreens = false) {
    this.codes = new Set([...codes, APART]);
    this.isScreens = isScreens;
    this.beforeS = before?.kept.watchedS ?? 0;
    this.gapS = Math.max(0, before?.gapS ?? 0);
    this.missedS = before?.kept.missedS ?? 0;
    this.caughtBefore = before?.kept.caught ?? 0;
    this.least.push(...(before?.kept.least ?? []).map((one) => [...one]));
    this.greatest.push(...(before?.kept.greatest ?? []).map((one) => [...one]));
    this.marks.push(...(before?.kept.marks ?? []));
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
      least: this.least.map((one) => Float32Array.from(one)),
      greatest: this.greatest.map((one) => Float32Array.from(one)),
      marks: [...this.marks],
    };
  }

  /** Notes what is being done now. */
  mark(text: string): void {
    this.marks.push({ atS: this.watchedS, text });
    if (this.marks.length > MOST_MARKS) this.marks.shift();
  }

  /** Seconds since the first sample. */
  get watchedS(): number {
    return this.beganS === null ? this.beforeS : this.untilS - this.beganS;
  }

  /**
   * Takes the last seconds and what was found in them.
   * @param speedsKmh of each channel, where they are of wheels that roll together
   * @returns the moments caught by this look
   */
  look(window: Capture, found: readonly Seen[], speedsKmh: readonly (number | null)[] = []): Caught[] {
    const endS = window.startS + window.channels[0]!.samples.length * window.sampleS;
    this.lay(window, endS);
    // Neither sure nor unsure: two numbers that differ or do not.
    const apart = { code: APART, confidence: 1, startS: window.startS + 2 * EDGE_S, endS: endS - EDGE_S };
    const findings = isApart(speedsKmh) ? [...found, apart] : found;
    const here = findings.filter(
      ({ code, startS }) => this.codes.has(code) && startS < endS - EDGE_S && startS > window.startS + EDGE_S,
    );
    // What two channels show at one time is one moment, the surer of them.
    const bySureness = here.toSorted((one, other) => other.confidence - one.confidence);
    const once = bySureness.filter((one, i) => !bySureness.slice(0, i).some((surer) => isSame(surer, one)));
    const fresh = once.filter((one) => !this.caught.some((known) => isSame(known, one)));
    const sure = fresh.filter(
      (one) =>
        (this.isScreens || this.pending.some((known) => isSame(known, one))) &&
        Math.max(one.confidence, pendingConfidence(this.pending, one)) >= SURE,
    );
    this.pending = fresh.filter((one) => !sure.includes(one));
    const now = sure.map(({ code, confidence, startS, endS: until }) => ({ code, confidence, startS, endS: until }));
    this.caught.push(...now);
    return now;
  }

  private lay({ startS, sampleS, channels }: Capture, endS: number): void {
    if (this.beganS === null) {
      // What went by since the page before is as missed as what a sleeping one misses.
      this.beganS = startS - this.beforeS - this.gapS;
      this.untilS = this.beganS + this.beforeS;
    }
    if (startS > this.untilS + sampleS) {
      this.missedS += startS - this.untilS;
      this.untilS = startS;
    }
    const from = Math.max(0, Math.round((this.untilS - startS) / sampleS));
    channels.forEach(({ samples }, channel) => this.layChannel(channel, samples, from, { startS, sampleS }));
    this.untilS = Math.max(this.untilS, endS);
  }

  private layChannel(
    channel: number,
    samples: Float32Array,
    from: number,
    { startS, sampleS }: { startS: number; sampleS: number },
  ): void {
    const least = (this.least[channel] ??= []);
    const greatest = (this.greatest[channel] ??= []);
    for (let i = from; i < samples.length;) {
      const second = Math.floor((startS + i * sampleS - this.beganS!) / ENVELOPE_S);
      const until = Math.ceil(((second + 1) * ENVELOPE_S + this.beganS! - startS) / sampleS);
      let [low, high] = [least[second] ?? NaN, greatest[second] ?? NaN];
      for (const to = Math.min(samples.length, Math.max(until, i + 1)); i < to; i++) {
        const value = samples[i]!;
        if (!(low <= value)) low = value;
        if (!(high >= value)) high = value;
      }
      while (least.length <= second) {
        least.push(NaN);
        greatest.push(NaN);
      }
      [least[second], greatest[second]] = [low, high];
    }
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
