import { build, install, needChromium, tool } from "./run.mjs";

install();
needChromium();
tool("lint", "eslint", [".", "--max-warnings", "0"]);
tool("types", "tsc", ["--noEmit"]);
tool("layer rules", "depcruise", ["src", "bench", "--config", ".dependency-cruiser.cjs"]);
tool("dead code", "knip", ["--no-progress"]);
tool("unit tests", "vitest", ["run", "--reporter=dot"]);
build();
tool("browser tests", "playwright", ["test"]);
console.log("\nall steps: 8 passed, 0 failed");
