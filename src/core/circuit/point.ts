import { t } from "../words/words";
import {
  conductorsOf,
  signalConductor,
  spansOf,
  stationsOf,
  type Conductor,
  type CornerSetup,
  type StationId,
} from "./setup";

/** A place a probe can touch. */
export type Point =
  | { at: "face"; station: StationId; face: "in" | "out"; conductor: Conductor }
  | { at: "span"; span: number; percent: number; conductor: Conductor }
  | { at: "battery"; pole: "negative" | "positive" }
  | { at: "module"; pin: "power" | "earth" }
  | { at: "body" };

/** The module's own feed and ground pins, as files call them. */
const MODULE_PIN = /^module\.(?:in\.)?(power|feed|battery|earth|ground)$/;

/**
 * Reads a point as written in files: `c1.out.supply`, `span1.30.return`, `battery.negative`, `body`,
 * `module.in.power`, `module.in.earth` (the module's own battery feed and ground pins; `module.power`, `module.ground`
 * are the same, `module.in.ground` too where the sensor has no ground wire of that name).
 *
 * @returns the point, or a sentence naming what this corner does not have
 */
export function parsePoint(text: string, setup: CornerSetup): { ok: true; point: Point } | { ok: false; say: string } {
  const [first = "", second = "", third = ""] = text.split(".");
  if (text === "body") return { ok: true, point: { at: "body" } };
  if (first === "battery" && (second === "negative" || second === "positive") && third === "")
    return { ok: true, point: { at: "battery", pole: second } };
  const pin = MODULE_PIN.exec(text)?.[1];
  const ofSensor = text === "module.in.ground" && conductorsOf[setup.family].includes("ground");
  if (pin && !ofSensor)
    return { ok: true, point: { at: "module", pin: pin === "earth" || pin === "ground" ? "earth" : "power" } };
  const conductor = conductorsOf[setup.family].find((name) => name === third);
  if (!conductor)
    return { ok: false, say: t`point “${text}”: conductor must be one of ${conductorsOf[setup.family].join(", ")}` };
  const span = /^span(\d+)$/.exec(first);
  if (span) {
    const number = Number(span[1]);
    const percent = Number(second);
    if (number < 1 || number > spansOf(setup).length)
      return { ok: false, say: t`point “${text}”: this path has no span ${number}` };
    if (!(percent > 0 && percent < 100))
      return { ok: false, say: t`point “${text}”: a place along a span is 1 to 99 percent` };
    return { ok: true, point: { at: "span", span: number, percent, conductor } };
  }
  const station = stationsOf(setup).find((one) => one.station === first)?.station;
  if (!station) return { ok: false, say: t`point “${text}”: this path has no station “${first}”` };
  if (second !== "in" && second !== "out") return { ok: false, say: t`point “${text}”: the face must be in or out` };
  return { ok: true, point: { at: "face", station, face: second, conductor } };
}

/** The written form of a point, the inverse of `parsePoint`. */
export function pointText(point: Point): string {
  if (point.at === "body") return "body";
  if (point.at === "battery") return `battery.${point.pole}`;
  if (point.at === "module") return `module.in.${point.pin}`;
  if (point.at === "span") return `span${point.span}.${point.percent}.${point.conductor}`;
  return `${point.station}.${point.face}.${point.conductor}`;
}

/** Every terminal of this corner's connectors, both faces, as written in files. */
export function facePoints(setup: CornerSetup): string[] {
  return stationsOf(setup).flatMap(({ station }) =>
    (["in", "out"] as const).flatMap((face) =>
      conductorsOf[setup.family].map((conductor) => `${station}.${face}.${conductor}`),
    ),
  );
}

/** The setup's signal conductor, the one worth recording. */
export function signalPoint(setup: CornerSetup, station: StationId): Point {
  return { at: "face", station, face: "out", conductor: signalConductor(setup) };
}
