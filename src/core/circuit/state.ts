import * as z from "zod/mini";

/** What the rest of the car is doing while a reading is taken. */
export const circuitStateSchema = z.object({
  key: z._default(z.enum(["off", "on"]), "on"),
  unplugged: z._default(z.array(z.string()), []),
  /** A station whose halves are apart and joined wire by wire with jumper leads, for a current to be measured there. */
  jumpered: z.optional(z.string()),
  batteryOff: z._default(z.boolean(), false),
  wheel: z._default(z.enum(["still", "creep", "hand", "in-gear", "driven"]), "still"),
  speedKmh: z.optional(z.number().check(z.gte(0), z.lte(300))),
  /** Left on for minutes with the loom moved, the meter holding least and greatest: the value it jumped to is read. */
  watched: z.optional(z.boolean()),
  /** Watched by a recorder for hours, driven, steered and left in the weather. */
  recorded: z.optional(z.boolean()),
  /** Whether the fault showed itself to whoever drove meanwhile, by its lamp or a live speed; not said where nobody looked. */
  meanwhile: z.optional(z.enum(["came", "stayed-away"])),
  /** Name of a recording, or of a watch, of more than one channel: readings of one name were taken while the same things happened. */
  recording: z.optional(z.string().check(z.minLength(1), z.maxLength(40))),
  load: z.optional(z.object({ kind: z.enum(["lamp", "led"]), red: z.string(), black: z.string() })),
});

export type CircuitState = z.infer<typeof circuitStateSchema>;
export type WheelMotion = CircuitState["wheel"];
export type Meanwhile = NonNullable<CircuitState["meanwhile"]>;

/** A hand spin of one turn a second is about 7 km/h on an ordinary tyre, an axle idling in gear on the lift about 8; creeping is a slow push. */
const USUAL_SPEED_KMH: Record<WheelMotion, number> = { still: 0, creep: 0.5, hand: 7, "in-gear": 8, driven: 30 };

/** Wheel speed in km/h of a state, the usual one for its motion when none was given. */
export function speedOf(state: CircuitState): number {
  return state.wheel === "still" ? 0 : (state.speedKmh ?? USUAL_SPEED_KMH[state.wheel]);
}

/** One string per distinct electrical and mechanical state: checks that share it share one solve. */
export function stateKey(state: CircuitState): string {
  const load = state.load ? `${state.load.kind}:${state.load.red}>${state.load.black}` : "";
  return [
    state.key,
    [...state.unplugged].sort().join("+") + (state.jumpered ? `~${state.jumpered}` : ""),
    state.batteryOff ? "b-" : "",
    state.wheel,
    speedOf(state),
    load + (state.watched ? "watched" : "") + (state.recorded ? "+recorded" : ""),
  ].join("|");
}
