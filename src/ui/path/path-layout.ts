import { facePoints, parsePoint } from "@/core/circuit/point";
import { conductorsOf, type CornerSetup } from "@/core/circuit/setup";
import type { PathItem } from "@/core/harness/path-shares";

export const WIDTH = 1240;
export const TOP = 66;
export const BOX = 86;

export interface Placed {
  item: PathItem;
  x: number;
  width: number;
}

export function placeItems(items: readonly PathItem[]): Placed[] {
  const widths = items.map(({ kind }): number =>
    kind === "gap" ? 62 : kind === "span" ? 0 : kind === "station" ? 76 : 96,
  );
  const gaps = 14 * 3;
  const spans = items.filter(({ kind }) => kind === "span").length;
  const left = WIDTH - 40 - widths.reduce((sum, width) => sum + width, 0) - gaps - 40;
  let x = 20;
  return items.map((item, i) => {
    const width = item.kind === "span" ? left / spans : widths[i]!;
    const placed = { item, x, width };
    x +=
      width +
      (item.kind === "sensor" || item.kind === "gap" || item.kind === "ring"
        ? 14
        : items[i + 1]?.kind === "sensor"
          ? 40
          : 0);
    return placed;
  });
}

export const CAPTION_SIZE = 13;
/** Mean width of a letter of the interface face, in parts of its size. */
const LETTER = 0.52;

/** As much of a span's name, length and landmark as there is room for between two connectors. */
export function spanCaption(
  { name, short = "", detail }: Pick<PathItem, "name" | "short" | "detail">,
  room: number,
): string {
  const captions = [`${name} · ${detail}`, `${name} · ${short}`, short];
  return captions.find((caption) => caption.length * CAPTION_SIZE * LETTER < room) ?? "";
}

/** Where the label of a pinned reading stands: one of two rows above the path. */
export interface LabelPlace {
  row: number;
  left: number;
  width: number;
}

/**
 * Rooms for the labels of readings, none over another: the newest, which comes last, chooses first; each stands over
 * its point or to one side of it, and one that finds no room has none.
 */
export function placeLabels(pins: readonly { x: number; label: string }[]): (LabelPlace | null)[] {
  const taken: LabelPlace[] = [];
  return pins
    .toReversed()
    .map(({ x, label }) => {
      const width = Math.max(64, label.length * 9 + 16);
      const lefts = [x - width / 2, x - width + BESIDE, x - BESIDE];
      const free = lefts
        .flatMap((left) => [0, 1].map((row): LabelPlace => ({ row, left, width })))
        .find((one) => one.left > 0 && one.left + width < WIDTH && !taken.some((other) => overlap(one, other)));
      if (free) taken.push(free);
      return free ?? null;
    })
    .toReversed();
}

const BESIDE = 10;

function overlap(a: LabelPlace, b: LabelPlace): boolean {
  return a.row === b.row && a.left < b.left + b.width + 3 && b.left < a.left + a.width + 3;
}

export function pointX(text: string, setup: CornerSetup, layout: Placed[]): number | null {
  const parsed = parsePoint(text, setup);
  if (!parsed.ok)
    return (
      layout.find(
        ({ item }) =>
          item.id === text || (text === "foot" && item.kind === "gap") || (text === "encoder" && item.kind === "ring"),
      )?.x ?? null
    );
  const { point } = parsed;
  if (point.at === "module") return layout[0]!.x + 30;
  if (point.at === "face") {
    const box = layout.find(({ item }) => item.id === point.station)!;
    return box.x + (point.face === "in" ? 10 : box.width - 10);
  }
  if (point.at === "span") {
    const span = layout.find(({ item }) => item.id === `span${point.span}`)!;
    return span.x + (span.width * point.percent) / 100;
  }
  return null;
}

export function wireConductorY(text: string, setup: CornerSetup, wireY: (wire: number) => number): number {
  const wire = conductorsOf[setup.family].findIndex((name) => text.endsWith(`.${name}`));
  return wire < 0 ? TOP + BOX : wireY(wire);
}

/** Every terminal that can be touched, with its place on the drawing. */
export function terminals(setup: CornerSetup, layout: Placed[]): { point: string; x: number }[] {
  return facePoints(setup).map((point) => ({ point, x: pointX(point, setup, layout) ?? 0 }));
}
