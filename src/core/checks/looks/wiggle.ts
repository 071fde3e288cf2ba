import { t } from "../../words/words";
import { stationWords } from "../../faults/places";
import { stationLabel } from "../station-label";
import type { Answer, Look, Seen } from "./look";

/** What a watched reading does while something is moved. */
export const steadyOrJumps: readonly Answer[] = [
  { word: "steady", say: () => t`reading stands still`, short: () => t`steady`, also: ["ok", "good", "no-change"] },
  {
    word: "jumps",
    say: () => t`reading jumps or dies`,
    short: () => t`jumps`,
    also: ["cuts", "dies", "drops", "flickers"],
  },
];

/** A connector, or a stretch of loom (`span2`), bent and tugged while a reading is watched. */
export const wiggle = (place: string): Look => {
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
