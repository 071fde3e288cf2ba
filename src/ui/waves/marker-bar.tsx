import { t } from "@/core/words/words";
import { markerLevel, markerWords, type MarkerReadout, type Markers } from "@/core/waveform/markers";
import { Cap } from "../keys/cap";
import type { ShownUnit } from "@/core/capture/capture";
import { useUnits } from "../settings/use-units";

/** What the two markers read, and the caps that move the one held. */
export function MarkerBar({
  readout,
  unit,
  held,
  onHold,
  onMove,
}: {
  readout: MarkerReadout;
  unit: ShownUnit;
  held: keyof Markers;
  onHold: (which: keyof Markers) => void;
  onMove: (steps: number) => void;
}) {
  const say = useUnits();
  return (
    <>
      {(["aS", "bS"] as const).map((which) => (
        <Cap key={which} legend="N" aria-pressed={held === which} onClick={() => onHold(which)}>
          {which === "aS" ? t`A ${markerLevel(readout.aV, unit)}` : `B ${markerLevel(readout.bV, unit)}`}
        </Cap>
      ))}
      <Cap legend="Ctrl ←" aria-label={t`Move the held marker left`} onClick={() => onMove(-1)}>
        ‹
      </Cap>
      <Cap legend="Ctrl →" aria-label={t`Move the held marker right`} onClick={() => onMove(1)}>
        ›
      </Cap>
      <output className="flex flex-wrap gap-x-3 font-mono text-sm" aria-label={t`Between the markers`}>
        {markerWords(readout, unit).map((phrase) => (
          <span key={phrase}>{say(phrase)}</span>
        ))}
      </output>
    </>
  );
}
