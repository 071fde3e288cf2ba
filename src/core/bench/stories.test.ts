import { expect, it } from "vitest";
import { partsAndCodes } from "../../../bench/stories/parts-and-codes";
import { stories } from "../../../bench/stories/stories";
import { wiresAndSensors } from "../../../bench/stories/wires-and-sensors";
import { wrongIn } from "../../../bench/stories/story";

it.each([...stories, ...wiresAndSensors, ...partsAndCodes].map((story) => [story.tells, story] as const))(
  "%s",
  (_, story) => {
    expect(wrongIn(story)).toEqual([]);
  },
);
