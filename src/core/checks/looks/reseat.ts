import { t } from "../../words/words";
import { stationWords } from "../../faults/places";
import { stationLabel } from "../station-label";
import type { Look, Seen } from "./look";

/**
 * A connector cleaned, dried and plugged together again, and what was wrong read once more: an act that tells as much as
 * a reading. Damp in a plug's half reads like a rubbed wire beside it, and a look into it misses one in three; what is
 * still there in a clean, dry plug is not the plug's.
 */
export const reseat = (station: string): Look => ({
  id: `reseat-${station}`,
  instrument: "hands",
  state: { key: "off" },
  label: () => t`clean and reseat, ${stationLabel(station)}`,
  sentence: () =>
    station === "module"
      ? t`Key off, battery negative off. Disconnect the module plug, clean and dry both halves, plug it together. Battery and key on: read again what was wrong. Is it still there?`
      : t`Key off. Disconnect the ${stationWords(station)}, clean and dry both halves, plug it together. Key on: read again what was wrong. Is it still there?`,
  minutes: 5,
  unplugs: true,
  needs: ["reach"],
  ofTheMoment: true,
  answers: {
    list: [
      {
        word: "still",
        say: () => t`the fault is still there`,
        short: () => t`still there`,
        also: ["still-there", "same", "no-change", "no", "stays", "unchanged"],
      },
      {
        word: "gone",
        say: () => t`gone: record it as repaired before measuring on`,
        short: () => t`gone`,
        also: ["cured", "mended", "ok", "fixed", "works"],
      },
    ],
    chances: (seen) => ({ gone: cured(seen, station) }),
    rest: "still",
  },
});

/** How often it is gone after that (engineering judgement): damp and green terminals are cleaned, spread ones seldom grip again. */
function cured({ car: { circuit }, where }: Seen, station: string): number {
  if (where.comesAndGoes) return GONE_BY_ITSELF;
  if (where.station !== station) return where.part === "none" ? NOTHING_TO_GO : BY_CHANCE;
  const at = where.place.station!;
  if (circuit.bridge?.station === at) return 0.9;
  const worst = Math.max(...circuit.contactOhms[at]!);
  if (worst < LEAST_OHMS) return BY_CHANCE;
  return Number.isFinite(worst) ? 0.8 : 0.35;
}

const GONE_BY_ITSELF = 0.5;
/** With nothing wrong there is nothing to be gone, and most see no change (engineering judgement). */
const NOTHING_TO_GO = 0.15;
const BY_CHANCE = 0.02;
/** A contact worse than this is what was wrong. */
const LEAST_OHMS = 3;
