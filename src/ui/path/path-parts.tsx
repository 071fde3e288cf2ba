import { t } from "@/core/words/words";
import { formatShare } from "@/core/units/format";
import { BOX, CAPTION_SIZE, spanCaption, TOP, WIDTH, type LabelPlace, type Placed } from "./path-layout";

/** How dense the hatch is: four steps from a trace of suspicion to nearly all of it. */
function hatch(share: number): string {
  if (share < 0.02) return "none";
  return `url(#hatch${share < 0.08 ? 0 : share < 0.25 ? 1 : share < 0.6 ? 2 : 3})`;
}

export function Station({ item, x, width, open }: Placed & { open: boolean }) {
  if (open && item.id !== "module") return <PartedStation item={item} x={x} width={width} />;
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
      <text x={x + 9} y={TOP + 20} fontSize="15" fontWeight="700" fill="var(--ink)" style={HALO}>
        {item.name}
      </text>
      {open && <text x={x + 9} y={TOP + 38} fontSize="13" fill="var(--ink)" style={HALO}>{t`open`}</text>}
      <Share
        x={item.kind === "station" ? x + width / 2 + BESIDE_TIPS : x + width - 9}
        y={TOP + BOX - 12}
        share={item.share}
      />
    </g>
  );
}

/** An opened plug: its two faces drawn apart, module side left, sensor side right. */
function PartedStation({ item, x, width }: Placed) {
  const half = (width - PARTED) / 2;
  return (
    <g>
      {[x, x + half + PARTED].map((left, side) => (
        <g key={side}>
          <rect
            x={left}
            y={TOP}
            width={half}
            height={BOX}
            rx="7"
            fill="var(--card)"
            stroke="var(--marigold)"
            strokeWidth="2.5"
            strokeDasharray="6 4"
          />
          <rect x={left} y={TOP} width={half} height={BOX} rx="7" fill={hatch(item.share)} />
        </g>
      ))}
      <text
        x={x + width / 2}
        y={TOP + 20}
        textAnchor="middle"
        fontSize="15"
        fontWeight="700"
        fill="var(--ink)"
        style={HALO}
      >{t`${item.name} open`}</text>
      <Share x={x + width / 2 + BESIDE_TIPS} y={TOP + BOX - 12} share={item.share} />
    </g>
  );
}

/** Keeps words readable over a hatch. */
const HALO = { paintOrder: "stroke", stroke: "var(--card)", strokeWidth: 6 } as const;

const PARTED = 16;
/** Probe tips stand at both faces of a connector: its share ends this far right of its middle, between them. */
const BESIDE_TIPS = 19;

export function Share({ x, y, share }: { x: number; y: number; share: number }) {
  return (
    <text
      x={x}
      y={y}
      textAnchor="end"
      fontSize="21"
      fontWeight="700"
      fontFamily="var(--font-mono)"
      fill="var(--ink)"
      style={HALO}
    >
      {formatShare(share).replace(" %", "")}
    </text>
  );
}

export function SpanWires({
  item,
  x,
  width,
  wires,
  wireY,
}: Placed & { wires: number; wireY: (wire: number) => number }) {
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
      <text x={x + width / 2} y={TOP + 6} textAnchor="middle" fontSize={CAPTION_SIZE} fill="var(--muted)">
        {spanCaption(item, width)}
      </text>
      {item.share >= 0.005 && <Share x={x + width / 2 + 16} y={TOP + 51} share={item.share} />}
    </g>
  );
}

export function SensorLead({
  layout,
  wires,
  wireY,
}: {
  layout: Placed[];
  wires: number;
  wireY: (wire: number) => number;
}) {
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

const pinY = (row: number) => (row === 0 ? 6 : 32);

/** From a reading's words down to its point. */
export function PinLine({ x, row }: { x: number } & LabelPlace) {
  return <line x1={x} x2={x} y1={pinY(row) + 22} y2={TOP + 22} stroke="var(--plum)" strokeWidth="2" />;
}

export function PinnedReading({ row, left, width, label }: { label: string } & LabelPlace) {
  const y = pinY(row);
  return (
    <g>
      <rect x={left} y={y} width={width} height="23" rx="5" fill="var(--paper)" stroke="var(--plum)" />
      <text
        x={left + width / 2}
        y={y + 16.5}
        textAnchor="middle"
        fontSize="15"
        fontFamily="var(--font-mono)"
        fill="var(--ink)"
      >
        {label}
      </text>
    </g>
  );
}

export function ProbeTip({ x, probe, label, y }: { x: number; probe: "red" | "black"; label: string; y: number }) {
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

/** Where a second channel is read at the same time. */
export function SecondTip({ x, y }: { x: number; y: number }) {
  return (
    <g>
      <path d={`M ${x} ${y} l -9 18 h 18 z`} fill="var(--card)" stroke="var(--marigold)" strokeWidth="2.5" />
      <text x={x} y={y + 16} textAnchor="middle" fontSize="11" fontWeight="700" fill="var(--ink)">
        2
      </text>
    </g>
  );
}

/** The battery's negative lead, off its post. */
export function BatteryOff() {
  return (
    <g>
      <rect x="24" y="176" width="52" height="28" rx="4" fill="var(--card)" stroke="var(--ink)" strokeWidth="1.5" />
      <path d="M 34 176 v -6 h 8 v 6 M 58 176 v -6 h 8 v 6" fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      <path d="M 66 158 q 16 -10 30 2" fill="none" stroke="var(--ink)" strokeWidth="3" strokeDasharray="5 3" />
      <text x="84" y="196" fontSize="14" fontWeight="700" fill="var(--ink)">{t`battery − off`}</text>
    </g>
  );
}

/** Fused 12 V into one end of a wire, a lamp at the other. */
export function LampBetween({ from, to }: { from: number | null; to: number | null }) {
  if (from === null || to === null) return null;
  return (
    <g>
      <path
        d={`M ${from} ${TOP + BOX} V 178 H ${to} V ${TOP + BOX}`}
        fill="none"
        stroke="var(--marigold)"
        strokeWidth="2.5"
      />
      <circle cx={(from + to) / 2} cy="178" r="13" fill="var(--marigold-wash)" stroke="var(--ink)" strokeWidth="1.5" />
      <path d={`M ${(from + to) / 2 - 9} 169 l 18 18 m 0 -18 l -18 18`} stroke="var(--ink)" strokeWidth="1.5" />
    </g>
  );
}
