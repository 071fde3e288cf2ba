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
