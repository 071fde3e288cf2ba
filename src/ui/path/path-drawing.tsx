"use client";
import { parsePoint } from "@/core/circuit/point";
import { conductorsOf, type CornerSetup } from "@/core/circuit/setup";
import { pathShares, type PathItem } from "@/core/harness/path-shares";
import type { Suspect } from "@/core/lineup/suspects";
import { pointLabel } from "@/core/checks/words";
import { formatShare } from "@/core/units/format";

export interface Pin {
  point: string;
  label: string;
}

interface PathProps {
  setup: CornerSetup;
  suspects: readonly Suspect[];
  /** Readings so far at a point, newest last. */
  pins: readonly Pin[];
  probes: { red?: string | undefined; black?: string | undefined };
  unplugged: readonly string[];
}

const WIDTH = 1240;
const TOP = 66;
const BOX = 86;

/** The corner as one drawing of its conductors, module to bearing; suspicion by hatch and number, probes by tips. */
export function PathDrawing({ setup, suspects, pins, probes, unplugged }: PathProps) {
  const items = pathShares(setup, suspects);
  const layout = placeItems(items);
  const wires = conductorsOf[setup.family].length;
  const wireY = (wire: number) => TOP + 22 + (wire * 42) / (wires - 1);
  const xOf = (text: string) => pointX(text, setup, layout);
  return (
    <figure className="overflow-x-auto border-b border-rule bg-card px-2">
      <svg
        viewBox={`0 0 ${WIDTH} 218`}
        className="block h-auto w-full min-w-[720px]"
        role="img"
        aria-label={items.map(({ name, share }) => `${name} ${formatShare(share)}`).join(", ")}
      >
        <defs>
          {[0, 1, 2, 3].map((level) => (
            <pattern
              key={level}
              id={`hatch${level}`}
              width={12 - 2.6 * level}
              height={12 - 2.6 * level}
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <line
                x1="0"
                y1="0"
                x2="0"
                y2="12"
                stroke="var(--brick)"
                strokeWidth={1 + 0.5 * level}
                opacity={0.35 + 0.15 * level}
              />
            </pattern>
          ))}
        </defs>
        {layout.map(({ item, x, width }) =>
          item.kind === "span" ? (
            <SpanWires key={item.id} item={item} x={x} width={width} wires={wires} wireY={wireY} />
          ) : null,
        )}
        {layout.map(({ item, x, width }) =>
          item.kind === "span" ? null : (
            <Station key={item.id} item={item} x={x} width={width} open={unplugged.includes(item.id)} />
          ),
        )}
        <SensorLead layout={layout} wires={wires} wireY={wireY} />
        {latestPins(pins).map(({ point, label }, i) => {
          const x = xOf(point);
          return x === null ? null : <PinnedReading key={point} x={x} row={i % 2} label={label} />;
        })}
        {(["red", "black"] as const).map((probe) => {
          const text = probes[probe];
          const x = text ? (xOf(text) ?? (probe === "black" ? 52 : null)) : null;
          return x === null ? null : (
            <ProbeTip
              key={probe}
              x={x}
              probe={probe}
              label={`${probe} · ${probeLabel(text!, setup)}`}
              y={wireConductorY(text!, setup, wireY)}
            />
          );
        })}
      </svg>
      <figcaption className="sr-only">
        Path from module to bearing.{" "}
        {items.map(({ name, detail, share }) => `${name} ${detail}: ${formatShare(share)} of suspicion.`).join(" ")}
      </figcaption>
    </figure>
  );
}

interface Placed {
  item: PathItem;
  x: number;
  width: number;
}

function placeItems(items: readonly PathItem[]): Placed[] {
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

/** How dense the hatch is: four steps from a trace of suspicion to nearly all of it. */
function hatch(share: number): string {
  if (share < 0.02) return "none";
  return `url(#hatch${share < 0.08 ? 0 : share < 0.25 ? 1 : share < 0.6 ? 2 : 3})`;
}

function Station({ item, x, width, open }: Placed & { open: boolean }) {
  return (
    <g>
      <rect
        x={x}
        y={TOP}
        width={width}
        height={BOX}
        rx="9"
        fill="var(--card)"
        stroke={open ? "var(--marigold)" : "var(--muted)"}
        strokeWidth={open ? 2.5 : 1.2}
        strokeDasharray={open ? "6 4" : undefined}
      />
      <rect x={x} y={TOP} width={width} height={BOX} rx="9" fill={hatch(item.share)} />
      <rect x={x} y={TOP + BOX - 4} width={width} height="4" rx="2" fill="var(--rule)" />
      <text
        x={x + 9}
        y={TOP + 20}
        fontSize="15"
        fontWeight="700"
        fill="var(--ink)"
        style={{ paintOrder: "stroke", stroke: "var(--card)", strokeWidth: 6 }}
      >
        {item.name}
      </text>
      {open && (
        <text
          x={x + 9}
          y={TOP + 38}
          fontSize="13"
          fill="var(--ink)"
          style={{ paintOrder: "stroke", stroke: "var(--card)", strokeWidth: 6 }}
        >
          open
        </text>
      )}
      <Share x={x + width - 9} y={TOP + BOX - 12} share={item.share} />
    </g>
  );
}

function Share({ x, y, share }: { x: number; y: number; share: number }) {
  return (
    <text
      x={x}
      y={y}
      textAnchor="end"
      fontSize="21"
      fontWeight="700"
      fontFamily="var(--font-mono)"
      fill="var(--ink)"
      style={{ paintOrder: "stroke", stroke: "var(--card)", strokeWidth: 7 }}
    >
      {formatShare(share).replace(" %", "")}
    </text>
  );
}

function SpanWires({ item, x, width, wires, wireY }: Placed & { wires: number; wireY: (wire: number) => number }) {
  const hot = item.share >= 0.25;
  return (
    <g>
      {Array.from({ length: wires }, (_, wire) => (
        <line
          key={wire}
          x1={x}
          x2={x + width}
          y1={wireY(wire)}
          y2={wireY(wire)}
          stroke={hot ? "var(--brick)" : "var(--ink)"}
          strokeWidth={hot ? 5 : 3}
          strokeDasharray={hot ? "9 4" : undefined}
        />
      ))}
      <text x={x + width / 2} y={TOP + 6} textAnchor="middle" fontSize="13" fill="var(--muted)">
        {item.name} · {item.detail}
      </text>
      {item.share >= 0.005 && <Share x={x + width / 2 + 16} y={TOP + 51} share={item.share} />}
    </g>
  );
}

function SensorLead({ layout, wires, wireY }: { layout: Placed[]; wires: number; wireY: (wire: number) => number }) {
  const sensor = layout.find(({ item }) => item.kind === "sensor")!;
  return (
    <g>
      {Array.from({ length: wires }, (_, wire) => (
        <line
          key={wire}
          x1={sensor.x - 40}
          x2={sensor.x}
          y1={wireY(wire)}
          y2={wireY(wire)}
          stroke="var(--ink)"
          strokeWidth="3"
        />
      ))}
    </g>
  );
}

function PinnedReading({ x, row, label }: { x: number; row: number; label: string }) {
  const width = Math.max(64, label.length * 9 + 16);
  const y = row === 0 ? 6 : 32;
  return (
    <g>
      <line x1={x} x2={x} y1={y + 22} y2={TOP + 22} stroke="var(--plum)" strokeWidth="2" />
      <rect x={x - width / 2} y={y} width={width} height="23" rx="5" fill="var(--paper)" stroke="var(--plum)" />
      <text x={x} y={y + 16.5} textAnchor="middle" fontSize="15" fontFamily="var(--font-mono)" fill="var(--ink)">
        {label}
      </text>
    </g>
  );
}

function ProbeTip({ x, probe, label, y }: { x: number; probe: "red" | "black"; label: string; y: number }) {
  const width = label.length * 7.6 + 18;
  const top = probe === "red" ? 162 : 190;
  const left = Math.min(WIDTH - width - 6, Math.max(6, x - width / 2));
  return (
    <g>
      <path d={`M ${x} ${y} l -7 13 h 14 z`} fill="var(--marigold)" stroke="var(--ink)" strokeWidth="0.8" />
      <line
        x1={x}
        x2={x}
        y1={y + 12}
        y2={top}
        stroke="var(--marigold)"
        strokeWidth="3"
        strokeDasharray={probe === "black" ? "2 4" : undefined}
      />
      <rect x={left} y={top} width={width} height="25" rx="6" fill="var(--marigold-wash)" stroke="var(--marigold)" />
      <text x={left + width / 2} y={top + 17.5} textAnchor="middle" fontSize="14" fontWeight="600" fill="var(--ink)">
        {label}
      </text>
    </g>
  );
}

function probeLabel(text: string, setup: CornerSetup): string {
  const parsed = parsePoint(text, setup);
  return parsed.ok ? pointLabel(parsed.point) : text;
}

/** The newest reading at each point, at most eight. */
function latestPins(pins: readonly Pin[]): Pin[] {
  return [...new Map(pins.map((pin) => [pin.point, pin])).values()].slice(-8);
}

function pointX(text: string, setup: CornerSetup, layout: Placed[]): number | null {
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

function wireConductorY(text: string, setup: CornerSetup, wireY: (wire: number) => number): number {
  const wire = conductorsOf[setup.family].findIndex((name) => text.endsWith(`.${name}`));
  return wire < 0 ? TOP + BOX : wireY(wire);
}
