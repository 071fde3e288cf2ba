/**
 * A clock time as logs have it, as a pattern's source: hours, minutes and seconds, or minutes and seconds with their decimals (some put a colon before thousandths),
 * a date before it and a half of the day or a zone behind it. Its groups are what `clockSeconds` takes.
 */
export const CLOCK = String.raw`(?:\d{1,4}[./-]\d{1,2}[./-]\d{1,4}[T ])?(?:(\d{1,2}):(?=\d\d:))?(\d{1,2}):(\d\d(?:(?<=:\d\d:\d\d)|(?=[.,]\d))(?:[.,]\d+|:\d{3}(?!\d))?) ?(am|pm)?(?:Z|[-+]\d\d:?\d\d)?`;

/** Seconds of the day; noon is 12 p.m., midnight 12 a.m. */
export function clockSeconds(hours: string | undefined, minutes: string, second: string, half?: string): number {
  const hour = half ? (Number(hours) % 12) + (half.toLowerCase() === "pm" ? 12 : 0) : Number(hours ?? 0);
  return hour * 3600 + Number(minutes) * 60 + Number(second.replace(/[,:]/, "."));
}

/** Seconds that go on past midnight, of seconds of the day told one after another. */
export function pastMidnight(): (seconds: number) => number {
  let [before, days] = [NaN, 0];
  return (seconds) => {
    if (seconds < before - DAY_S / 2) days++;
    before = seconds;
    return seconds + days * DAY_S;
  };
}

const DAY_S = 86_400;
