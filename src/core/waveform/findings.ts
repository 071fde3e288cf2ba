import { t } from "../words/words";
export type FindingCode =
  | "missing-pulses"
  | "cracked-ring"
  | "odd-tooth"
  | "eccentric"
  | "random-dropout"
  | "supply-dip"
  | "noise-at-rest"
  | "interference"
  | "low-amplitude"
  | "drop-out-speed"
  | "duty-shift"
  | "level-out-of-window"
  | "key-on-transient"
  | "probe-spike";

/** Something a capture shows, with where and how surely. */
export interface Finding {
  code: FindingCode;
  confidence: number;
  ringLocked: boolean;
  tooth?: number;
  count?: number;
  /** Of a supply dip: the signal was lost with it. */
  withSignal?: boolean;
  /** Size in the finding's own measure: pitches, share, km/h, milliamperes. */
  size?: number;
  startS: number;
  endS: number;
  say: string;
}

/** Which of these the line-up calls the capture as a whole; the first that is there wins. */
const LEADING: FindingCode[] = [
  "missing-pulses",
  "random-dropout",
  "cracked-ring",
  "noise-at-rest",
  "low-amplitude",
  "drop-out-speed",
  "odd-tooth",
  "eccentric",
  "level-out-of-window",
  "duty-shift",
];

/** The one word under which a capture enters the line-up. */
export function leadingFinding(findings: readonly Finding[], signal: string): string {
  const lead = LEADING.find((code) => findings.some((finding) => finding.code === code));
  if (lead === "drop-out-speed" || lead === "duty-shift") return "low-amplitude";
  return lead ?? (signal === "flat" ? "flat" : signal === "noise" ? "noise-at-rest" : "clean");
}

/** Findings as titles. */
export const findingWords: Record<FindingCode, string> = {
  get "missing-pulses"() {
    return t`Pulses missing, same place each turn`;
  },
  get "cracked-ring"() {
    return t`Ring cracked`;
  },
  get "odd-tooth"() {
    return t`One odd tooth`;
  },
  get eccentric() {
    return t`Excessive runout, or bearing play`;
  },
  get "random-dropout"() {
    return t`Lost at random places`;
  },
  get "supply-dip"() {
    return t`Supply sinks with it`;
  },
  get "noise-at-rest"() {
    return t`Noise without a wheel`;
  },
  get interference() {
    return t`Hash`;
  },
  get "low-amplitude"() {
    return t`Too small for the speed`;
  },
  get "drop-out-speed"() {
    return t`Drops out at low speed`;
  },
  get "duty-shift"() {
    return t`High and low uneven`;
  },
  get "level-out-of-window"() {
    return t`Levels wrong`;
  },
  get "key-on-transient"() {
    return t`Key turned on`;
  },
  get "probe-spike"() {
    return t`Probe moved`;
  },
};

/** The teeth a finding covers, counted from 1 round a ring of `columns`. */
export function toothRun({ tooth, count = 1, code }: Finding, columns: number): number[] {
  if (!tooth || columns === 0) return [];
  const length = code === "missing-pulses" ? count : 1;
  return Array.from({ length }, (_, i) => ((tooth - 1 + i) % columns) + 1);
}
