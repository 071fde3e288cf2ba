import type { LeadEnd } from "@/core/checks/lead-end";

/** A lead from its socket to its place, by colour, dash and letter, and what it ends in; a clamp's loop ends in nothing. */
export function LeadLine({
  from: [x1, y1],
  to: [x2, y2],
  dashed,
  letter,
  end,
}: {
  from: [number, number];
  to: [number, number];
  dashed: boolean;
  letter: string;
  end: LeadEnd | null;
}) {
  const middle = (x1 + x2) / 2 + 10;
  const tipX = end ? x2 - TIP_LONG : x2;
  return (
    <g>
      <path
        d={`M ${x1} ${y1} C ${middle - TIP_LONG / 2} ${y1 + 20}, ${middle - TIP_LONG} ${y2}, ${tipX} ${y2}`}
        fill="none"
        stroke={dashed ? "var(--ink)" : "var(--brick)"}
        strokeWidth="4"
        strokeDasharray={dashed ? "9 5" : undefined}
      />
      {end && <Tip end={end} x={x2} y={y2} />}
      <circle cx={tipX - 18} cy={y2} r="12" fill="var(--card)" stroke="var(--ink)" />
      <text x={tipX - 18} y={y2 + 5} textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
        {letter}
      </text>
    </g>
  );
}

/** So long is what a lead ends in. */
const TIP_LONG = 44;

/** What a lead ends in: a sleeve with a needle, that needle through a wire, or a clip's two jaws. */
function Tip({ end, x, y }: { end: LeadEnd; x: number; y: number }) {
  const from = x - TIP_LONG;
  if (end === "clip")
    return (
      <g fill="var(--card)" stroke="var(--ink)" strokeWidth="2" strokeLinejoin="round">
        <path d={`M ${from} ${y - 7} h 14 L ${x} ${y - 4} l -4 3 -4 -2 -4 2 -4 -2 L ${from + 14} ${y} H ${from} Z`} />
        <path d={`M ${from} ${y + 7} h 14 L ${x} ${y + 4} l -4 -3 -4 2 -4 -2 -4 2 L ${from + 14} ${y} H ${from} Z`} />
      </g>
    );
  return (
    <g>
      <line x1={from + 18} x2={x} y1={y} y2={y} stroke="var(--ink)" strokeWidth="2" />
      <rect x={from} y={y - 5} width="20" height="10" rx="3" fill="var(--card)" stroke="var(--ink)" strokeWidth="2" />
      {end === "back-probe" && <path d={`M ${x - 14} ${y - 9} h 10 v 18 h -10 Z`} {...SEAL} />}
      {end === "piercing-probe" && <circle cx={x - 9} cy={y} r="8" {...SEAL} />}
    </g>
  );
}

/** What the needle goes in beside or through: a wire's seal, or the wire. */
const SEAL = { fill: "var(--marigold-wash)", fillOpacity: 0.7, stroke: "var(--marigold)", strokeWidth: 2 };
