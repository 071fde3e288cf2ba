import { corners, type Corner } from "../units/corner";

/** Where a wheel is in the words of logs, as whole words in lower case; an abbreviation of one of them alone says too little. */
const FRONT = String.raw`front|vorn\p{L}*|vorder\p{L}*|avant|av\.?|delanter[ao]s?|anterior[ei]?|ant\.?`;
const REAR = String.raw`rear|back|hint\p{L}*|arri[eè]re|ar\.?|traser[ao]s?|posterior[ei]?|post\.?`;
const LEFT = String.raw`left|link\p{L}*|gauche|izquierd[ao]s?|izq\.?|sinistr[aeo]|sx`;
const RIGHT = String.raw`right|recht\p{L}*|droite?|derech[ao]s?|destr[aeo]|dx`;

/** The same in two or three letters. */
const SHORT: Record<Corner, string> = {
  FL: String.raw`fl|lf|vl|avg|n\/?s\/?f|lhf|flh`,
  FR: String.raw`fr|rf|vr|avd|o\/?s\/?f|rhf|frh`,
  RL: String.raw`rl|lr|hl|arg|n\/?s\/?r|lhr|rlh`,
  RR: String.raw`rr|hr|ard|o\/?s\/?r|rhr|rrh`,
};

const word = (words: string) => new RegExp(String.raw`(?<!\p{L})(?:${words})(?!\p{L})`, "u");
const [front, rear, left, right] = [word(FRONT), word(REAR), word(LEFT), word(RIGHT)];
const short = Object.fromEntries(corners.map((corner) => [corner, word(SHORT[corner])])) as Record<Corner, RegExp>;

/** Whether a label names this wheel. @param label as `cleanLabel` gives it */
export function namesWheel(label: string, corner: Corner): boolean {
  if (short[corner].test(label)) return true;
  const [own, other] = corner[0] === "F" ? [front, rear] : [rear, front];
  const [side, far] = corner[1] === "L" ? [left, right] : [right, left];
  return own.test(label) && side.test(label) && !other.test(label) && !far.test(label);
}

const LETTERS = "fl|fr|rl|rr|lf|rf|lr|vl|vr|hl|hr";
const SPEED_WORDS = "wss|ws|wheel|whl|speed|spd";
const RUN_TOGETHER = new RegExp(String.raw`\b(?:(${LETTERS})(${SPEED_WORDS})|(${SPEED_WORDS})(${LETTERS}))\b`, "g");

/** A label in lower case, its words apart: `WheelSpeedFL`, `LF_WSS` and `LFWSS` are two words or three. */
export function cleanLabel(cell: string): string {
  return cell
    .trim()
    .replace(/(\p{Ll})(\p{Lu})/gu, "$1 $2")
    .toLowerCase()
    .replace(/[_\s]+/g, " ")
    .replace(RUN_TOGETHER, (_, corner: string | undefined, speed: string, first: string, second: string) =>
      corner ? `${corner} ${speed}` : `${first} ${second}`,
    );
}
