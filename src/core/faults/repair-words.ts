import { t } from "../words/words";

/** How one repair is done, in working order. */
export interface RepairPlan {
  title: string;
  steps: readonly string[];
  /** What to look at on the new part before it goes in. */
  newPart: readonly string[];
  cautions: readonly string[];
  /** Fastenings whose torque must be taken from the maker. */
  torques: readonly string[];
  /** Local money and minutes, estimates typical of the trade. */
  partsCost: number;
  labourMin: number;
}

/** What many repairs say alike. */
export const stands = () => t`Rated stands on firm level ground, wheels chocked. Never under a jack alone.`;
export const dust = () =>
  t`Brake dust: no dry blowing. Brake cleaner attacks plastic and rubber; electronics cleaner does not.`;
export const wheel = () =>
  t`Wheel nuts by hand, then crosswise to the maker's torque with the tyre just touching the ground; again after the first drive.`;
export const battery = () => t`Memory and radio codes first, then battery negative off.`;
