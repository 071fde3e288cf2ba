import * as z from "zod/mini";
import { decodeCode, type CodeKind } from "../codes/code";
import type { Corner } from "../units/corner";
import type { Fault, Part } from "../faults/fault";
import { wakeChances, type Wake } from "../faults/wakes";

export const symptoms = [
  "lamp",
  "lamp-at-key-on",
  "lamp-when-rolling",
  "functions-lost",
  "false-abs-low-speed",
  "pulls-under-braking",
  "after-bumps",
  "when-turning",
  "when-wet",
  "when-hot",
] as const;
export const recentWorks = ["brakes", "bearing", "exhaust", "tyres", "sensor", "body", "battery"] as const;

/** What was said before anything was measured. */
export const complaintSchema = z.object({
  presence: z._default(z.enum(["hard", "intermittent"]), "hard"),
  codes: z._default(z.array(z.string().check(z.maxLength(40))).check(z.maxLength(40)), []),
  symptoms: z._default(z.array(z.enum(symptoms)), []),
  recentWork: z._default(z.array(z.enum(recentWorks)), []),
  note: z.optional(z.string().check(z.maxLength(4000))),
});
export type Complaint = z.infer<typeof complaintSchema>;

/** How much likelier this complaint is if the fault is the one, against an average fault. */
export function complaintWeight(fault: Fault, complaint: Complaint): number {
  let weight = 1;
  for (const text of complaint.codes) {
    const code = decodeCode(text);
    const kind = code?.failure?.kind;
    if (kind && kind !== "any") weight *= codeWeight(fault, kind) ** (code.status === "history" ? OLD_CODE : 1);
  }
  if (cornersCoded(complaint.codes).length > 1)
    weight *= fault.part === "module-feed" ? SHARED_CAUSE : fault.code === "corners-swapped" ? 3 : OWN_CAUSE;
  for (const symptom of complaint.symptoms) weight *= SYMPTOMS[symptom]?.(fault) ?? 1;
  for (const work of complaint.recentWork) weight *= RECENT[work]?.[fault.code] ?? RECENT_PART[work]?.[fault.part] ?? 1;
  if (complaint.presence === "intermittent" && !fault.intermittent)
    weight *= fault.effect === "weak" || fault.effect === "count" || fault.part === "bearing" ? 0.6 : 0.3;
  return weight;
}

/** Several corners at once: shared supply, ground, module or battery first (the order of the trade). */
const SHARED_CAUSE = 8;
const OWN_CAUSE = 0.6;

/** The corners that codes name, each once. */
export function cornersCoded(codes: readonly string[]): Corner[] {
  return [...new Set(codes.flatMap((text) => decodeCode(text)?.corner ?? []))];
}

/** Codes steer and never prove: the best match is only some eight times likelier than the worst. */
/** A stored code may be of another day and another fault: it counts by the square root. */
const OLD_CODE = 0.5;
const CODE_MATCH = 4;
const CODE_NEAR = 1.6;
const CODE_FAR = 0.5;
const NEAR: Partial<Record<CodeKind, readonly Fault["effect"][]>> = {
  open: ["ground", "feed", "no-signal"],
  ground: ["open", "feed"],
  power: ["open"],
  "no-signal": ["open", "ground", "feed", "weak"],
  erratic: ["count", "weak"],
  weak: ["count", "no-signal", "erratic"],
  feed: ["ground", "open"],
  count: ["weak", "erratic"],
};

function codeWeight(fault: Fault, kind: CodeKind): number {
  if (fault.effect === kind) return CODE_MATCH;
  return NEAR[kind]?.includes(fault.effect) ? CODE_NEAR : CODE_FAR;
}

const CIRCUIT_EFFECTS: ReadonlySet<Fault["effect"]> = new Set(["open", "ground", "power", "feed"]);

const SYMPTOMS: Partial<Record<(typeof symptoms)[number], (fault: Fault) => number>> = {
  "false-abs-low-speed": ({ effect, part }) =>
    effect === "weak" || effect === "count" ? 4 : part === "bearing" ? 2.5 : effect === "erratic" ? 1.5 : 0.4,
  // The module checks its circuits at key-on and its signals only once wheels turn (from memory).
  "lamp-at-key-on": ({ effect }) => (CIRCUIT_EFFECTS.has(effect) ? 1.8 : 0.6),
  "lamp-when-rolling": ({ effect }) => (CIRCUIT_EFFECTS.has(effect) ? 0.7 : 1.5),
  "pulls-under-braking": ({ effect }) => (effect === "weak" || effect === "count" ? 1.5 : 1),
  "after-bumps": (fault) => wokenBy(fault, "bump"),
  "when-turning": (fault) => wokenBy(fault, "turn"),
  "when-wet": (fault) => wokenBy(fault, "wet"),
  "when-hot": (fault) => wokenBy(fault, "heat"),
};

/** What the driver says brings it on fits a fault as well as a check that provokes it so would show it. */
function wokenBy(fault: Fault, wake: Wake): number {
  return 0.5 + 2.5 * wakeChances(fault)[wake];
}

const RECENT: Partial<Record<(typeof recentWorks)[number], Record<string, number>>> = {
  bearing: { "encoder-reversed": 12, "terminal-open": 2, "mounting-unseated": 6, "ring-count": 6, "mounting-loose": 2 },
  tyres: { "tyre-size": 10 },
  battery: { "battery-low": 3 },
  sensor: { "terminals-crossed": 3, "mounting-unseated": 8, "corners-swapped": 3 },
  brakes: { "mounting-unseated": 3, "corners-swapped": 2 },
};

const RECENT_PART: Partial<Record<(typeof recentWorks)[number], Partial<Record<Part, number>>>> = {
  brakes: { sensor: 1.8, mounting: 1.5, connector: 1.4 },
  bearing: { sensor: 1.6, bearing: 0.4 },
  exhaust: { harness: 3 },
  sensor: { sensor: 0.5, connector: 1.6, harness: 1.4 },
  body: { harness: 1.8, connector: 1.6 },
};
