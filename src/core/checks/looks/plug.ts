import { t } from "../../words/words";
import { stationWords } from "../../faults/places";
import { FALSE_ALARM, type Look } from "./look";

/** A connector looked at before anything is unplugged; a look for each station of the path. */
export const plug = (station: string): Look => ({
  id: station,
  instrument: "eyes",
  state: { key: "off" },
  label: () => stationWords(station),
  sentence: () =>
    t`Inspect before unplugging: look at the ${stationWords(station)} for bloom, water, a broken latch, backed-out terminals.`,
  minutes: 2,
  needs: ["reach"],
  walk: station === "plug" ? 3 : station === "module" ? undefined : 4,
  answers: {
    list: [
      {
        word: "clean",
        say: () => t`clean, dry, tight`,
        short: () => t`clean`,
        also: ["sound", "good", "ok", "dry", "tight", "fine", "intact"],
      },
      {
        word: "bad",
        say: () => t`corroded, wet, loose or backed out`,
        short: () => t`bad`,
        also: [
          "corroded",
          "wet",
          "loose",
          "backed-out",
          "spread",
          "corrosion",
          "green",
          "water",
          "bent",
          "damaged",
          "rusty",
          "dirty",
          "broken",
          "unlatched",
          "pushed-back",
        ],
      },
    ],
    chances: ({ where, sign }) => ({
      bad: Math.max(where.station === station ? sign("connector-bad") : 0, FALSE_ALARM),
    }),
  },
});
