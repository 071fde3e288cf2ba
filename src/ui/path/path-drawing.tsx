"use client";
import { t } from "@/core/words/words";
import { memo, useState } from "react";
import type { CircuitState } from "@/core/circuit/state";
import { parsePoint } from "@/core/circuit/point";
import { conductorsOf, type CornerSetup } from "@/core/circuit/setup";
import { pathShares } from "@/core/harness/path-shares";
import type { Suspect } from "@/core/verdict/suspects";
import { placeItems, placeLabels, pointX, terminals, TOP, WIDTH, wireConductorY } from "./path-layout";
import {
  BatteryOff,
  LampBetween,
  PinLine,
  PinnedReading,
  ProbeTip,
  SecondTip,
  SensorLead,
  SpanWires,
  Station,
} from "./path-parts";
import type { Pin } from "@/core/bench/path-pins";
import { pointLabel } from "@/core/checks/words";
import { formatShare } from "@/core/units/format";

interface PathProps {
  setup: CornerSetup;
  suspects: readonly Suspect[];
  /** Readings so far at a point, newest last. */
  pins: readonly Pin[];
  /** Points; for a look what is looked at. */
  probes: { red?: string | undefined; black?: string | undefined; second?: string | undefined };
  /** What the car is doing for the proposed check; null before there is one. */
  state: CircuitState | null;
  /** A lamp is fed through the wire between the two probes. */
  lamp?: boolean;
  /** Two points were touched, red first. */
  onPoints?: (red: string, black: string) => void;
}

/** The corner as one drawing of its conductors, module to bearing; suspicion by hatch and number, probes by tips. */
export const PathDrawing = memo(function PathDrawing({
  setup,
  suspects,
  pins,
  probes,
  state,
  lamp = false,
  onPoints,
}: PathProps) {
  const [zoom, setZoom] = useState(1);
  const [first, setFirst] = useState<string | null>(null);
  const unplugged = state?.unplugged ?? [];
  const touch = (point: string) => {
    if (!first) return setFirst(point);
    setFirst(null);
    if (point !== first) onPoints?.(first, point);
  };
  const items = pathShares(setup, suspects);
  const layout = placeItems(items);
  const wires = conductorsOf[setup.family].length;
  const wireY = (wire: number) => TOP + 22 + (wire * 42) / (wires - 1);
  const xOf = (text: string) => pointX(text, setup, layout);
  const pinned = latestPins(pins).flatMap((pin) => {
    const x = xOf(pin.point);
    return x === null ? [] : [{ ...pin, x }];
  });
  const places = placeLabels(pinned);
  return (
    <figure className="relative border-b border-rule bg-card px-2">
      <div className="absolute top-1 right-2 z-10 flex gap-1">
        {first && (
          <p
            role="status"
            className="rounded-lg border border-marigold bg-marigold-wash px-2 py-1 text-sm"
          >{t`red on ${probeLabel(first, setup)}: now touch where black goes`}</p>
        )}
        <button
          type="button"
          aria-label={zoom === 1 ? t`Draw the path larger` : t`Draw the path smaller`}
          className="min-h-8 rounded-lg border border-rule bg-card px-2 text-sm"
          onClick={() => setZoom(zoom === 1 ? LARGER : 1)}
        >
          {zoom === 1 ? t`+ larger` : t`− smaller`}
        </button>
      </div>
      <div className="overflow-x-auto">
        <svg
          viewBox={`0 0 ${WIDTH} 218`}
          className="block h-auto min-w-[720px]"
          style={{ width: `${100 * zoom}%` }}
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
          {state?.batteryOff && <BatteryOff />}
          {lamp && <LampBetween from={xOf(probes.red ?? "")} to={xOf(probes.black ?? "")} />}
          {/* All their lines first: none crosses the words of another. */}
          {pinned.map(({ point, x }, i) => {
            const place = places[i];
            return place && <PinLine key={point} x={x} {...place} />;
          })}
          {pinned.map(({ point, label }, i) => {
            const place = places[i];
            return place && <PinnedReading key={point} label={label} {...place} />;
          })}
          {/* Black's tag lies below red's: its line goes behind that. */}
          {(["black", "red"] as const).map((probe) => {
            const text = probes[probe];
            const x = text ? (xOf(text) ?? (probe === "black" ? bodyX(state) : null)) : null;
            return x === null ? null : (
              <ProbeTip
                key={probe}
                x={x}
                probe={probe}
                label={parsePoint(text!, setup).ok ? `${PROBES[probe]} · ${probeLabel(text!, setup)}` : t`here`}
                y={wireConductorY(text!, setup, wireY)}
              />
            );
          })}
          {probes.second && xOf(probes.second) !== null && (
            <SecondTip x={xOf(probes.second)!} y={wireConductorY(probes.second, setup, wireY)} />
          )}
          {onPoints &&
            terminals(setup, layout).map(({ point, x }) => (
              // A pointer's shortcut; the key P offers every point to keyboard and screen reader.
              <rect
                key={point}
                aria-hidden="true"
                data-point={point}
                x={x - 12}
                y={wireConductorY(point, setup, wireY) - 42 / (wires - 1) / 2}
                width="24"
                height={42 / (wires - 1)}
                rx="5"
                className="cursor-pointer opacity-0 hover:opacity-100"
                fill="none"
                stroke="var(--marigold)"
                strokeWidth="2.5"
                pointerEvents="all"
                onClick={() => touch(point)}
              />
            ))}
        </svg>
      </div>
      <figcaption className="sr-only">{t`Path from module to bearing. ${items.map(({ name, detail, share }) => t`${name} ${detail}: ${formatShare(share)} likely.`).join(" ")}`}</figcaption>
    </figure>
  );
});

const LARGER = 1.8;

/** Where a probe on the body or a battery pole is drawn: beside the battery, where that stands there. */
function bodyX(state: CircuitState | null): number {
  return state?.batteryOff ? 250 : 52;
}

function probeLabel(text: string, setup: CornerSetup): string {
  const parsed = parsePoint(text, setup);
  return parsed.ok ? pointLabel(parsed.point) : text;
}

/** The newest reading at each point, at most eight. */
function latestPins(pins: readonly Pin[]): Pin[] {
  return [...new Map(pins.map((pin) => [pin.point, pin])).values()].slice(-8);
}

const PROBES: Record<"red" | "black", string> = {
  get red() {
    return t`red`;
  },
  get black() {
    return t`black`;
  },
};
