import { t } from "@/core/words/words";
import { cornerWords, corners, type Corner } from "@/core/units/corner";

const PLACE: Record<Corner, [number, number]> = { FL: [4, 7], FR: [20, 7], RL: [4, 27], RR: [20, 27] };

/** The four-dot car from above: one corner filled, others in work with a point in them. */
export function CarMark({ corner, inWork = [corner] }: { corner: Corner; inWork?: readonly Corner[] }) {
  const others = inWork.filter((one) => one !== corner);
  const beside = others.map((one) => cornerWords[one]).join(", ");
  return (
    <span className="inline-flex items-center gap-2">
      <svg
        width="24"
        height="34"
        viewBox="0 0 24 34"
        role="img"
        aria-label={beside ? t`${cornerWords[corner]}; also in work: ${beside}` : cornerWords[corner]}
      >
        <rect x="5" y="1" width="14" height="32" rx="5" fill="none" stroke="currentColor" strokeWidth="1.4" />
        {corners.map((one) => (
          <g key={one}>
            <circle
              cx={PLACE[one][0]}
              cy={PLACE[one][1]}
              r="3.4"
              fill={one === corner ? "currentColor" : "var(--paper)"}
              stroke="currentColor"
              strokeWidth="1.4"
            />
            {others.includes(one) && <circle cx={PLACE[one][0]} cy={PLACE[one][1]} r="1.6" fill="currentColor" />}
          </g>
        ))}
      </svg>
      <b aria-hidden="true">
        {corner}
        {others.length > 0 && <span className="font-normal text-muted"> +{others.length}</span>}
      </b>
    </span>
  );
}
