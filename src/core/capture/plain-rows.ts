import { CLOCK, clockSeconds, pastMidnight } from "./clock";
import { withoutValueUnits } from "./value-units";

/**
 * A text of rows with all that stands around its numbers taken away: quotes, a decimal comma within quotes, a date, a clock
 * time in place of seconds, units behind values, blanks within numbers, and the signs some instruments write for a value over their range.
 *
 * @param head the first lines, which tell what is to be done
 */
export function plainRows(text: string, head: readonly string[]): string {
  const some = head.join("\n");
  let plain = some.search(HARD_BLANKS) >= 0 ? text.replaceAll(HARD_BLANKS, " ") : text;
  if (some.includes("\u2212")) plain = plain.replaceAll("\u2212", "-");
  if (QUOTED_NUMBER.test(some)) plain = plain.replace(QUOTED_COMMA, "$1.$2").replaceAll('"', "");
  if (BARRED_ROW.test(some)) plain = plain.replaceAll("|", ";");
  if (some.search(DATE_COLUMN) >= 0) plain = plain.replace(DATE_COLUMN, "").replace(DATE_NAME, "");
  if (CLOCK_ROW.test(plain.slice(0, some.length))) plain = withSeconds(plain, some.length);
  // Headers are full of such letters; from the first row on they are a few signs among numbers.
  const rows = Math.max(0, plain.slice(0, some.length).search(FIRST_ROW));
  if (OVER_RANGE.some((sign) => plain.includes(sign, rows))) plain = plain.replaceAll(OVER_RANGE_CELL, "$1Infinity");
  plain = withLogicLevels(plain, some.length);
  if (GROUPED_ROW.test(some)) plain = plain.replace(GROUP_BLANK, "");
  if (WORD_ROW.test(plain.slice(0, some.length))) plain = plain.replace(LAST_WORD, "$1").replace(WORD_NAME, "");
  return withoutValueUnits(plain, plain.slice(0, some.length));
}

/** Seconds in place of clock times, with the decimal sign of the numbers beside them; past midnight they go on. */
function withSeconds(text: string, headLength: number): string {
  const onward = pastMidnight();
  const beside = text.slice(0, headLength).replace(CLOCK_CELL, "");
  const comma = /^[;\t]/m.test(beside) && /\d,\d/.test(beside) && !/\d\.\d/.test(beside);
  return text.replace(CLOCK_CELL, (_, hours: string | undefined, minutes: string, second: string, half?: string) => {
    const seconds = onward(clockSeconds(hours, minutes, second, half)).toFixed(9);
    return comma ? seconds.replace(".", ",") : seconds;
  });
}

/** 1 and 0 in place of words for the two levels of a logic input, where both are met. */
function withLogicLevels(text: string, headLength: number): string {
  const head = text.slice(0, headLength);
  const met = LOGIC_PAIRS.filter((pair) => logicCell(pair.join("|")).test(head));
  const pair = met.find((words) => words.every((word) => logicCell(word).test(text)));
  if (!pair) return text;
  const high = pair[0].toLowerCase();
  return text.replace(
    logicCell(pair.join("|"), "gi"),
    (_, before: string, word: string) => before + (word.toLowerCase() === high ? "1" : "0"),
  );
}

/** A cell of a row of numbers that is one of these words. */
function logicCell(words: string, flags = "i"): RegExp {
  return new RegExp(String.raw`((?<=\d|true|false|high|low|h|l)[,;\t]\s*)(${words})(?=\s*(?:[,;\t\r\n]|$))`, flags);
}

const LOGIC_PAIRS = [
  ["true", "false"],
  ["high", "low"],
  ["h", "l"],
] as const;

/** Blanks that no line may be broken at, as word processors and some languages write them. */
const HARD_BLANKS = /[\u00a0\u2009\u202f]/g;
const QUOTED_NUMBER = /"[-+]?[\d.,]+(e[-+]?\d+)?\s?[a-zµμ]{0,2}"/i;
const QUOTED_COMMA = /"([-+]?\d*),(\d+(?:e[-+]?\d+)?)(?=\s?[a-zµμ]{0,2}")/gi;
/** A row with an upright stroke between its cells. */
const BARRED_ROW = /^\s*[-+]?[\d.,]+(?:e[-+]?\d+)?\s*\|/im;
/** A date in a column of its own before the clock time. */
const DATE_COLUMN = /^"?\d{1,4}[./-]\d{1,2}[./-]\d{1,4}"?[,;\t] ?(?=\d{1,2}:\d\d:\d\d)/gm;
const DATE_NAME = /^"?(?:date|datum|fecha|data)"?[,;\t]/im;
const CLOCK_ROW = new RegExp(`^${CLOCK}[,;\t ]`, "im");
const CLOCK_CELL = new RegExp(`^${CLOCK}(?=[,;\t ])`, "gim");
/** Digits in groups of three. */
const GROUPED_ROW = /^\s*\d{1,3}(?:[ \u00a0\u2009\u202f]\d{3})+(?:,\d+)?[;\t]/m;
const GROUP_BLANK = /(?<=\d) (?=\d{3}(?:[ ,;\t]|$))/gm;
/** A row that ends with a word: whether the reading was good. */
const WORD_ROW = /^\s*[-+]?\d[^\r\na-z]*[,;\t]\s*(?!nan|inf)[a-z]{2,12}\s*$/im;
const LAST_WORD = /^(\s*[-+]?\d[^\r\n]*?)[,;\t]\s*(?!nan|inf)[a-z]{2,12}[ \t]*$/gim;
const WORD_NAME = /[,;\t]\s*"?(?:status|state|flags?|quality|valid|remarks?|zustand)"?[ \t]*$/im;
const FIRST_ROW = /^[ \t]*[-+]?\d[^\r\n]*[,;\t]/m;
/** What stands in a cell whose value was over the range. */
const OVER_RANGE = ["∞", "inf", "Inf", "INF", "OL", "O.L", "OV", "Over", "over"];
const OVER_RANGE_CELL =
  /((?<=\d)[,;\t]\s*[-+]?)(?:∞|inf|ol|o\.l\.?|ovl|ovld|overload|over|overflow|overrange)(?=\s*(?:[,;\t\r\n]|$))/gi;
