import { expect, it } from "vitest";
import { habits } from "../../../bench/stories/habits";
import { seldom } from "../../../bench/stories/seldom";
import { partsAndCodes } from "../../../bench/stories/parts-and-codes";
import { stories } from "../../../bench/stories/stories";
import { unsaid } from "../../../bench/stories/unsaid";
import { wiresAndSensors } from "../../../bench/stories/wires-and-sensors";
import { wrongIn } from "../../../bench/stories/story";

/** All of them run by `npm run bench:stories`; here one in two, and one in three of the later ones. */
const told = [
  ...unsaid.filter((_, i) => i % 2 === 0),
  ...stories.filter((_, i) => i % 2 === 0),
  ...[...wiresAndSensors, ...partsAndCodes, ...habits, ...seldom].filter((_, i) => i % 3 === 0),
];

it.each(told.map((story) => [story.tells, story] as const))("%s", (_, story) => {
  expect(wrongIn(story)).toEqual([]);
});
