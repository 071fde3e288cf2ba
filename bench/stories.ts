/**
 * Every bench story through the public verdict. usage: npm run bench:stories
 */
import { habits } from "./stories/habits";
import { partsAndCodes } from "./stories/parts-and-codes";
import { seldom } from "./stories/seldom";
import { stories } from "./stories/stories";
import { unsaid } from "./stories/unsaid";
import { wiresAndSensors } from "./stories/wires-and-sensors";
import { wrongIn } from "./stories/story";

const all = [...unsaid, ...stories, ...wiresAndSensors, ...partsAndCodes, ...habits, ...seldom];
let right = 0;
for (const story of all) {
  const wrong = wrongIn(story);
  if (wrong.length === 0) right++;
  else console.log(`✕ ${story.tells}\n    ${wrong.join("\n    ")}`);
}
console.log(`${right} of ${all.length} stories right`);
