import { build, install, needChromium, tool, toolsTogether } from "./run.mjs";

install();
needChromium();
// Each of them works on one core.
await toolsTogether([
  { title: "lint", name: "eslint", args: [".", "--max-warnings", "0"] },
  { title: "types", name: "tsc", args: ["--noEmit"] },
  { title: "layer rules", name: "depcruise", args: ["src", "bench", "--config", ".dependency-cruiser.cjs"] },
  { title: "dead code", name: "knip", args: ["--no-progress"] },
]);
tool("unit tests", "vitest", ["run", "--reporter=dot"]);
build(true);
tool("browser tests", "playwright", ["test"]);
console.log("\nall steps: 8 passed, 0 failed");
