import { expect, it } from "vitest";
import { habits } from "../../../bench/stories/habits";
import { seldom } from "../../../bench/stories/seldom";
import { partsAndCodes } from "../../../bench/stories/parts-and-codes";
import { stories } from "../../../bench/stories/stories";
import { unsaid } from "../../../bench/stories/unsaid";
import { wiresAndSensors } from "../../../bench/stories/wires-and-sensors";
import { wrongIn } from "../../../bench/stories/story";

/** All of them run by `npm run bench:stories`; here one in six. */
const told = [...unsaid, ...stories, ...wiresAndSensors, ...partsAndCodes, ...habits, ...seldom].filter(
  (_, i) => i % 6 === 1,
);

it.each(told.map((story) => [story.tells, story] as const))("%s", (_, story) => {
  expect(wrongIn(story)).toEqual([]);
});
