import type { Part } from "../faults/fault";

/** What repairing each part costs, part and labour, in local money (estimates, typical of the trade). */
export const repairCosts: Record<Part, number> = {
  sensor: 220,
  mounting: 90,
  ring: 330,
  bearing: 330,
  harness: 160,
  connector: 110,
  "module-feed": 120,
  module: 900,
  tyre: 110,
  none: 0,
};

/** Labour, local money an hour. */
export const LABOUR_RATE = 80;
