import { accessSteps } from "../checks/access";
import { circuitStateSchema } from "../circuit/state";
import { conductorsOf, stationsOf, type CornerSetup } from "../circuit/setup";
import type { SpanSuspicion } from "../lineup/break-place";
import { HANDLING_MINUTES } from "../lineup/place-search";

/**
 * Expected minutes of plain halving from here: whatever the connectors take to reach, the middle one of what is left,
 * voltage there or not, until one span is left; counted as the plan's own minutes are (see `toPlaceMinutes`).
 * @param done set-ups made already @returns 0 when one span or none is left
 */
export function halvingMinutes(
  setup: CornerSetup,
  places: readonly Pick<SpanSuspicion, "span" | "share">[],
  done: ReadonlySet<string>,
): number {
  const left = places.filter(({ share }) => share > LEAST_SHARE).map(({ span }) => span);
  if (left.length < 2) return 0;
  const shares = places.toSorted((a, b) => a.span - b.span).map(({ share }) => share);
  return halve(setup, shares, Math.min(...left), Math.max(...left) + 1, done);
}

const LEAST_SHARE = 0.01;

function halve(
  setup: CornerSetup,
  shares: readonly number[],
  from: number,
  to: number,
  done: ReadonlySet<string>,
): number {
  if (to - from <= 1) return 0;
  const middle = (from + to) >> 1;
  const held = (a: number, b: number) => shares.slice(a, b).reduce((sum, share) => sum + share, 0);
  const near = held(from, middle) / held(from, to);
  return (
    minutesAt(setup, middle, done) +
    near * halve(setup, shares, from, middle, done) +
    (1 - near) * halve(setup, shares, middle, to, done)
  );
}

function minutesAt(setup: CornerSetup, station: number, done: ReadonlySet<string>): number {
  const { access, ownMinutes } = accessSteps(
    {
      instrument: "volts-dc",
      red: {
        at: "face",
        station: stationsOf(setup)[station]!.station,
        face: "out",
        conductor: conductorsOf[setup.family][0]!,
      },
      black: { at: "battery", pole: "negative" },
      state: circuitStateSchema.parse({}),
    },
    setup,
  );
  return access.reduce((sum, { id, minutes }) => sum + (done.has(id) ? 0 : minutes), ownMinutes + HANDLING_MINUTES);
}
