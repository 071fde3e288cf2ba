import type { Hookup } from "../checks/hookup";

/** One reading as the line-up weighs it. */
export interface Evidence {
  hookup: Hookup;
  value:
    { kind: "number"; value: number; resolution: number } | { kind: "over-limit" } | { kind: "word"; word: string };
}
