import { t } from "../words/words";
import type { Ratios } from "./ratio";

/** Work done shortly before the lamp came, and what it may have done to the corner. */
const ALL = [
  {
    id: "brakes",
    say: () => t`brakes`,
    ratios: {
      rows: [
        { faults: ["mounting-unseated"], times: 3 },
        { faults: ["corners-swapped"], times: 2 },
        { parts: ["sensor"], times: 1.8 },
        { parts: ["mounting"], times: 1.5 },
        { parts: ["connector"], times: 1.4 },
      ],
    } satisfies Ratios,
  },
  {
    id: "bearing",
    say: () => t`wheel bearing`,
    ratios: {
      rows: [
        { faults: ["encoder-reversed"], times: 12 },
        { faults: ["mounting-unseated", "ring-count"], times: 6 },
        { faults: ["terminal-open", "mounting-loose"], times: 2 },
        { parts: ["sensor"], times: 1.6 },
        { parts: ["bearing"], times: 0.4 },
      ],
    } satisfies Ratios,
  },
  {
    id: "exhaust",
    say: () => t`exhaust`,
    ratios: { rows: [{ parts: ["harness"], times: 3 }] } satisfies Ratios,
  },
  {
    id: "tyres",
    say: () => t`tyres`,
    ratios: { rows: [{ faults: ["tyre-size"], times: 10 }] } satisfies Ratios,
  },
  {
    id: "sensor",
    say: () => t`this sensor`,
    ratios: {
      rows: [
        { faults: ["mounting-unseated"], times: 8 },
        { faults: ["terminals-crossed", "corners-swapped"], times: 3 },
        { parts: ["sensor"], times: 0.5 },
        { parts: ["connector"], times: 1.6 },
        { parts: ["harness"], times: 1.4 },
      ],
    } satisfies Ratios,
  },
  {
    id: "body",
    say: () => t`body, arch liner`,
    ratios: {
      rows: [
        { parts: ["harness"], times: 1.8 },
        { parts: ["connector"], times: 1.6 },
      ],
    } satisfies Ratios,
  },
  {
    id: "battery",
    say: () => t`battery`,
    ratios: { rows: [{ faults: ["battery-low"], times: 3 }] } satisfies Ratios,
  },
] as const;

export type RecentWork = (typeof ALL)[number]["id"];
export const recentWorks: readonly { id: RecentWork; say: () => string; ratios: Ratios }[] = ALL;
export const recentWorkIds = ALL.map(({ id }) => id) as [RecentWork, ...RecentWork[]];
