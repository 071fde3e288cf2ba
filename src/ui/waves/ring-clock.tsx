import { t } from "@/core/words/words";
import { paintMark, type RingRaster } from "@/core/waveform/raster";
import { runName, toothRuns } from "@/core/waveform/tooth-runs";

const SIZE = 220;
const CENTRE = SIZE / 2;
const [INNER, OUTER] = [70, 98];
/** A longer name must be smaller to stand within the ring. */
const SHORT = 6;

/** The ring as seen from the sensor: bad teeth in brick, the sensor at the top, where to put the paint mark. */
export function RingClock({ raster, marked }: { raster: RingRaster; marked: readonly number[] }) {
  const mark = marked.length > 0 ? paintMark(raster, marked[0]!) : null;
  const from = mark?.fromStandstill ? raster.lastTooth : 0;
  const name = toothRuns(marked).map(runName).join(", ") || t`even`;
  return (
    <div className="grid justify-items-center gap-2">
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="w-full max-w-60"
        role="img"
        aria-label={
          marked.length ? t`Ring clock: tooth ${name} of ${raster.columns} marked` : t`Ring clock: no tooth marked`
        }
      >
        {Array.from({ length: raster.columns }, (_, tooth) => {
          const angle = (2 * Math.PI * (tooth - from)) / raster.columns - Math.PI / 2;
          const bad = marked.includes(tooth + 1);
          const [inner, outer] = bad ? [INNER - 8, INNER] : [INNER, OUTER];
          return (
            <line
              key={tooth}
              x1={CENTRE + inner * Math.cos(angle)}
              y1={CENTRE + inner * Math.sin(angle)}
              x2={CENTRE + outer * Math.cos(angle)}
              y2={CENTRE + outer * Math.sin(angle)}
              stroke={bad ? "var(--brick)" : "var(--ink)"}
              strokeWidth={Math.max(1.5, (Math.PI * OUTER) / raster.columns)}
            />
          );
        })}
        <path d={`M ${CENTRE - 7} 0 L ${CENTRE + 7} 0 L ${CENTRE} 11 Z`} fill="var(--marigold)" />
        <circle cx={CENTRE} cy={CENTRE} r="54" fill="none" stroke="var(--rule)" />
        <text
          x={CENTRE}
          y={CENTRE + 4}
          textAnchor="middle"
          fontSize={name.length > SHORT ? 16 : 24}
          fontWeight="700"
          fill="var(--ink)"
        >
          {name}
        </text>
        <text
          x={CENTRE}
          y={CENTRE + 26}
          textAnchor="middle"
          fontSize="14"
          fill="var(--muted)"
        >{t`of ${raster.columns}`}</text>
      </svg>
      <p className="max-w-64 text-center text-sm text-muted">
        {mark
          ? mark.fromStandstill
            ? t`Sensor at the top, wheel as it stopped. Turn it on by ${mark.degreesOn}° the way it was spun: ${mark.teethOn} teeth, give or take ${mark.within}. Put the paint mark there.`
            : t`Tooth 1 is the one that passed the sensor first. The mark goes ${mark.degreesOn}° after it, in the direction of spin.`
          : t`Sensor at the top. No tooth stands out.`}
      </p>
    </div>
  );
}
