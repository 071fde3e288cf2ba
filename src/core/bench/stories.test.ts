import { expect, it } from "vitest";
import { otherHands } from "../../../bench/stories/other-hands";
import { stories } from "../../../bench/stories/stories";
import { wrongIn } from "../../../bench/stories/story";

it.each([...stories, ...otherHands].map((story) => [story.tells, story] as const))("%s", (_, story) => {
  expect(wrongIn(story)).toEqual([]);
});
