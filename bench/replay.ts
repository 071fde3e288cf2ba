/**
 * Logs kept from the outside world (`bench:outside -- 60 --logs FILE`) judged again as they stand: what the verdict makes of
 * the same readings, without planning. Logs are judged in seconds where driving the cars anew takes minutes, and two
 * versions of a number can be held against each other on the very same readings.
 * usage: npm run bench:replay -- FILE [--json]
 */
import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { openDiagnosis } from "../src/core/bench/diagnose-file";
import { shareWithInterval } from "./wilson";

const { values, positionals } = parseArgs({ allowPositionals: true, options: { json: { type: "boolean" } } });
const logs = readFileSync(positionals[0]!, "utf8")
  .split("\n")
  .filter(Boolean)
  .map((line) => JSON.parse(line) as { truth: string; file: unknown });
/** A share this small and a smaller one are alike: both say no. */
const LEAST_SHARE = 1e-4;

let [right, proven, wronglyProven, bits] = [0, 0, 0, 0];
for (const { truth, file } of logs) {
  const { diagnosing, readings } = openDiagnosis(JSON.stringify(file), "kept.json");
  for (const reading of readings) diagnosing.read(reading);
  const { parts } = diagnosing.ranking();
  const top = parts[0]!;
  if (top.part === truth) right++;
  if (top.verdict === "proven") proven++;
  if (top.verdict === "proven" && top.part !== truth) wronglyProven++;
  bits += Math.log2(Math.max(LEAST_SHARE, parts.find(({ part }) => part === truth)?.share ?? 0));
}
const missing = -bits / logs.length;
if (values.json) console.log(JSON.stringify({ logs: logs.length, right, proven, wronglyProven, missing }));
else {
  console.log(`${logs.length} kept logs`);
  console.log(`right part       ${shareWithInterval(right, logs.length)}`);
  console.log(`proven           ${shareWithInterval(proven, logs.length)}`);
  console.log(`wrongly proven   ${shareWithInterval(wronglyProven, logs.length)}`);
  console.log(`bits short of knowing the true part: ${missing.toFixed(3)} a car`);
}
