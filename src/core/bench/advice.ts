import { dangerWords } from "../checks/interlocks";
import { partLabel, type Part } from "../faults/parts/parts";
import { isLookInstrument } from "../checks/instruments";
import { capital, formatShare } from "../units/format";
import { t } from "../words/words";
import type { Diagnosis } from "./diagnosis";

/** What a good foreman says before anything is measured: four lines, each with its own head. */
export interface Advice {
  head: string;
  say: string;
}

/** Parts that are bought: what is not to be bought yet is said of the dearest habit among them. */
const BOUGHT: readonly Part[] = ["sensor", "bearing", "ring", "module"];
/** Below this the first suspect alone would mislead: the first three are named. */
const LEADS = 0.5;
const NAMED = 0.08;
/** A look that tells at least this part of what the best check tells for its minutes comes first: it costs nothing but eyes. */
const LOOKS_FIRST = 0.6;

/** Sound advice from the answers so far: what it most likely is, what to look at first, what not to buy yet, what to say. */
export function adviceOf(diagnosis: Pick<Diagnosis, "parts" | "next" | "guess" | "danger" | "acts">): Advice[] {
  return [
    { head: t`Most likely`, say: likely(diagnosis) },
    { head: t`First`, say: first(diagnosis) },
    { head: t`Not yet`, say: notYet(diagnosis) },
    { head: t`To the customer`, say: toCustomer(diagnosis) },
  ];
}

function likely({ parts }: Pick<Diagnosis, "parts">): string {
  const [lead, ...others] = parts;
  if (!lead) return t`Nothing can be said yet.`;
  if (lead.verdict === "proven") return t`${capital(partLabel(lead.part))}: proven.`;
  const named = lead.share >= LEADS ? [lead] : [lead, ...others.slice(0, 2).filter(({ share }) => share >= NAMED)];
  return capital(t`${named.map(({ part, share }) => `${partLabel(part)} ${formatShare(share)}`).join(", ")}.`);
}

function first({ next, acts }: Pick<Diagnosis, "next" | "acts">): string {
  const act = acts.find(({ now }) => now);
  if (act)
    return t`${act.words}: about ${act.minutes} min, and it cures ${act.chancePct} of 100 such cars. Cheaper than measuring on.`;
  const [best] = next;
  if (!best) return t`Nothing left to measure that would separate them.`;
  const worth = ({ bits, minutes }: { bits: number; minutes: number }) => bits / Math.max(1, minutes);
  const look = next.find((one) => isLookInstrument(one.instrument) && worth(one) >= LOOKS_FIRST * worth(best));
  const { check, minutes } = look ?? best;
  return t`${check} About ${Math.round(minutes)} min.`;
}

function notYet({ parts, guess }: Pick<Diagnosis, "parts" | "guess">): string {
  const proven = parts.find(({ verdict }) => verdict === "proven");
  const open = parts.filter(({ part }) => BOUGHT.includes(part) && part !== proven?.part);
  const most = open.toSorted((one, other) => other.share - one.share)[0];
  if (!most) return t`Nothing else.`;
  if (proven) return t`Nothing but the ${partLabel(proven.part)}.`;
  const chance = Math.round(100 * most.share);
  return t`No ${partLabel(most.part)}: it would cure about ${chance} of 100 such cars. Fitting parts by habit comes to ${guess.fitSensorNow.expectedCost} on average, measuring first to ${guess.plan.expectedCost} (estimates).`;
}

function toCustomer({ guess, danger, parts }: Pick<Diagnosis, "parts" | "guess" | "danger">): string {
  if (danger) return dangerWords(danger);
  if (parts[0]?.verdict === "proven") return t`The cause is found and measured; the repair is quoted next.`;
  return t`We measure before anything is bought, about ${Math.max(10, 5 * Math.round(guess.plan.minutes / 5))} min. Until it is repaired ABS and stability control may be off.`;
}
