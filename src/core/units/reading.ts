import { t } from "../words/words";
import { KMH_PER_MPH, MM_PER_INCH, quantityUnits, typedUnits, type Quantity } from "./quantity";

/** A reading as typed, in base units, or one of the things a display shows that is no number. */
export type TypedValue =
  | { kind: "number"; quantity: Quantity; value: number; resolution: number; coupling?: Coupling }
  | { kind: "over-limit" }
  | { kind: "beep"; heard: boolean };

/** How it was coupled, where its unit says so; peak to peak is what a scope shows of AC. */
export type Coupling = "ac" | "dc" | "peak-to-peak";

export type ParseResult = { ok: true; value: TypedValue } | { ok: false; say: string };

/** Two numbers seen while turning or waiting, least first, in base units. */
export interface TypedRange {
  low: number;
  high: number;
  resolution: number;
}

/** Between two numbers: an ellipsis, two points, a slash, a dash, an arrow or a word. A slash within a unit (km/h) parts nothing. */
const BETWEEN =
  /\s*(?:…|\.{2,}|–|—|<?-?->|[→↔;&]|,\s(?:(?:max(?:imum)?|min(?:imum)?|high|hi|low|lo|hoch|tief)\b[:=]?)?|\/(?=\s*[-+−]?[.,]?\d)|\s-\s|(?<=\d[a-zA-ZΩ%]*)(?<!\de)-(?=[.,]?\d)|\b(?:to|bis|and|und|then|dann|or|oder|max(?:imum)?|min(?:imum)?|high|hi|low|lo|hoch|tief)\b[:=]?)\s*/i;
/** What is said before two numbers. */
const BETWEEN_WHICH =
  /^\s*(?:(?:it )?(?:toggles?|toggling|switches|alternates|jumps|varies|fluctuates|wechselt|schaltet)\b\s*)?(?:(?:between|from|zwischen|von|min(?:imum)?|max(?:imum)?|high|hi|low|lo|hoch|tief)\b\s*)?[:=]?\s*/i;
/** What toggles has two levels, though nothing but a blank stands between them. */
const TOGGLES = /^\s*(?:it )?(?:toggles?|toggling|switches|alternates|jumps|wechselt|schaltet)\b/i;
const TWO_APART = /^([.,\d]+\s?[a-zµ]*)\s+([.,\d]+\s?[a-zµ]*)$/i;
/** That a display stood still, or that who typed it wonders: neither says that the wheel was turned. */
const STEADY = /\s*[,;]?\s*(?:\b(?:steady|stable|constant|ruhig|stabil|konstant|ok)\b)?\s*[?!]*$/i;
/** A remark behind a reading. */
const ASIDE = /\s*\([^()\d]*\)\s*$/;
/** What is said of a reading that keeps to one value however the wheel is turned. */
const STAYS = /\s*[,;]?\s*\b(?:only|stuck|stays|nur|bleibt)\b\s*$/i;

/**
 * Reads a range as it is typed: `0.84…1.68 V`, `0.84 / 1.68`, `0.84 to 1.68 V`; `0.84 only` is one level seen however
 * often the wheel was turned a little on.
 * @returns null when what was typed is no range, a sentence when one of its ends cannot be read
 */
export function parseRange(
  text: string,
  expected: Quantity,
): { ok: true; value: TypedRange } | { ok: false; say: string } | null {
  const stays = STAYS.test(text);
  const said = text.replace(BETWEEN_WHICH, "").trim();
  const parted = said.split(BETWEEN);
  const apart = parted.length === 1 && TOGGLES.test(text) ? TWO_APART.exec(said)?.slice(1, 3) : undefined;
  const ends = stays ? [text.replace(STAYS, ""), text.replace(STAYS, "")] : (apart ?? parted);
  if (ends.length !== 2 || ends.some((end) => !/\d/.test(end))) return null;
  const unit = /[^\d.,eE+\-−\s].*$/.exec(ends[1]!)?.[0] ?? "";
  const first = /[^\d.,+\-−\s]/.test(ends[0]!) ? ends[0]! : ends[0]! + unit;
  const read = [first, ends[1]!].map((end) => parseReading(end, expected));
  const wrong = read.find((end) => !end.ok);
  if (wrong && !wrong.ok) return wrong;
  const values = read.flatMap((end) => (end.ok && end.value.kind === "number" ? [end.value] : []));
  if (values.length !== 2) return null;
  return {
    ok: true,
    value: {
      low: Math.min(...values.map(({ value }) => value)),
      high: Math.max(...values.map(({ value }) => value)),
      resolution: Math.max(...values.map(({ resolution }) => resolution)),
    },
  };
}

/**
 * Reads what a hand types on a bench: `11.2`, `11,2 V`, `953mV`, `1.1k`, `1k1`, `0.65vac`, `OL`, `beep`, `no beep`,
 * `55.7 Hz`, `22 km/h`, `5 mph`. The unit comes from `expected` when it is left out.
 *
 * @param text what was typed
 * @param expected the quantity the check asks for; a typed unit of another quantity is refused, never converted
 * @returns the value in base units with the size of its last digit, or a sentence saying what was not understood
 */
export function parseReading(text: string, expected: Quantity): ParseResult {
  const trimmed = text.trim();
  if (trimmed === "") return refuse(t`Nothing typed. Type a number${unitHint(expected)}.`);
  const word = parseWord(trimmed);
  if (word) return { ok: true, value: word };
  const bound = /^([<>≤≥])\s*(.+)$/.exec(trimmed);
  if (bound) return parseBound(bound[1]!, bound[2]!, expected);
  const bare = trimmed
    .replace(ASIDE, "")
    .replace(STEADY, "")
    .replace(ABOUT, "")
    .replace(/\.$/, "")
    .replace(LONG_MINUS, "-");
  const plain = unitLast(bare).replace(THOUSANDS[expected] ?? GROUPED, "$1$2");
  const split = splitNumber(plain.toLowerCase().replace(/\s+/g, " "), plain);
  if (!split) return refuse(t`“${clip(trimmed)}” is not a number I can read. Type for example ${example(expected)}.`);
  const unit = parseUnit(split.unit, split.rawUnit, expected);
  if (!unit)
    return refuse(
      t`“${clip(split.rawUnit)}” is not a unit I know here. This reading is in ${quantityUnits[expected]}.`,
    );
  if (unit.quantity !== expected)
    return refuse(
      t`“${clip(trimmed)}” is in ${quantityUnits[unit.quantity]}, but this check reads ${quantityUnits[expected]}.`,
    );
  return {
    ok: true,
    value: {
      kind: "number",
      quantity: expected,
      value: scaled(split.number, unit.scale),
      resolution: scaled(split.resolution, unit.scale),
      ...(unit.coupling ? { coupling: unit.coupling } : {}),
    },
  };
}

/** A dash that an editor put for a minus. */
const LONG_MINUS = /^[–—]\s?(?=[.,]?\d)/;
const ABOUT = /^(?:~|≈|ca\.?|circa|about|approx\.?|approximately|around|etwa|rund|some)\s*(?=[-+−.,\d])/i;
/** Digits in groups of three. */
const GROUPED = /^([-+−]?\d{1,3})[\s'’\u202f](\d{3}\b)/;
/** No hand meter shows thousandths of an ohm: a comma before three digits and no prefix parts thousands there. */
const THOUSANDS: Partial<Record<Quantity, RegExp>> = {
  ohms: /^([-+−]?\d{1,3})[\s'’,\u202f](\d{3})(?=\s*(?:Ω|Ω|ohms?|r)?$)/i,
};

/** `DC 12.1 V` and `mV 840`, as some displays have it, with the unit behind. */
function unitLast(text: string): string {
  const before = /^(?:(ac|dc)\s*)?([a-zµμΩΩ%]{0,3})\s*([-+−]?[\d.,].*)$/i.exec(text);
  if (!before || (!before[1] && !before[2])) return text;
  return [before[3], before[2], before[1]].filter(Boolean).join(" ");
}

/** `<0.5 Ω`: anything from nothing to that. `>20 MΩ`: over the limit of that range; of other numbers it is no reading. */
function parseBound(sign: string, rest: string, expected: Quantity): ParseResult {
  const read = parseReading(rest, expected);
  if (!read.ok || read.value.kind !== "number") return read;
  const { value } = read.value;
  if (sign === "<" || sign === "≤")
    return { ok: true, value: { ...read.value, value: value / 2, resolution: Math.abs(value) } };
  if (expected === "ohms" && value >= OVER_ANY_RANGE_OHMS) return { ok: true, value: { kind: "over-limit" } };
  return refuse(t`“${clip(`${sign} ${rest}`)}” is no reading: type the number the display shows, or OL.`);
}

/** From here on more than that is as good as OL: sound insulation. */
const OVER_ANY_RANGE_OHMS = 1e6;

/** Divides by the whole number a small scale stands for, so that 953 mV is 0.953 V and not 0.9530000000000001. */
function scaled(number: number, scale: number): number {
  return scale < 1 ? number / Math.round(1 / scale) : number * scale;
}

const OVER_LIMIT =
  /^(o\.?l\.?|0\.?l\.?|o\/l|ovld|1?\s*\(?over(?: ?(?:limit|load|range|flow))?\)?|open(?: (?:circuit|line|loop))?|inf(?:inite|inity)?|∞)(\s*[kKmM]?(ohms?|Ω|Ω))?$/i;

function parseWord(text: string): TypedValue | null {
  if (OVER_LIMIT.test(text)) return { kind: "over-limit" };
  if (/^(beeps?|yes|tone)$/i.test(text)) return { kind: "beep", heard: true };
  if (/^(no[ -]?beep|no|silent|silence|no tone)$/i.test(text)) return { kind: "beep", heard: false };
  return null;
}

interface SplitNumber {
  number: number;
  resolution: number;
  unit: string;
  rawUnit: string;
}

function splitNumber(lower: string, raw: string): SplitNumber | null {
  const radix = /^([+\-−]?)(\d{1,4})([kmrv])(\d{1,4})\s*(Ω|ohms?)?$/i.exec(raw.trim());
  if (radix) return splitRadixLetter(radix);
  const match = /^([+\-−]?)\s*(\d+(?:[.,]\d*)?|[.,]\d+)(e[+-]?\d{1,3})?\s*(.*)$/.exec(lower);
  if (!match) return null;
  const [, sign, digits, exponent = "", unit] = match;
  const plain = digits!.replace(",", ".");
  const number = Number(plain + exponent) * (sign === "-" || sign === "−" ? -1 : 1);
  if (!Number.isFinite(number)) return null;
  const decimals = plain.includes(".") ? plain.length - plain.indexOf(".") - 1 : 0;
  const rawUnit = raw.slice(raw.length - unit!.length).trim();
  return { number, resolution: 10 ** -decimals * Number(`1${exponent}`), unit: unit!.trim(), rawUnit };
}

/** `1k1` is 1.1 kΩ, `4M7` 4.7 MΩ, `0R5` 0.5 Ω, `4V7` 4.7 V: the letter stands for the point (IEC 60062 style). */
function splitRadixLetter([, sign, whole, letter, fraction]: RegExpExecArray): SplitNumber {
  const number = Number(`${whole}.${fraction}`) * (sign === "-" || sign === "−" ? -1 : 1);
  const rawUnit = /r/i.test(letter!) ? "Ω" : letter!;
  return { number, resolution: 10 ** -fraction!.length, unit: rawUnit.toLowerCase(), rawUnit };
}

interface Unit {
  quantity: Quantity;
  scale: number;
  coupling?: Coupling;
}

/** What stands behind a unit: letters, or the signs on a meter's dial. */
const COUPLED = /^(.*?)\s*(?:(dc|=|⎓)|(pp|p-p|pk-?pk|peak[ -]to[ -]peak)|ac|rms|~|⏦)$/i;

const PREFIX: Record<string, number> = {
  "": 1,
  k: 1e3,
  K: 1e3,
  M: 1e6,
  m: 1e-3,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  n: 1e-9,
  p: 1e-12,
  G: 1e9,
};
const BASE: [RegExp, Quantity][] = [
  [/^(v|volts?)$/i, "volts"],
  [/^(Ω|Ω|ohms?|r)$/i, "ohms"],
  [/^(f|farads?)$/i, "farads"],
  [/^(a|amps?)$/i, "amps"],
  [/^(hz|hertz)$/i, "hertz"],
];

function parseUnit(lower: string, raw: string, expected: Quantity): Unit | null {
  if (lower === "") return parseUnit(typedUnits[expected].toLowerCase(), typedUnits[expected], expected);
  const fixed = FIXED_UNITS[lower.replace(/\s/g, "")];
  if (fixed) return fixed;
  const coupled = COUPLED.exec(raw);
  const coupling = coupled ? (coupled[2] ? "dc" : coupled[3] ? "peak-to-peak" : "ac") : undefined;
  const bare = coupled ? coupled[1]! : raw;
  if (bare.length === 1 && bare in PREFIX) return barePrefix(bare, expected);
  for (const prefix of Object.keys(PREFIX)) {
    if (!bare.startsWith(prefix)) continue;
    const rest = bare.slice(prefix.length).trim();
    const base = BASE.find(([pattern]) => pattern.test(rest));
    if (base) return { quantity: base[1], scale: prefixScale(prefix, base[1]), ...(coupling ? { coupling } : {}) };
  }
  return null;
}

/** `1.1k` has no unit but a prefix; `m` is milli for volts and amps and mega for ohms, where milliohms are never typed bare. */
function barePrefix(letter: string, expected: Quantity): Unit | null {
  if ((letter === "G" || letter === "n" || letter === "p") && expected !== "farads") return null;
  return { quantity: expected, scale: prefixScale(letter, expected) };
}

function prefixScale(prefix: string, quantity: Quantity): number {
  return prefix === "m" && quantity === "ohms" ? 1e6 : PREFIX[prefix]!;
}

const FIXED_UNITS: Record<string, Unit> = {
  meg: { quantity: "ohms", scale: 1e6 },
  megohm: { quantity: "ohms", scale: 1e6 },
  megohms: { quantity: "ohms", scale: 1e6 },
  "%": { quantity: "percent", scale: 1 },
  percent: { quantity: "percent", scale: 1 },
  "km/h": { quantity: "speed", scale: 1 },
  kmh: { quantity: "speed", scale: 1 },
  kph: { quantity: "speed", scale: 1 },
  mph: { quantity: "speed", scale: KMH_PER_MPH },
  mm: { quantity: "length", scale: 1 },
  in: { quantity: "length", scale: MM_PER_INCH },
  inch: { quantity: "length", scale: MM_PER_INCH },
  milliohm: { quantity: "ohms", scale: 1e-3 },
  milliohms: { quantity: "ohms", scale: 1e-3 },
};

const EXAMPLES: Record<Quantity, string> = {
  get volts() {
    return t`11.2, 953mV or 0.65vac`;
  },
  get ohms() {
    return t`1.1k, 0.4 or OL`;
  },
  get farads() {
    return t`0.42 nF, 420p or OL`;
  },
  get amps() {
    return t`7mA or 0.014`;
  },
  hertz: "55.7",
  percent: "50",
  get speed() {
    return t`22 km/h or 5 mph`;
  },
  get length() {
    return t`0.4 mm or 0.015 in`;
  },
};

function example(expected: Quantity): string {
  return EXAMPLES[expected];
}

function unitHint(expected: Quantity): string {
  return t` in ${typedUnits[expected]}, for example ${example(expected)}`;
}

function refuse(say: string): ParseResult {
  return { ok: false, say };
}

/** Very long input is quoted short so that the message stays readable. */
function clip(text: string): string {
  return text.length > 40 ? `${text.slice(0, 37)}…` : text;
}
