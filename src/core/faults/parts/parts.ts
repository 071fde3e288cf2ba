import { bearing } from "./bearing";
import { connector } from "./connector";
import { harness } from "./harness";
import { modulePart } from "./module";
import { moduleFeed } from "./module-feed";
import { mounting } from "./mounting";
import { nothing } from "./none";
import type { PartDefinition } from "./part";
import { ring } from "./ring";
import { sensor } from "./sensor";
import { tyre } from "./tyre";

/** Every part, in the order they are listed. A new one is a file of its own and a word here. */
const ALL = [
  sensor,
  mounting,
  ring,
  bearing,
  harness,
  connector,
  moduleFeed,
  modulePart,
  tyre,
  nothing,
] as const satisfies readonly PartDefinition[];

export type Part = (typeof ALL)[number]["id"];
/** The act that repairs a part, as files name it. */
export type ActId = Extract<(typeof ALL)[number], { act: string }>["act"];
type AnyPart = PartDefinition & { id: Part; act?: ActId };

const BY_ID: ReadonlyMap<Part, AnyPart> = new Map(ALL.map((one) => [one.id, one]));

export const parts: readonly Part[] = ALL.map(({ id }) => id);

/** A part by its id. */
export function partOf(id: Part): AnyPart {
  return BY_ID.get(id)!;
}

/** What a part is called. */
export function partLabel(id: Part): string {
  return partOf(id).label();
}

/** How likely each part is before anything is known. */
export const defaultPriors = byPart(({ prior }) => prior);

/** What renewing each part costs. */
export const repairCosts = byPart(({ cost }) => cost);

/** The order in which parts are commonly fitted when nothing is measured. */
export const habitOrder: readonly Part[] = [...ALL].sort((one, other) => one.habit - other.habit).map(({ id }) => id);

function byPart(of: (part: AnyPart) => number): Record<Part, number> {
  return Object.fromEntries(ALL.map((one) => [one.id, of(one)])) as Record<Part, number>;
}
