import { t } from "../words/words";
import type { Complaint } from "../complaint/complaint";
import { recentWorkIds } from "../complaint/recent-works";
import { faults, type Suspectable } from "../faults/catalogue";
import type { Wake } from "../faults/wake";
import { wakeChances } from "../faults/wakes";
import { seeded } from "../random/random";
import { storedCode } from "../simulated/stored-code";
import type { Corner } from "../units/corner";

/** So often a code is stored at all, and so often it says something else than what is wrong (engineering judgement). */
const STORED = 0.75;
const MISLEADS = 0.15;
/** Work was done shortly before on so many cars; mostly it has nothing to do with it. */
const WORKED_ON = 0.35;
/** On so many a sensor was fitted on a guess before, which did not help. */
const GUESSED_BEFORE = 0.2;

/** What the customer of a practice car tells, and what is stored in its module: true of the car, yet not all of it a clue. */
export function storyOf(
  [{ fault }, second]: readonly [Suspectable, Suspectable | null],
  corner: Corner,
  seed: number,
  { presence, symptoms }: Pick<Complaint, "presence" | "symptoms">,
): Pick<Complaint, "codes" | "recentWork" | "note"> {
  // Numbers of its own: a story told differently does not make another car.
  const random = seeded(seed ^ 0x570a);
  const comesAndGoes = presence === "intermittent";
  const status = comesAndGoes ? ("history" as const) : ("present" as const);
  const stored = random() < STORED;
  const noticed = random() < MISLEADS ? faults[Math.floor(random() * faults.length)]! : fault;
  const code = stored ? storedCode(noticed, corner, status, random) : null;
  const work = random() < WORKED_ON ? recentWorkIds[Math.floor(random() * recentWorkIds.length)]! : null;
  const said = [
    comesAndGoes ? WHEN[strongest(wakeChances(fault))]() : t`The lamp has been on all the time for a week.`,
  ];
  if (symptoms.includes("false-abs-low-speed")) said.push(t`In the last metres of a stop the pedal buzzes.`);
  const isSensor = [fault, second?.fault].some((one) => one?.part === "sensor");
  if (!isSensor && random() < GUESSED_BEFORE)
    said.push(t`Another workshop has fitted a new sensor already; it did not help.`);
  return { codes: code ? [code] : [], recentWork: work ? [work] : [], note: said.join(" ") };
}

const WHEN: Record<Wake, () => string> = {
  wet: () => t`The lamp comes after rain or a wash, and goes out again.`,
  bump: () => t`The lamp comes on bad roads, and goes out again.`,
  turn: () => t`The lamp comes in tight bends, and goes out again.`,
  heat: () => t`The lamp comes after a long drive, and is out in the morning.`,
};

function strongest(chances: Record<Wake, number>): Wake {
  return (Object.keys(WHEN) as Wake[]).reduce((best, one) => (chances[one] > chances[best] ? one : best));
}
