import { t } from "@/core/words/words";

/** What stands for an over-limit on displays. */
const OVER = String.raw`[O0o]\.?[Ll]\.?|OVLD|OVER|OVERLOAD|INF|-{3,}`;
const VALUE = String.raw`(?<value>[+-]?\s*(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:[Ee][+-]?\d+)?|${OVER})`;
const UNIT = String.raw`\s*(?<unit>[a-zA-Zµμ%Ω°]*)`;
const LONGEST_PATTERN = 120;
/** Each more makes an unfitting line a length dearer to refuse. */
const MOST_STARS = 3;

export type LinePattern = { ok: true; read: (line: string) => string | null } | { ok: false; say: string };

/**
 * How a meter's lines are read: `{value}` where the number stands, `{unit}` where its unit does, `*` for anything, the
 * rest as it is written; blanks count once. Reads a line as somebody would type it ("0.843 V", "OL"), or null.
 */
export function linePattern(text: string): LinePattern {
  if (text.length > LONGEST_PATTERN) return { ok: false, say: t`At most ${LONGEST_PATTERN} signs.` };
  if (text.split("{value}").length !== 2) return { ok: false, say: t`Write {value} once, where the number stands.` };
  if (text.split("{unit}").length > 2) return { ok: false, say: t`Write {unit} at most once.` };
  if (text.split("*").length - 1 > MOST_STARS) return { ok: false, say: t`At most ${MOST_STARS} stars.` };
  const parts = text.trim().split(/(\{value\}|\{unit\}|\*|\s+)/);
  const source = parts
    .map((part) => {
      if (part === "{value}") return VALUE;
      if (part === "{unit}") return UNIT;
      if (part === "*") return ".*?";
      if (/^\s+$/.test(part)) return String.raw`\s*`;
      return part.replaceAll(/[$()*+./?[\\\]^{|}-]/g, String.raw`\$&`);
    })
    .join("");
  const pattern = new RegExp(`^\\s*${source}\\s*$`, "i");
  const over = new RegExp(`^(?:${OVER})$`, "i");
  return {
    ok: true,
    read(line) {
      const groups = pattern.exec(line)?.groups;
      if (!groups) return null;
      const value = groups.value!.replaceAll(/\s/g, "");
      if (over.test(value)) return "OL";
      return `${value.replace(",", ".")} ${groups.unit ?? ""}`.trim();
    },
  };
}
