import { checkCatalogue, type Check } from "../checks/catalogue";
import type { CornerSetup } from "../circuit/setup";
import type { SkipReason } from "../job/skip-reasons";

/**
 * The checks that a skip puts off: out of reach takes with it all that needs the same place, a missing tool all of its
 * instrument, a wheel that stays down all that needs it raised; harm is a matter of the one check.
 *
 * @param check id of the skipped check
 * @param done preparations already made: a place that was reached is not out of reach
 */
export function putOff(
  check: string,
  reason: SkipReason,
  setup: CornerSetup,
  done: ReadonlySet<string>,
): ReadonlySet<string> {
  const all = checkCatalogue(setup, true);
  const own = all.find(({ id }) => id === check);
  const alike = own && ALIKE[reason](own, done);
  return new Set([check, ...(alike ? all.filter(alike).map(({ id }) => id) : [])]);
}

type Alike = (own: Check, done: ReadonlySet<string>) => ((other: Check) => boolean) | null;

const needs = (step: string) => (other: Check) => other.access.some(({ id }) => id === step);
const notRaised: Alike = (_, done) => (done.has("lift") ? null : needs("lift"));
const ALIKE: Record<SkipReason, Alike> = {
  "can't reach it": (own, done) => {
    const place = own.access.findLast(({ id }) => id.startsWith("reach:") && !done.has(id));
    return place ? needs(place.id) : null;
  },
  "no tool for it": (own) =>
    TOOLS.has(own.hookup.instrument) ? (other) => other.hookup.instrument === own.hookup.instrument : null,
  "not raised now": notRaised,
  "too cold to lift": notRaised,
  "would do harm": () => null,
  "could not see": () => null,
};

/** Instruments one may be without; everyone has eyes, hands and a meter. */
const TOOLS: ReadonlySet<string> = new Set([
  "scope",
  "film",
  "gauge",
  "scan",
  "capacitance",
  "amps-dc",
  "lamp",
  "hertz",
  "duty",
]);
