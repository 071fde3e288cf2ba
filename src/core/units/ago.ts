import { languageTag } from "../words/words";

const STEPS: [Intl.RelativeTimeFormatUnit, number][] = [
  ["year", 31_557_600],
  ["month", 2_629_800],
  ["day", 86_400],
  ["hour", 3_600],
  ["minute", 60],
];

/** How long ago something was, in one unit: “3 hours ago”. */
export function ago(at: Date, now = new Date()): string {
  const seconds = (at.getTime() - now.getTime()) / 1000;
  const format = new Intl.RelativeTimeFormat(languageTag(), { numeric: "auto" });
  const [unit, size] = STEPS.find(([, size]) => Math.abs(seconds) >= size) ?? ["second", 1];
  return format.format(Math.round(seconds / size), unit);
}
