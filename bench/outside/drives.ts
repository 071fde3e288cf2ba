/**
 * The analysis of four-wheel logs on drives of another maker: what it says of the corner that is at fault, and of the ones
 * that are not. A fresh seed unless told.
 * usage: npm run bench:drives -- [drives] [--seed N] [--misses]
 */
import { parseArgs } from "node:util";
import { analyseScan, liveSpeedWord } from "../../src/core/scanlog/analyse-scan";
import { parseScanCsv } from "../../src/core/scanlog/scan-csv";
import { corners } from "../../src/core/units/corner";
import { shareWithInterval } from "../wilson";
import { drive, driveKinds, type DriveKind } from "./drive";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { seed: { type: "string" }, misses: { type: "boolean" } },
});
const COUNT = Number(positionals[0] ?? 500);
const seed = values.seed ? Number(values.seed) : Date.now() % 1_000_000;
const FAULTS = new Set<DriveKind>(["zero", "drops-out", "cuts-low", "ratio-off", "erratic"]);

const right = new Map(driveKinds.map((kind) => [kind, { right: 0, count: 0 }]));
for (let n = 0; n < COUNT; n++) {
  const { kind, corner, driven, csv } = drive(seed * 1000 + n);
  const findings = analyseScan(parseScanCsv(csv, "drive.csv"), n % 2 ? { drivetrain: driven } : {});
  const wrong = corners.filter((one) => {
    const said = liveSpeedWord(findings, one);
    return FAULTS.has(kind) && one === corner
      ? said !== kind && !(kind === "erratic" && said === "drops-out")
      : said !== "follows";
  });
  const row = right.get(kind)!;
  row.count++;
  if (wrong.length === 0) row.right++;
  else if (values.misses)
    console.log(seed * 1000 + n, kind, corner, findings.map((one) => `${one.code} ${one.corner ?? ""}`).join(", "));
}
console.log(`${COUNT} drives, seed ${seed}`);
for (const [kind, one] of right) console.log(kind.padEnd(14), shareWithInterval(one.right, one.count));
const sum = (faulty: boolean, of: "right" | "count") =>
  [...right].reduce((all, [kind, one]) => all + (FAULTS.has(kind) === faulty ? one[of] : 0), 0);
console.log("healthy called healthy:", shareWithInterval(sum(false, "right"), sum(false, "count")));
console.log("the fault and nothing else:", shareWithInterval(sum(true, "right"), sum(true, "count")));
