/**
 * Finding damage along a loom: the plan against plain halving by voltage and against the exact least expected cost, on
 * random looms. usage: tsx bench/loom.ts [looms]
 */
import { readCar, simulateCar } from "../src/core/car/simulated";
import { cornerSetupSchema, stationsOf, accessMinutes, type CornerSetup } from "../src/core/circuit/setup";
import { suspectables, suspectId } from "../src/core/faults/catalogue";
import { complaintSchema } from "../src/core/lineup/complaint";
import { LineUp } from "../src/core/lineup/line-up";
import { proposeChecks } from "../src/core/lineup/next-check";
import { rankSuspects } from "../src/core/lineup/suspects";
import { typedEvidence } from "../src/core/lineup/typed-evidence";
import { xorshift } from "./wave-maker";

const LOOMS = Number(process.argv[2] ?? 60);
const MOST = 14;
const random = xorshift(99);
let [right, ours, halving, proven] = [0, 0, 0, 0];
for (let n = 0; n < LOOMS; n++) {
  const setup = loom();
  const opens = suspectables(setup).filter(
    ({ fault, place }) => fault.code === "wire-open" && place.conductor === "supply",
  );
  const total = opens.reduce((sum, { prior }) => sum + prior, 0);
  let pick = random() * total;
  const truth = opens.find(({ prior }) => (pick -= prior) <= 0) ?? opens.at(-1)!;
  const run = plan(setup, suspectId(truth.fault, truth.place), n);
  if (run.span === truth.place.span) right++;
  if (run.proven) proven++;
  ours += run.minutes;
  halving += halve(setup, truth.place.span!);
}
console.log(`${LOOMS} looms of 2–5 spans, an open supply wire somewhere in them`);
console.log(`right span ${((100 * right) / LOOMS).toFixed(1)} %, proven ${((100 * proven) / LOOMS).toFixed(1)} %`);
console.log(
  `mean minutes: plan ${(ours / LOOMS).toFixed(1)}, plain halving by voltage ${(halving / LOOMS).toFixed(1)} (${((100 * ours) / halving).toFixed(0)} %)`,
);

function loom(): CornerSetup {
  const spans = 2 + Math.floor(4 * random());
  const path: object[] = [{ station: "module", accessMin: Math.round(25 + 30 * random()) }];
  for (let i = 0; i < spans; i++) {
    path.push({
      spanM: Math.round(10 * (0.6 + 2 * random())) / 10,
      mm2: 0.5,
      exposure: [0.6, 1, 1, 2, 3, 4][Math.floor(6 * random())],
    });
    path.push(
      i === spans - 1
        ? { station: "plug", accessMin: 7 }
        : { station: `c${i + 1}`, accessMin: Math.round(3 + 9 * random()) },
    );
  }
  return cornerSetupSchema.parse({ corner: "RL", family: "active-2wire", path });
}

function plan(setup: CornerSetup, fault: string, seed: number) {
  const car = simulateCar(setup, fault, { seed: 500 + seed, spread: 1.5 });
  const lineUp = new LineUp(setup, complaintSchema.parse({ codes: ["C0037-13"] }), { seed, perGroup: 64 });
  const done = new Set<string>();
  let minutes = 0;
  for (let i = 0; i < MOST; i++) {
    const [next] = proposeChecks(lineUp, { approach: "information", pierce: false }, { done, skipped: new Set() });
    if (!next) break;
    const typed = typedEvidence(next.check.hookup, readCar(car, next.check.hookup), setup);
    if (!typed.ok) break;
    lineUp.add(typed.evidence);
    minutes += next.minutes;
    next.check.access.forEach(({ id }) => done.add(id));
    const [lead] = rankSuspects(lineUp);
    if (lead!.verdict === "proven") return { minutes, proven: true, span: spanOf(lead!.place) };
  }
  return { minutes, proven: false, span: spanOf(rankSuspects(lineUp)[0]!.place) };
}

function spanOf(place: string): number {
  return Number(/^span(\d+)/.exec(place)?.[1] ?? 0) - 1;
}

/** Voltage present or absent at the middle station of what is left, access paid once a station, a minute a reading. */
function halve(setup: CornerSetup, span: number): number {
  const stations = stationsOf(setup);
  let [from, to] = [0, stations.length - 1];
  let minutes = 1 + accessMinutes(stations[to]!);
  if (to - from === 1) minutes += 1 + accessMinutes(stations[from]!);
  while (to - from > 1) {
    const middle = (from + to) >> 1;
    minutes += 1 + accessMinutes(stations[middle]!);
    if (span >= middle) from = middle;
    else to = middle;
  }
  // One end of the last span may be the module: its plug is opened to be sure of the wire and not of the channel.
  if (from === 0) minutes += 1 + accessMinutes(stations[0]!);
  return minutes;
}
