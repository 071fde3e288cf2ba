/**
 * A text of rows with all that stands around its numbers taken away: quotes, a decimal comma within quotes, a clock time in
 * place of seconds, and the signs some instruments write for a value over their range.
 *
 * @param head the first lines, which tell what is to be done
 */
export function plainRows(text: string, head: readonly string[]): string {
  const some = head.join("\n");
  let plain = text;
  if (QUOTED_NUMBER.test(some)) plain = plain.replace(QUOTED_COMMA, "$1.$2").replaceAll('"', "");
  if (CLOCK_ROW.test(some))
    plain = plain.replace(CLOCK, (_, hours: string, minutes: string, seconds: string) =>
      (Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds.replace(",", "."))).toFixed(9),
    );
  if (OVER_RANGE.some((sign) => plain.includes(sign))) plain = plain.replaceAll(OVER_RANGE_CELL, "$1Infinity");
  return plain;
}

const QUOTED_NUMBER = /"[-+]?[\d.,]+(e[-+]?\d+)?"/i;
const QUOTED_COMMA = /"([-+]?\d*),(\d+(?:e[-+]?\d+)?)"/gi;
const CLOCK_ROW = /^(?:\d{4}-\d\d-\d\d[T ])?\d{1,2}:\d\d:\d\d(?:[.,]\d+)?[,;\t ]/m;
const CLOCK = /^(?:\d{4}-\d\d-\d\d[T ])?(\d{1,2}):(\d\d):(\d\d(?:[.,]\d+)?)(?=[,;\t ])/gm;
/** What stands in a cell whose value was over the range. */
const OVER_RANGE = ["∞", "inf", "Inf", "INF"];
const OVER_RANGE_CELL = /([,;\t]\s*[-+]?)(?:∞|inf)(?=\s*(?:[,;\t\r\n]|$))/gi;
