import { t } from "@/core/words/words";
import type { Divider } from "@/core/capture/sound-scale";

/** The two resistors before a sound input, with their values. */
export function DividerDrawing({ divider: { seriesOhms, shuntOhms }, peakV }: { divider: Divider; peakV: number }) {
  const kilo = (ohms: number) => `${ohms / 1000} kΩ`;
  return (
    <svg
      viewBox="0 0 420 130"
      className="w-full max-w-md text-ink"
      role="img"
      aria-label={t`Signal through ${kilo(seriesOhms)} to the input, ${kilo(shuntOhms)} from the input to the sensor's other wire`}
    >
      <g fill="none" stroke="currentColor" strokeWidth="2">
        <path d="M70 30 H130 M210 30 H330 M250 30 V45 M250 95 V110 M70 110 H330" />
        <rect x="130" y="20" width="80" height="20" rx="3" />
        <rect x="240" y="45" width="20" height="50" rx="3" />
        <circle cx="66" cy="30" r="4" />
        <circle cx="66" cy="110" r="4" />
        <path d="M330 22 h24 v96 h-24 z" />
      </g>
      <g fill="currentColor" fontSize="14">
        <text x="170" y="14" textAnchor="middle">
          {kilo(seriesOhms)}
        </text>
        <text x="268" y="75">
          {kilo(shuntOhms)}
        </text>
        <text x="8" y="35">{t`signal`}</text>
        <text x="8" y="115">{t`other`}</text>
        <text x="362" y="75">{t`line in`}</text>
        <text x="70" y="75" className="fill-muted">
          {t`up to ±${peakV} V`}
        </text>
      </g>
    </svg>
  );
}
