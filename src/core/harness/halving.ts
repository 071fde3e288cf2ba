import { accessSteps, minutesFrom } from "../checks/access";
import { circuitStateSchema } from "../circuit/state";
import { conductorsOf, type CornerSetup, type StationId } from "../circuit/setup";
import { HANDLING_MINUTES } from "../planning/place-search";
import type { PathItem } from "./path-shares";

/**
 * Expected minutes of plain halving from here: whatever a connector takes to reach, the face in the middle of the wires
 * and connectors that are left, voltage there or not, until one is left; counted as the plan's own minutes are.
 * @param items of the path, module first (see `pathShares`) @param done set-ups made already
 * @returns 0 when one or none is left
 */
export function halvingMinutes(
  setup: CornerSetup,
  items: readonly Pick<PathItem, "kind" | "id" | "share">[],
  done: ReadonlySet<string>,
): number {
  const loom = items.filter(({ kind }) => kind === "span" || kind === "station");
  const left = loom.flatMap(({ share }, at) => (share > LEAST_SHARE ? [at] : []));
  return left.length < 2 ? 0 : halve(setup, loom.slice(left[0], left.at(-1)! + 1), done);
}

const LEAST_SHARE = 0.01;
type Item = Pick<PathItem, "kind" | "id" | "share">;

function halve(setup: CornerSetup, items: readonly Item[], done: ReadonlySet<string>): number {
  if (items.length < 2) return 0;
  const middle = items.length >> 1;
  const [near, far] = [items.slice(0, middle), items.slice(middle)];
  // Between a span and a connector lies a face of that connector.
  const { id } = [near.at(-1)!, far[0]!].find(({ kind }) => kind === "station")!;
  const probe = probeAt(setup, id as StationId);
  const after = new Set([...done, ...probe.access.map((step) => step.id)]);
  const held = (part: readonly Item[]) => part.reduce((sum, { share }) => sum + share, 0);
  const nearer = held(near) / held(items);
  return (
    minutesFrom(probe, done) +
    HANDLING_MINUTES +
    nearer * halve(setup, near, after) +
    (1 - nearer) * halve(setup, far, after)
  );
}

function probeAt(setup: CornerSetup, station: StationId) {
  const [conductor] = conductorsOf[setup.family];
  return accessSteps(
    {
      instrument: "volts-dc",
      red: { at: "face", station, face: "out", conductor: conductor! },
      black: { at: "battery", pole: "negative" },
      state: circuitStateSchema.parse({}),
    },
    setup,
  );
}
