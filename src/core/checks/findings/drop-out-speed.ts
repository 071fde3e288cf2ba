import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Falls under the module's threshold while the car still rolls. */
export const dropOutSpeed = {
  code: "drop-out-speed",
  title: () => t`Drops out at low speed`,
  say: ({ kmh }) =>
    t`Falls under a usual module threshold at ${kmh.toFixed(1)} km/h: the module would see a locking wheel on every slow stop.`,
  ringLocked: false,
  rank: 6,
  as: "low-amplitude",
} as const satisfies FindingKind<{ kmh: number }>;
