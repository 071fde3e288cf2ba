import { t } from "../words/words";
import * as z from "zod/mini";
import { tools } from "../checks/tools";

export const approaches = ["information", "access", "wheel"] as const;
export const policySchema = z.object({
  approach: z._default(z.enum(approaches), "information"),
  pierce: z._default(z.boolean(), false),
  /** What the workshop has; everything where left out. */
  tools: z.optional(z.array(z.enum(tools))),
  /**
   * How many points are proposed to be read at one time while the fault is waited for; one where left out. Two are proven in
   * fewer waits and minutes, and more readings to type (docs/benchmarks.md).
   */
  channels: z.optional(z.union([z.literal(1), z.literal(2)])),
});
export type Policy = z.infer<typeof policySchema>;

/** The schools of where to start, each as it is offered. */
export const approachWords: Record<Policy["approach"], string> = {
  get information() {
    return t`most per minute`;
  },
  get access() {
    return t`easy plugs first`;
  },
  get wheel() {
    return t`at the wheel first`;
  },
};
