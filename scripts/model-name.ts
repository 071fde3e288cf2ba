import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

/** The rooms whose code makes a line-up, weighs readings into it, and says what comes of them. */
const WEIGHING = [
  "random",
  "units",
  "tyre",
  "codes",
  "circuit",
  "ring",
  "faults",
  "car",
  "checks",
  "complaint",
  "observation",
  "belief",
  "verdict",
  "repair",
  "planning",
  "job",
  "bench",
];

/** Names that code, so that what was worked out by other code is not taken up again. Run from the project's folder. */
export function modelName(): string {
  const hash = createHash("sha256");
  for (const room of WEIGHING)
    for (const file of readdirSync(join("src/core", room), { recursive: true, encoding: "utf8" }).sort())
      if (file.endsWith(".ts") && !file.endsWith(".test.ts"))
        hash.update(file).update(readFileSync(join("src/core", room, file)));
  return hash.digest("hex").slice(0, 16);
}
