import { cornerWords, corners, type Corner } from "@/core/units/corner";

const PLACE: Record<Corner, [number, number]> = { FL: [4, 7], FR: [20, 7], RL: [4, 27], RR: [20, 27] };

/** The four-dot car from above, one corner filled. */
export function CarMark({ corner }: { corner: Corner }) {
  return (
    <span className="inline-flex items-center gap-2">
      <svg width="24" height="34" viewBox="0 0 24 34" role="img" aria-label={cornerWords[corner]}>
        <rect x="5" y="1" width="14" height="32" rx="5" fill="none" stroke="currentColor" strokeWidth="1.4" />
        {corners.map((one) => (
          <circle
            key={one}
            cx={PLACE[one][0]}
            cy={PLACE[one][1]}
            r="3.4"
            fill={one === corner ? "currentColor" : "var(--paper)"}
            stroke="currentColor"
            strokeWidth="1.4"
          />
        ))}
      </svg>
      <b aria-hidden="true">{corner}</b>
    </span>
  );
}
