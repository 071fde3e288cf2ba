import { t } from "../../words/words";
import { stationWords } from "../../faults/places";
import { stationLabel } from "../station-label";
import type { Answer, Look, Seen } from "./look";

/** What a watched reading does while something is moved. */
export const steadyOrJumps: readonly Answer[] = [
  {
    word: "steady",
    say: () => t`reading stands still`,
    short: () => t`steady`,
    also: ["ok", "good", "no-change", "stable", "nothing", "unchanged", "stays", "still"],
  },
  {
    word: "jumps",
    say: () => t`reading jumps or dies`,
    short: () => t`jumps`,
    also: ["cuts", "dies", "drops", "flickers", "changes", "moves", "spikes", "cuts-out", "drops-out"],
  },
];

/** The sensor's own lead, as a place to wiggle. */
export const LEAD = "lead";

/** A connector, a stretch of loom (`span2`), or the sensor's own lead, bent and tugged while a reading is watched. */
export const wiggle = (place: string): Look => (place === LEAD ? wiggleLead : wiggleLoom(place));

const wiggleLead: Look = {
  id: `wiggle-${LEAD}`,
  instrument: "hands",
  state: {},
  label: () => t`wiggle, sensor's lead`,
  sentence: () =>
    t`Back-probed and watched, key on: bend the sensor's own lead, where it leaves the sensor first, then along its clips. Does the reading jump?`,
  minutes: 4,
  cautions: ["moving-parts"],
  needs: ["nearest-plug"],
  answers: { list: steadyOrJumps, chances: (seen) => ({ jumps: jumpsByLead(seen) }) },
};

function jumpsByLead({ where }: Seen): number {
  const shows = Math.max(where.byLead, where.station === "plug" ? PLUG_TUGGED : 0);
  return Math.max(0.03, where.comesAndGoes ? shows : SHOWN_STANDING * shows);
}

/** The lead pulls at its plug (engineering judgement). */
const PLUG_TUGGED = 0.25;
/** What seems to be there all the time, or is away just now, shows less often (engineering judgement). */
const SHOWN_STANDING = 0.3;

const wiggleLoom = (place: string): Look => {
  const span = /^span(\d+)$/.exec(place)?.[1];
  return {
    id: `wiggle-${place}`,
    instrument: "hands",
    state: {},
    label: () => t`wiggle, ${span ? t`span ${span}` : stationLabel(place)}`,
    sentence: () =>
      t`Back-probed and watched, key on: bend and tug ${span ? t`the loom along ${t`span ${span}`}` : t`the ${stationWords(place)}`}. Does the reading jump?`,
    minutes: span ? 6 : 4,
    cautions: ["moving-parts"],
    needs: span ? [] : ["reach"],
    answers: { list: steadyOrJumps, chances: (seen) => ({ jumps: jumps(seen, place, span) }) },
  };
};

function jumps({ car, where }: Seen, place: string, span: string | undefined): number {
  const here = span ? where.place.span === Number(span) - 1 : where.station === place;
  const touchy = where.comesAndGoes || car.circuit.spanDefects.some(({ loadedOhms }) => loadedOhms !== undefined);
  return here ? (touchy ? 0.8 : 0.25) : 0.03;
}
