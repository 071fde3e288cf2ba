import { formatQuantity } from "@/core/units/format";
import type { MarkerReadout, Markers } from "@/core/waveform/markers";
import { Cap } from "../keys/cap";
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
  unit: "V" | "A";
  held: keyof Markers;
  onHold: (which: keyof Markers) => void;
  onMove: (steps: number) => void;
}) {
  const say = useUnits();
  const level = (value: number) => formatQuantity(value, unit === "A" ? "amps" : "volts");
  const { deltaS, hertz, pulses, meanHertz, speedKmh, aV, bV } = readout;
  return (
    <>
      {(["aS", "bS"] as const).map((which) => (
        <Cap key={which} legend="N" aria-pressed={held === which} onClick={() => onHold(which)}>
          {which === "aS" ? `A ${level(aV)}` : `B ${level(bV)}`}
        </Cap>
      ))}
      <Cap legend="Ctrl ←" aria-label="Move the held marker left" onClick={() => onMove(-1)}>
        ‹
      </Cap>
      <Cap legend="Ctrl →" aria-label="Move the held marker right" onClick={() => onMove(1)}>
        ›
      </Cap>
      <output className="flex flex-wrap gap-x-3 font-mono text-sm" aria-label="Between the markers">
        <span>
          Δt <b>{(1000 * deltaS).toFixed(2)} ms</b>
        </span>
        {hertz !== null && <span>1/Δt {hertz.toFixed(1)} Hz</span>}
        <span>
          {pulses} pulses{meanHertz !== null && ` at ${meanHertz.toFixed(1)} Hz`}
        </span>
        {speedKmh !== null && <b>{say(`${speedKmh.toFixed(1)} km/h`)}</b>}
        <span>Δ {level(bV - aV)}</span>
      </output>
    </>
  );
}
