const SPACE = 32;
const TAB = 9;
const LF = 10;
const CR = 13;
const COMMENT: ReadonlySet<number> = new Set([...";#%"].map((sign) => sign.charCodeAt(0)));
const POINT = 46;
const COMMA = 44;
const PLUS = 43;
const MINUS = 45;
const ZERO = 48;
/** Powers of ten that a double holds exactly. */
const TENS = Array.from({ length: 23 }, (_, power) => 10 ** power);
/** Mantissas below this are exact in a double. */
const EXACT = 2 ** 53 / 10 - 1;

/** Rows from one word of progress to the next. */
const ROWS_A_WORD = 65_536;

export interface Rows {
  /** One a column, all of one length. */
  columns: Float64Array[];
  count: number;
}

export interface RowFormat {
  /** A sign between cells, or null where any white space is. */
  separator: string | null;
  decimalComma: boolean;
  columns: number;
}

/**
 * Reads rows of numbers straight from the text, sign by sign: no line and no cell is cut out on the way, which is most
 * of what a general reader spends its time on. A number is exact where its digits fit a double (as they do in
 * captures); anything else goes through the language's own reader.
 *
 * @param from where the first row starts @param onBad told of each row without a number in every column; may throw
 * @param onShare told every so many rows how much of the text is read, 0 to 1
 */
export function readRows(
  text: string,
  from: number,
  format: RowFormat,
  onBad: (row: number, line: string) => void,
  onShare: (share: number) => void = () => undefined,
): Rows {
  const { separator, decimalComma, columns: width } = format;
  const between = separator === null ? -1 : separator.charCodeAt(0);
  const point = decimalComma ? COMMA : POINT;
  const length = text.length;
  let room = Math.max(64, Math.ceil((length - from) / (6 * width)));
  let columns = Array.from({ length: width }, () => new Float64Array(room));
  let [count, row, i] = [0, -1, from];

  while (i < length) {
    const start = i;
    row++;
    if (row % ROWS_A_WORD === 0) onShare(i / length);
    let code = text.charCodeAt(i);
    while (code === SPACE || (code === TAB && between !== TAB)) code = text.charCodeAt(++i);
    if (i >= length || code === LF || code === CR || COMMENT.has(text.charCodeAt(start))) {
      i = afterLine(text, i);
      continue;
    }
    if (count === room) {
      room *= 2;
      columns = columns.map((old) => {
        const wider = new Float64Array(room);
        wider.set(old);
        return wider;
      });
    }
    let good = true;
    for (let c = 0; c < width; c++) {
      let at = i;
      code = text.charCodeAt(at);
      while (code === SPACE) code = text.charCodeAt(++at);
      let negative = false;
      if (code === MINUS || code === PLUS) {
        negative = code === MINUS;
        code = text.charCodeAt(++at);
      }
      let [mantissa, digits, decimals] = [0, 0, 0];
      while (code >= ZERO && code <= ZERO + 9 && mantissa < EXACT) {
        mantissa = mantissa * 10 + code - ZERO;
        digits++;
        code = text.charCodeAt(++at);
      }
      if (code === point) {
        code = text.charCodeAt(++at);
        while (code >= ZERO && code <= ZERO + 9 && mantissa < EXACT) {
          mantissa = mantissa * 10 + code - ZERO;
          digits++;
          decimals++;
          code = text.charCodeAt(++at);
        }
      }
      while (code === SPACE) code = text.charCodeAt(++at);
      const ends =
        at >= length || code === LF || code === CR || code === between || (between < 0 && isWhite(code, text, at));
      let value: number;
      if (ends && digits > 0 && decimals < TENS.length) {
        value = decimals > 0 ? mantissa / TENS[decimals]! : mantissa;
        if (negative) value = -value;
      } else {
        at = cellEnd(text, i, between);
        value = plainNumber(text.slice(i, at), decimalComma);
        code = text.charCodeAt(at);
      }
      if (value === value) columns[c]![count] = value;
      else good = false;
      // Past the sign between cells; at the end of the line the cells still to come stay empty.
      i = at;
      if (c < width - 1) {
        if (at >= length || code === LF || code === CR) {
          good = false;
          break;
        }
        i = between < 0 ? skipWhite(text, at) : at + 1;
      }
    }
    i = afterLine(text, i);
    if (good) count++;
    else onBad(row, text.slice(start, start + 80).split(/[\r\n]/, 1)[0]!);
  }
  return { columns: columns.map((column) => column.subarray(0, count)), count };
}

/** A cell as the language reads it; NaN for an empty one. */
export function plainNumber(cell: string, decimalComma: boolean): number {
  const trimmed = cell.trim();
  return trimmed === "" ? NaN : Number(decimalComma ? trimmed.replace(",", ".") : trimmed);
}

/** A white-space separator was already passed over by the number's reader, so the sign before may be one. */
function isWhite(code: number, text: string, at: number): boolean {
  return code === TAB || text.charCodeAt(at - 1) === SPACE;
}

function skipWhite(text: string, at: number): number {
  let i = at;
  while (text.charCodeAt(i) === SPACE || text.charCodeAt(i) === TAB) i++;
  return i;
}

function cellEnd(text: string, from: number, between: number): number {
  let i = from;
  for (; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (code === LF || code === CR || code === between) break;
    if (between < 0 && i > from && (code === SPACE || code === TAB)) break;
  }
  return i;
}

/** Where the next line starts: lines end in LF, CR or both. */
function afterLine(text: string, from: number): number {
  let i = from;
  while (i < text.length) {
    const code = text.charCodeAt(i++);
    if (code === LF) break;
    if (code === CR) {
      if (text.charCodeAt(i) === LF) i++;
      break;
    }
  }
  return i;
}
