import { t } from "../words/words";
import { accessSteps, minutesFrom } from "../checks/access";
import { answersFor } from "../checks/answers";
import { type Answers } from "../checks/scope-answers";
import { interlock } from "../checks/interlocks";
import { hookupKey, type Hookup } from "../checks/hookup";
import { quantityOf, type Instrument } from "../checks/instruments";
import { besideInstruction, cautions, instruction } from "../checks/instruction";
import { hookupLabel, stateWords } from "../checks/words";
import type { CornerSetup } from "../circuit/setup";
import type { CircuitState } from "../circuit/state";
import { typedUnits, type Quantity } from "../units/quantity";
import { readingFrom } from "../observation/read-observation";

/** A check, proposed or chosen, ready to be shown or written. */
export interface NextCheck {
  id: string;
  check: string;
  label: string;
  instrument: Instrument;
  red?: string;
  black?: string;
  look?: string;
  state: CircuitState;
  stateWords: string;
  minutes: number;
  bits: number;
  why: string;
  todo: string[];
  /** Minutes expected until the place of damage is found, if this is done next; null where not asked for or the part is sought. */
  toPlaceMinutes: number | null;
  cautions: string[];
  unit: string | null;
  quantity: Quantity | null;
  answers: Answers | null;
  pierces: boolean;
  hookup: Hookup;
  /** What is best recorded at the same time, by a second channel or a second meter. */
  beside?: BesideCheck;
}

/** A second channel, with what to do in one sentence. */
export type BesideCheck = NextCheck & { alongside: string };

const NOTHING_DONE: ReadonlySet<string> = new Set();

/** A hook-up of the technician's own choosing, in the same shape as a proposed check. */
export function describeHookup(hookup: Hookup, setup: CornerSetup): NextCheck {
  const written = readingFrom(hookup, "");
  const access = accessSteps(hookup, setup);
  const quantity = quantityOf[hookup.instrument] ?? null;
  const red = written.red ?? written.point;
  return {
    id: hookupKey(hookup),
    check: instruction(hookup, setup),
    label: hookupLabel(hookup),
    instrument: hookup.instrument,
    ...(red ? { red } : {}),
    ...(written.black ? { black: written.black } : {}),
    ...(written.look ? { look: written.look } : {}),
    state: hookup.state,
    stateWords: stateWords(hookup.state),
    minutes: minutesFrom(access, NOTHING_DONE),
    bits: 0,
    why: t`Your own choice: any measurement counts.`,
    toPlaceMinutes: null,
    todo: access.access.map(({ say }) => say),
    cautions: [...locked(hookup), ...cautions(hookup)],
    unit: quantity ? typedUnits[quantity] : null,
    quantity,
    answers: answersFor(hookup),
    pierces: access.pierces,
    hookup,
  };
}

/** The same, of what is read at the same time as another. */
export function describeBeside(hookup: Hookup, setup: CornerSetup): BesideCheck {
  return {
    ...describeHookup(hookup, setup),
    alongside: besideInstruction(hookup, setup),
    why: t`What this channel showed at the same time as the reading before.`,
    // Both were laid before the first was read.
    minutes: 0,
    todo: [],
  };
}

function locked(hookup: Hookup): string[] {
  const lock = interlock(hookup);
  return lock ? [lock.say] : [];
}
