import type { Ratios } from "../ratio";

/** Something the driver tells of: its words on the cap, and how it weighs each fault. */
export interface Symptom {
  id: string;
  say: () => string;
  ratios: Ratios;
}
