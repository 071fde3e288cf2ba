import { expect, it } from "vitest";
import { stories } from "../../../bench/stories/stories";
import { wrongIn } from "../../../bench/stories/story";

it.each(stories.map((story) => [story.tells, story] as const))("%s", (_, story) => {
  expect(wrongIn(story)).toEqual([]);
});
