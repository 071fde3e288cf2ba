/**
 * Logs of a vehicle's bus by another maker (bus.ts): are the wheels' numbers found, and does the log say the same as the
 * drive. A fresh seed unless told.
 * usage: npm run bench:buses -- [drives] [--seed N] [--misses]
 */
import { parseArgs } from "node:util";
import { analyseScan, liveSpeedWord } from "../../src/core/scanlog/analyse-scan";
import { busToScan } from "../../src/core/scanlog/bus/bus-to-scan";
import { EXTENDED, isBusLog, parseBusLog } from "../../src/core/scanlog/bus/frames";
import { likelyWheels } from "../../src/core/scanlog/bus/likely-wheels";
import { corners } from "../../src/core/units/corner";
import { shareWithInterval } from "../wilson";
import { busDrive, type Place } from "./bus";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { seed: { type: "string" }, misses: { type: "boolean" } },
});
const COUNT = Number(positionals[0] ?? 100);
const seed = values.seed ? Number(values.seed) : Date.now() % 1_000_000;
const FAULTS: readonly string[] = ["zero", "drops-out", "cuts-low", "ratio-off", "erratic"];
const keyOf = ({ id, firstBit, bits, order }: { id: number; firstBit: number; bits: number; order: string }) =>
  `${id}/${firstBit}/${bits}/${order}`;

let [found, foundOfSound, soundPlaces, read, said] = [0, 0, 0, 0, 0];
for (let n = 0; n < COUNT; n++) {
  const { text, places, kind, corner, driven } = busDrive(seed * 1000 + n);
  const frames = parseBusLog(text, "bus.log");
  if (isBusLog(text)) read++;
  const groups = likelyWheels(frames);
  const wanted = corners.map((one) => places[one]);
  const first = (groups[0] ?? []).map(keyOf);
  const missed = wanted.filter((place) => !covers(groups[0] ?? [], place));
  if (missed.length === 0) found++;
  const sound = corners.filter((one) => !(FAULTS.includes(kind) && one === corner)).map((one) => places[one]);
  soundPlaces += sound.length;
  foundOfSound += sound.filter((place) => covers(groups[0] ?? [], place)).length;
  const signals = Object.fromEntries(corners.map((one) => [one, signalOf(places[one])]));
  const findings = analyseScan(busToScan(frames, signals), n % 2 ? { drivetrain: driven } : {});
  const wrong = corners.filter((one) => {
    const word = liveSpeedWord(findings, one);
    return FAULTS.includes(kind) && one === corner
      ? word !== kind && !(kind === "erratic" && word === "drops-out")
      : word !== "follows";
  });
  if (wrong.length === 0) said++;
  if (values.misses && (wrong.length > 0 || missed.length > 0))
    console.log(
      seed * 1000 + n,
      kind,
      corner,
      missed.length > 0
        ? `not found ${missed.length}: ${wanted.map((w) => keyOf(signalOf(w))).join(" ")} but ${first.join(" ")}`
        : "",
      wrong.length > 0 ? findings.map((one) => `${one.code} ${one.corner ?? ""}`).join(", ") : "",
    );
}
console.log(`${COUNT} bus logs, seed ${seed}`);
console.log("told to be frames:", shareWithInterval(read, COUNT));
console.log("all four places proposed:", shareWithInterval(found, COUNT));
console.log("places of sound wheels proposed:", shareWithInterval(foundOfSound, soundPlaces));
console.log("the log says what the drive was:", shareWithInterval(said, COUNT));

function signalOf(place: Place) {
  return {
    id: place.id + (place.extended ? EXTENDED : 0),
    firstBit: place.firstBit,
    bits: place.bits,
    order: place.highFirst ? ("high-first" as const) : ("low-first" as const),
    signed: false,
    scale: place.scale,
    offsetKmh: place.offsetKmh,
  };
}

/** The same number, or a wider one whose bits above are never set. */
function covers(
  proposed: readonly { id: number; firstBit: number; bits: number; order: string }[],
  place: Place,
): boolean {
  const one = signalOf(place);
  return proposed.some(
    (p) =>
      p.id === one.id &&
      p.order === one.order &&
      (p.order === "low-first"
        ? p.firstBit === one.firstBit && p.bits >= one.bits
        : p.firstBit >> 3 === one.firstBit >> 3 &&
          p.firstBit - p.bits === one.firstBit - one.bits &&
          p.bits >= one.bits),
  );
}
