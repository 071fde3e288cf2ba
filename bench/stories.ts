/**
 * Every bench story through the public verdict. usage: npm run bench:stories
 */
import { stories } from "./stories/stories";
import { wrongIn } from "./stories/story";

let right = 0;
for (const story of stories) {
  const wrong = wrongIn(story);
  if (wrong.length === 0) right++;
  else console.log(`✕ ${story.tells}\n    ${wrong.join("\n    ")}`);
}
console.log(`${right} of ${stories.length} stories right`);
