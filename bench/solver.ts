/** Our corner solve beside a general SPICE engine on the same car, in one run. */
import { Simulation } from "eecircuit-engine";
import { nominalCondition } from "../src/core/circuit/condition";
import { CornerNet } from "../src/core/circuit/corner-net";
import { cornerSetupSchema, usualCorner } from "../src/core/circuit/setup";
import { SolvedCorner } from "../src/core/circuit/solve";
import { circuitStateSchema } from "../src/core/circuit/state";

const setup = cornerSetupSchema.parse({
  ...usualCorner,
  corner: "RR",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1.2, mm2: 0.5 },
    { station: "c1" },
    { spanM: 3.4, mm2: 0.5 },
    { station: "plug" },
  ],
});
const state = circuitStateSchema.parse({});
const car = nominalCondition(setup);
car.spanDefects.push({ span: 1, fraction: 0.4, conductor: 0, kind: "series", ohms: 1500 });
const solved = new SolvedCorner(setup, new CornerNet(setup));

const OURS = 100_000;
for (let i = 0; i < 5000; i++) solved.solve(car, state);
let from = performance.now();
for (let i = 0; i < OURS; i++) solved.solve(car, state);
const ours = (performance.now() - from) / OURS / 2;

const spice = new Simulation();
await spice.start();
const nodes = Array.from({ length: 20 }, (_, i) =>
  `R${i} n${i} n${i + 1} 0.01\nG${i} n${i} 0 1e10`.replace(`G${i} n${i} 0`, `RG${i} n${i} 0`),
).join("\n");
spice.setNetList(
  `corner\nV1 n0 0 12\n${nodes}\nB1 n20 r I=(V(n20,r)>=4.5) ? 0.007 : V(n20,r)*0.0015556\nRs r 0 122\n.op\n.end`,
);
await spice.runSim();
const RUNS = 60;
from = performance.now();
for (let i = 0; i < RUNS; i++) await spice.runSim();
const theirs = (performance.now() - from) / RUNS;

console.log(`corner solve: ${(ours * 1000).toFixed(2)} µs, ${Math.round(1000 / ours).toLocaleString("en")} solves/s`);
console.log(
  `SPICE engine (operating point of a like-sized net, with its own set-up): ${(theirs * 1000).toFixed(0)} µs`,
);
console.log(`ratio: ${Math.round(theirs / ours)} times faster`);
process.exit(0);
