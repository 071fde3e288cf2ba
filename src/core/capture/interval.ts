/** How many seconds a unit of time has; by its name in small letters. */
export const SECONDS_PER: Record<string, number> = {
  s: 1,
  sec: 1,
  seconds: 1,
  second: 1,
  ms: 1e-3,
  us: 1e-6,
  µs: 1e-6,
  ns: 1e-9,
  milliseconds: 1e-3,
  microseconds: 1e-6,
  nanoseconds: 1e-9,
  min: 60,
};

/** What is read of a header, and of each of its lines. */
const [MOST_LINES, LONGEST_LINE] = [120, 400];

/** Seconds between samples by the header, NaN where it does not say. */
export function intervalS(lines: readonly string[]): number {
  const headers = lines.slice(0, MOST_LINES).map((line) => line.slice(0, LONGEST_LINE));
  const interval = headers
    .map((line) =>
      new RegExp(
        String.raw`(?:interval|increment|period|delta ?t|dt)[^\d-]*(${NUMBER})${BESIDE}(milli|micro|nano|ms|us|µs|ns|s)?`,
        "i",
      ).exec(line),
    )
    .find((match) => match !== null);
  const rate = headers
    .map(
      (line) =>
        new RegExp(String.raw`(?:rate|frequency|\bfs\b)[^\d-]*(${NUMBER})${BESIDE}(k|M)?(?:hz|sa?\/s|sps)?`, "i").exec(
          line,
        ) ??
        new RegExp(String.raw`(${NUMBER})\s*(k|M)?\s?(?:sa?\/s|samples?\/s|samples per second|sps)\b`, "i").exec(line),
    )
    .find((match) => match !== null);
  if (interval) return plainOf(interval[1]!) * (BEGINS[interval[2]?.toLowerCase() ?? "s"] ?? 1);
  if (!rate) return NaN;
  const times = rate[2]?.toLowerCase();
  return 1 / (rateOf(rate[1]!, times) * (times === "k" ? 1e3 : times === "m" ? 1e6 : 1));
}

/** The same by how a unit begins: “ms”, “msec” and “milliseconds” are one. */
const BEGINS: Record<string, number> = { ...SECONDS_PER, milli: 1e-3, micro: 1e-6, nano: 1e-9 };

/** A number in a header, digits perhaps in groups of three. */
const NUMBER = String.raw`\d{1,3}(?:,\d{3}){2,}|\d*[.,]?\d+(?:e[-+]?\d+)?`;
/** What stands between a number and its unit, each perhaps in a cell of its own. */
const BESIDE = String.raw`["\s]*[,;]?["\s]*`;

function plainOf(number: string): number {
  return Number(/,.*,/.test(number) ? number.replaceAll(",", "") : number.replace(",", "."));
}

/** “50,000 Hz” are fifty thousand: nobody records fifty samples a second and writes three decimals of it. */
function rateOf(number: string, times: string | undefined): number {
  return /^\d{1,3},\d{3}$/.test(number) && !times ? Number(number.replace(",", "")) : plainOf(number);
}

/** Seconds in the unit of a time counted from the beginning of 1970, in the years from 2001 to 2096; null for any other. */
export function sinceEpoch(time: number): number | null {
  return [1, 1e-3, 1e-6, 1e-9].find((scale) => time * scale > 1e9 && time * scale < 4e9) ?? null;
}
