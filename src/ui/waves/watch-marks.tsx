import type { Mark } from "@/core/capture/watch";
import { t } from "@/core/words/words";

/** Marks shown at once: the latest. */
const SHOWN = 4;

/** What was marked by hand, the latest first. */
export function WatchMarks({ marks }: { marks: readonly Mark[] }) {
  if (marks.length === 0) return null;
  const latest = marks.slice(-SHOWN).reverse();
  return (
    <ul aria-label={t`Marks`} className="mt-1 text-sm">
      {latest.map(({ atS, text }, i) => (
        <li key={marks.length - i}>
          <span className="font-mono text-verdigris">{clock(atS)}</span> {text}
        </li>
      ))}
    </ul>
  );
}

/** Seconds as hours, minutes and seconds. */
export function clock(seconds: number): string {
  const whole = Math.floor(seconds);
  const [hours, minutes] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60)];
  return [hours, minutes, whole % 60].map((one) => String(one).padStart(2, "0")).join(":");
}
