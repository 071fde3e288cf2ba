import { build, install, needChromium, tool } from "./run.mjs";

await install();
needChromium();
// Two lanes, one core each and a little: what one leaves idle the other takes.
await Promise.all([unitTests(), checksAndBuild()]);
// Not beside the unit tests: both want both cores, and a browser kept waiting is what makes its tests doubtful.
await tool("browser tests", "playwright", ["test"]);
console.log("\nall steps passed");

function unitTests() {
  return tool("unit tests", "vitest", ["run", "--reporter=dot"], { held: true });
}

async function checksAndBuild() {
  const held = { held: true };
  await tool("lint", "eslint", [".", "--max-warnings", "0"], held);
  await tool("types", "tsc", ["--noEmit"], held);
  await tool("layer rules", "depcruise", ["src", "bench", "--config", ".dependency-cruiser.cjs"], held);
  await tool("dead code", "knip", ["--no-progress"], held);
  await build({ typesChecked: true, held: true });
}
