import { t } from "../../words/words";
import { releasesByItself } from "./released";
import type { Look } from "./look";

/** The same stop with the ABS fuse out. */
export const fuseOut = {
  id: "fuse-out",
  instrument: "scan",
  state: { wheel: "driven", speedKmh: 30 },
  label: () => t`stop, ABS fuse out`,
  sentence: () =>
    t`On private ground only, key off first: pull the ABS fuse, stop gently from 20 km/h, put the fuse back. Is the pull or buzz gone?`,
  minutes: 7,
  withoutTool: true,
  cautions: ["private-ground"],
  live: true,
  walk: 14,
  ofTheMoment: true,
  answers: {
    list: [
      {
        word: "gone",
        say: () => t`pull or buzz gone with the fuse out`,
        short: () => t`gone`,
        also: ["yes", "stops", "stopped"],
      },
      {
        word: "stays",
        say: () => t`still pulls or grinds with the fuse out`,
        short: () => t`stays`,
        also: ["no", "still", "remains"],
      },
    ],
    chances: (seen) => (releasesByItself(seen) ? { stays: 0.1, gone: 0.9 } : { stays: 0.5, gone: 0.5 }),
  },
} as const satisfies Look;
