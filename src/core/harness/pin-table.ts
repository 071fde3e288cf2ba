import { t } from "../words/words";
import { conductorsOf, stationsOf, type CornerSetup, type Station } from "../circuit/setup";
import { conductorWord } from "../faults/wire-faults";
import { withStation } from "./edit-path";

export type PinTable = { ok: true; path: CornerSetup["path"]; filled: number } | { ok: false; say: string };

/**
 * Reads a small pasted pin map: a head row that names the stations, one row a wire, each cell a terminal and a colour
 * in either order (`7 red/white`, `brown 12`). Tabs, semicolons or bars between cells; commas where there are none.
 *
 * @returns the path with the terminals filled in, or a sentence saying what was not understood and where
 */
export function parsePinTable(text: string, setup: CornerSetup): PinTable {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== "");
  if (lines.length < 2)
    return {
      ok: false,
      say: t`Paste a head row with the stations and a row for each wire, for example: wire; module; plug.`,
    };
  const separator = [/\t/, /;/, /\|/, /,/].find((one) => one.test(lines[0]!));
  if (!separator)
    return { ok: false, say: t`The head row “${clip(lines[0]!)}” has one cell only. Put tabs or ; between cells.` };
  const [, ...heads] = cells(lines[0]!, separator);
  const stations = stationsOf(setup);
  const at = heads.map((head) => stations.findIndex(({ station }) => station === stationName(head)));
  const unknown = heads[at.indexOf(-1)];
  if (unknown !== undefined)
    return {
      ok: false,
      say: t`“${clip(unknown)}” in the head row is no station here: ${stations.map(({ station }) => station).join(", ")}.`,
    };
  let path = setup.path;
  let filled = 0;
  for (const [row, line] of lines.slice(1).entries()) {
    const [name, ...own] = cells(line, separator);
    const conductor = conductorsOf[setup.family].find((one) =>
      [one, conductorWord(one)].some((word) => alike(word, name!)),
    );
    if (!conductor)
      return {
        ok: false,
        say: t`Row ${row + 2}: “${clip(name!)}” is no wire of this sensor: ${conductorsOf[setup.family].join(", ")}.`,
      };
    own.slice(0, at.length).forEach((cell, column) => {
      const terminal = terminalOf(cell);
      if (!terminal) return;
      const station = stationsOf({ ...setup, path })[at[column]!]!;
      const pins: Station["pins"] = { ...station.pins, [conductor]: terminal };
      path = withStation({ ...setup, path }, at[column]!, { pins });
      filled++;
    });
  }
  return filled > 0 ? { ok: true, path, filled } : { ok: false, say: t`No cell holds a terminal or a colour.` };
}

function cells(line: string, separator: RegExp): string[] {
  return line
    .split(separator)
    .map((cell) => cell.trim())
    .filter((cell, i, all) => cell !== "" || i < all.length - 1);
}

/** A terminal is the part with a digit in it, the rest is its colour; a lone word is a colour. */
function terminalOf(cell: string): { pin: string; colour: string } | null {
  const words = cell
    .replace(/\bpin\b/i, "")
    .trim()
    .split(/\s+/)
    .filter(Boolean);
  if (words.length === 0 || /^[-–]+$/.test(cell)) return null;
  const pin = words.find((word) => /\d/.test(word)) ?? "";
  return {
    pin: pin.slice(0, 12),
    colour: words
      .filter((word) => word !== pin)
      .join(" ")
      .slice(0, 24),
  };
}

function stationName(head: string): string {
  const text = head.toLowerCase();
  if (/module|ecu|unit/.test(text)) return "module";
  if (/plug|sensor/.test(text)) return "plug";
  return /c\s*(\d)/.exec(text)?.[1] ? `c${/c\s*(\d)/.exec(text)![1]}` : text;
}

function alike(word: string, name: string): boolean {
  return word.toLowerCase() === name.toLowerCase();
}

function clip(text: string): string {
  return text.length > 40 ? `${text.slice(0, 37)}…` : text;
}
