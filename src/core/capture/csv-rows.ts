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
/** Stands for the sign between cells where any white space is one. */
const ANY_WHITE = -1;
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
  onShare: (share: number, rows: number) => void = () => undefined,
): Rows {
  const { length } = text;
  const width = format.columns;
  const cells = new Cells(text, format);
  let room = Math.max(64, Math.ceil((length - from) / (6 * width)));
  let columns = Array.from({ length: width }, () => new Float64Array(room));
  let [count, start] = [0, from];
  for (let row = 0; start < length; row++) {
    if (row % ROWS_A_WORD === 0) onShare(start / length, row);
    if (cells.enter(start)) {
      if (count === room) {
        room *= 2;
        columns = columns.map((column) => widened(column, room));
      }
      let c = 0;
      for (; c < width; c++) {
        const value = cells.next();
        if (value !== value) break;
        columns[c]![count] = value;
      }
      if (c === width) count++;
      else onBad(row, text.slice(start, start + 80).split(/[\r\n]/, 1)[0]!);
    }
    start = afterLine(text, cells.at);
  }
  return { columns: columns.map((column) => column.subarray(0, count)), count };
}

/** The cells of one line after another, as numbers. */
class Cells {
  at = 0;
  private readonly text: string;
  private readonly between: number;
  private readonly point: number;
  private readonly decimalComma: boolean;

  constructor(text: string, { separator, decimalComma }: RowFormat) {
    this.text = text;
    this.between = separator === null ? ANY_WHITE : separator.charCodeAt(0);
    this.point = decimalComma ? COMMA : POINT;
    this.decimalComma = decimalComma;
  }

  /** Goes to the first cell of the line that starts here. @returns false for a blank line and a comment */
  enter(start: number): boolean {
    const { text, between } = this;
    let at = start;
    let code = text.charCodeAt(at);
    while (code === SPACE || (code === TAB && between !== TAB)) code = text.charCodeAt(++at);
    this.at = at;
    return at < text.length && code !== LF && code !== CR && !COMMENT.has(text.charCodeAt(start));
  }

  /** The next cell of the line, and goes past the sign after it; NaN where there is no number or no cell left. */
  next(): number {
    const { text, between, point } = this;
    const start = this.at;
    let at = start;
    let code = text.charCodeAt(at);
    while (code === SPACE) code = text.charCodeAt(++at);
    const negative = code === MINUS;
    if (negative || code === PLUS) code = text.charCodeAt(++at);
    let [mantissa, digits, decimals] = [0, 0, 0];
    for (; code >= ZERO && code <= ZERO + 9 && mantissa < EXACT; digits++) {
      mantissa = mantissa * 10 + code - ZERO;
      code = text.charCodeAt(++at);
    }
    if (code === point) {
      code = text.charCodeAt(++at);
      for (; code >= ZERO && code <= ZERO + 9 && mantissa < EXACT; decimals++) {
        mantissa = mantissa * 10 + code - ZERO;
        code = text.charCodeAt(++at);
      }
    }
    while (code === SPACE) code = text.charCodeAt(++at);
    if (this.ends(code, at) && digits + decimals > 0 && decimals < TENS.length) {
      this.pass(at);
      const value = decimals > 0 ? mantissa / TENS[decimals]! : mantissa;
      return negative ? -value : value;
    }
    at = cellEnd(text, start, between);
    this.pass(at);
    return plainNumber(text.slice(start, at), this.decimalComma);
  }

  /** Whether a cell ends here: at the sign between cells, the line's end, or any white space (blanks are passed already). */
  private ends(code: number, at: number): boolean {
    const { text, between } = this;
    if (at >= text.length || code === LF || code === CR || code === between) return true;
    return between === ANY_WHITE && (code === TAB || text.charCodeAt(at - 1) === SPACE);
  }

  private pass(end: number): void {
    const { text, between } = this;
    let at = end;
    if (between === ANY_WHITE) while (text.charCodeAt(at) === SPACE || text.charCodeAt(at) === TAB) at++;
    else if (text.charCodeAt(at) === between) at++;
    this.at = at;
  }
}

function widened(column: Float64Array<ArrayBuffer>, room: number): Float64Array<ArrayBuffer> {
  const wider = new Float64Array(room);
  wider.set(column);
  return wider;
}

/** A cell as the language reads it; NaN for an empty one. */
function plainNumber(cell: string, decimalComma: boolean): number {
  const trimmed = cell.trim();
  if (trimmed === "") return NaN;
  if (!decimalComma) return Number(FORTRAN.test(trimmed) ? trimmed.replace(/d/i, "e") : trimmed);
  return Number((GROUPED.test(trimmed) ? trimmed.replaceAll(".", "") : trimmed).replace(",", "."));
}

/** An exponent as one old language has it. */
const FORTRAN = /^[-+]?[\d.]+d[-+]?\d+$/i;

/** With a decimal comma, points between groups of three digits are no decimal points. */
export const GROUPED = /^[-+]?\d{1,3}(?:\.\d{3})+(?:,\d+)?$/;

function cellEnd(text: string, from: number, between: number): number {
  let i = from;
  for (; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (code === LF || code === CR || code === between) break;
    if (between === ANY_WHITE && i > from && (code === SPACE || code === TAB)) break;
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
