import { t } from "../../words/words";
import type { Look } from "./look";

/** Both sides' sensors changed over, where they interchange. */
export const swap = {
  id: "swap",
  instrument: "eyes",
  state: { key: "off" },
  label: () => t`sensors changed over`,
  sentence: () => t`Change the sensor over with the other side's, clear, drive, and see where the fault is now.`,
  minutes: 20,
  turnsWheel: true,
  needs: ["lift", "wheel-off", "sensor-out"],
  cautions: ["raised", "sensor-out"],
  unplugs: true,
  ofTheMoment: true,
  answers: {
    list: [
      {
        word: "follows",
        say: () => t`fault goes with the sensor`,
        short: () => t`follows`,
        also: ["moved", "moves", "went-along", "went-with", "goes-with-it"],
      },
      {
        word: "stays",
        say: () => t`fault stays at this corner`,
        short: () => t`stays`,
        also: ["stayed", "same", "remains", "unchanged"],
      },
      {
        word: "vanished",
        say: () => t`the fault is gone: plug or seat was disturbed`,
        short: () => t`vanished`,
        also: ["gone", "cured", "disappeared", "fixed"],
      },
    ],
    chances: ({ where }) =>
      where.part === "sensor"
        ? { follows: 0.93, vanished: 0.02 }
        : DISTURBED.has(where.part)
          ? { follows: FOLLOWS_ALL_THE_SAME, vanished: 0.45 }
          : { follows: FOLLOWS_ALL_THE_SAME, vanished: 0.02 },
    rest: "stays",
  },
} as const satisfies Look;

/** Nothing but a second fault, or a drive too short to tell, makes another corner bad in a good sensor's place (engineering judgement). */
const FOLLOWS_ALL_THE_SAME = 0.015;

/** What taking a sensor out and another in moves. */
const DISTURBED: ReadonlySet<string> = new Set(["connector", "mounting"]);
