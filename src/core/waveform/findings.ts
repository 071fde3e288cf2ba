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
  "missing-pulses": t`Pulses missing, same place each turn`,
  "cracked-ring": t`Ring cracked`,
  "odd-tooth": t`One odd tooth`,
  eccentric: t`Ring out of true, or play`,
  "random-dropout": t`Lost at random places`,
  "supply-dip": t`Supply sinks with it`,
  "noise-at-rest": t`Noise without a wheel`,
  interference: t`Hash`,
  "low-amplitude": t`Too small for the speed`,
  "drop-out-speed": t`Falls out at low speed`,
  "duty-shift": t`High and low uneven`,
  "level-out-of-window": t`Levels wrong`,
  "key-on-transient": t`Key turned on`,
  "probe-spike": t`Probe moved`,
};

/** The teeth a finding covers, counted from 1 round a ring of `columns`. */
export function toothRun({ tooth, count = 1, code }: Finding, columns: number): number[] {
  if (!tooth || columns === 0) return [];
  const length = code === "missing-pulses" ? count : 1;
  return Array.from({ length }, (_, i) => ((tooth - 1 + i) % columns) + 1);
}
