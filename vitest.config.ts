import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

/** Tests that change what all share: globals, the language, a module put in another's place. */
const APART = [
  "src/core/hostile.test.ts",
  "src/store/**/*.test.ts",
  "src/words/**/*.test.ts",
  "src/workers/**/*.test.ts",
];

export default defineConfig({
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  test: {
    testTimeout: 180_000,
    // A hook that waits for a machine standing still is waited for like a test.
    hookTimeout: 180_000,
    maxWorkers: 2,
    // Cars are drawn and thrown away by the ten thousand: the less often the young ones are swept, the better.
    execArgv: ["--max-semi-space-size=64"],
    environment: "node",
    projects: [
      // The rest loads its modules once and not once a file: a fifth of the time.
      { extends: true, test: { name: "shared", include: ["src/**/*.test.ts"], exclude: APART, isolate: false } },
      { extends: true, test: { name: "apart", include: APART } },
    ],
  },
});
