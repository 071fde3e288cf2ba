import { spansOf, stationsOf, type CornerSetup, type StationId } from "../../circuit/setup";
import { wakes, type Wake } from "../../faults/wake";
import { bearing } from "./bearing";
import { count } from "./count";
import { dragTest } from "./drag-test";
import { encoder } from "./encoder";
import { face } from "./face";
import { foot } from "./foot";
import { fuseOut } from "./fuse-out";
import { gap } from "./gap";
import { magnet } from "./magnet";
import { otherSide } from "./other-side";
import { otherSupply } from "./other-supply";
import { others } from "./others";
import { ring } from "./ring";
import { runout } from "./runout";
import { sensor } from "./sensor";
import { speed } from "./speed";
import { steering } from "./steering";
import { swap } from "./swap";
import { tyres } from "./tyres";
import { which } from "./which";
import { wiring } from "./wiring";
import type { Look } from "./look";
import { plug } from "./plug";
import { provoke } from "./provoke";
import { reseat } from "./reseat";
import { LEAD, wiggle } from "./wiggle";

/** Every look that is the same on all corners. A new one is a file of its own and a word here. */
const FIXED = [
  speed,
  bearing,
  wiring,
  foot,
  tyres,
  ring,
  face,
  swap,
  count,
  sensor,
  gap,
  runout,
  magnet,
  others,
  which,
  steering,
  fuseOut,
  otherSide,
  otherSupply,
  encoder,
  dragTest,
] as const;

/** A look's name: one of the fixed ones, a station, or what is wiggled, provoked or reseated. */
export type LookId =
  | (typeof FIXED)[number]["id"]
  | StationId
  | `wiggle-${StationId | `span${number}` | typeof LEAD}`
  | `wake-${Wake}`
  | `reseat-${StationId}`;

const BY_ID: ReadonlyMap<string, Look> = new Map(FIXED.map((look) => [look.id, look]));

/** Every look this corner has. */
export function looksOf(setup: CornerSetup): Look[] {
  const stations = stationsOf(setup).map(({ station }) => station);
  return [
    ...FIXED.filter((look: Look) => look.families?.includes(setup.family) ?? true),
    ...wakes.map(provoke),
    ...stations.slice(1).map(wiggle),
    ...spansOf(setup).map((_, i) => wiggle(`span${i + 1}`)),
    wiggle(LEAD),
    ...stations.map(plug),
    ...stations.map(reseat),
  ];
}

const STATION = /^(?:module|plug|c[1-9]\d?)$/;
const made = new Map<string, Look>();

/** A look by its name. */
export function lookOf(id: LookId): Look {
  return findLook(id)!;
}

/** The name of a look this corner has; null for anything else, as it comes from a file. */
export function parseLook(text: string, setup: CornerSetup): LookId | null {
  return looksOf(setup).some(({ id }) => id === text) ? (text as LookId) : null;
}

/** A look by any name; undefined when there is none. */
export function findLook(id: string): Look | undefined {
  const look = BY_ID.get(id) ?? made.get(id) ?? make(id);
  if (look) made.set(id, look);
  return look;
}

function make(id: string): Look | undefined {
  const wake = wakes.find((one) => id === `wake-${one}`);
  if (wake) return provoke(wake);
  const place = /^wiggle-((?:plug|c[1-9]\d?|span\d+|lead))$/.exec(id)?.[1];
  if (place) return wiggle(place);
  const reseated = /^reseat-((?:module|plug|c[1-9]\d?))$/.exec(id)?.[1];
  if (reseated) return reseat(reseated);
  return STATION.test(id) ? plug(id) : undefined;
}
