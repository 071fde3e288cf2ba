import {
  familyWords,
  legBiasWord,
  protocolWords,
  senseWord,
  spansOf,
  stationsOf,
  type CornerSetup,
} from "../circuit/setup";
import type { Complaint } from "../complaint/complaint";
import { approachWords, type Policy } from "../complaint/policy";
import { recentWorks } from "../complaint/recent-works";
import { symptoms } from "../complaint/symptoms/symptoms";
import { cornerWords, type Corner } from "../units/corner";
import { msgid, ngettext, t } from "../words/words";
import { fieldsOf } from "./fields";
import { isLater, isSame, mergeJobs, stamped } from "./merge";
import type { Job } from "./schema";

/** A part of a job that is told otherwise here than in a copy that comes in. */
export interface Difference {
  /** Names the part among the job's fields. */
  key: string;
  name: string;
  here: string;
  coming: string;
  /** The copy that joining takes: the one changed last. */
  taken: "here" | "coming";
}

/** Where a copy that comes in says otherwise than the job that is here, part by part; entries of the log never do. */
export function differences(here: Job, coming: Job): Difference[] {
  return fieldsOf(here)
    .filter((field) => field.isIn(coming) && !isSame(field, here, coming))
    .map((field) => ({
      key: field.key,
      name: nameOf(field.key, field.corner),
      here: valueWords(field.key, field.get(here)),
      coming: valueWords(field.key, field.get(coming)),
      taken: isLater(coming, here, field) ? "coming" : "here",
    }));
}

/**
 * Both copies joined, with each part as it was chosen.
 * @param chosen by the part's key; what was not chosen is as joining has it
 */
export function joinedAs(here: Job, coming: Job, chosen: ReadonlyMap<string, "here" | "coming">, now: string): Job {
  const joined = mergeJobs(here, coming);
  const wanted = fieldsOf(joined).reduce((job, field) => {
    const which = chosen.get(field.key);
    return which && field.isIn(coming) && field.isIn(here) ? field.put(job, which === "here" ? here : coming) : job;
  }, joined);
  // What was chosen against the later copy is a change of its own, later than both.
  return stamped(joined, wanted, now);
}

function nameOf(key: string, corner?: Corner): string {
  const part = key.replace(/^(?:setup|FL|FR|RL|RR)\./, "");
  const name = NAMES[part]?.() ?? part;
  return corner ? t`${name}, ${cornerWords[corner]}` : name;
}

const NAMES: Record<string, () => string> = {
  name: () => t`Car`,
  plate: () => t`Plate or fleet number`,
  kilometres: () => t`Mileage, km`,
  vin: () => t`VIN`,
  order: () => t`Order number`,
  customer: () => t`Customer reference`,
  waitingFor: () => t`Waiting for`,
  presence: () => t`Is the fault here now?`,
  codes: () => t`Codes`,
  symptoms: () => t`What is noticed`,
  recentWork: () => t`Recent work`,
  note: () => t`Note`,
  policy: () => t`How to go about it`,
  archived: () => t`On the board`,
  priors: () => t`How often each part fails`,
  ratios: () => t`What each complaint points to`,
  out: () => t`In work`,
  corner: () => t`Which corner`,
  family: () => t`Sensor family`,
  sense: () => t`Where the module senses`,
  supplyV: () => t`Sensor supply, V`,
  pullUpV: () => t`Pull-up, V`,
  protocol: () => t`Kind of signal`,
  legBias: () => t`Small voltage on the legs`,
  pulsesPerRevolution: () => t`Pulses per turn`,
  tyre: () => t`Tyre, this axle`,
  otherAxleTyre: () => t`Tyre, other axle if not alike`,
  drivetrain: () => t`Driven wheels`,
  path: () => t`Path of the wires`,
  known: () => t`Known-good figures`,
  meter: () => t`Meter`,
};

function valueWords(key: string, value: unknown): string {
  const part = key.replace(/^(?:setup|FL|FR|RL|RR)\./, "");
  if (value === undefined || value === "") return t`nothing`;
  return WORDS[part]?.(value as never) ?? String(value);
}

const yesNo = (yes: boolean) => (yes ? t`yes` : t`no`);
const list = (words: readonly string[]) => (words.length > 0 ? words.join(", ") : t`nothing`);
const ownOrUsual = (own: object) => t`${Object.keys(own).length} of the shop's own`;

const WORDS: Record<string, (value: never) => string> = {
  presence: (presence: Complaint["presence"]) => (presence === "hard" ? t`here now` : t`comes and goes`),
  codes: (codes: Complaint["codes"]) => list(codes),
  symptoms: (ids: Complaint["symptoms"]) => list(symptoms.filter(({ id }) => ids.includes(id)).map(({ say }) => say())),
  recentWork: (ids: Complaint["recentWork"]) =>
    list(recentWorks.filter(({ id }) => ids.includes(id)).map(({ say }) => say())),
  policy: ({ approach, pierce }: Policy) =>
    pierce ? t`${approachWords[approach]}, piercing allowed` : t`${approachWords[approach]}, no piercing`,
  archived: (archived: boolean) => yesNo(!archived),
  out: (out: boolean) => yesNo(!out),
  priors: ownOrUsual,
  ratios: ownOrUsual,
  corner: (corner: Corner) => cornerWords[corner],
  family: (family: CornerSetup["family"]) => familyWords[family],
  sense: (sense: CornerSetup["sense"]) => senseWord(sense),
  protocol: (protocol: CornerSetup["protocol"]) => protocolWords(protocol),
  legBias: (bias: CornerSetup["legBias"]) => legBiasWord(bias),
  drivetrain: (drivetrain: NonNullable<CornerSetup["drivetrain"]>) =>
    ({ front: t`front`, rear: t`rear`, all: t`all` })[drivetrain],
  path: (path: CornerSetup["path"]) => {
    const metres = spansOf({ path }).reduce((sum, { spanM }) => sum + spanM, 0);
    const inline = stationsOf({ path }).length - 2;
    const connectors = ngettext(msgid`${inline} inline connector`, `${inline} inline connectors`, inline);
    return t`${connectors}, ${metres.toFixed(1)} m of wire`;
  },
  known: ({ from }: NonNullable<CornerSetup["known"]>) => from,
  meter: ({ inputMegohm, leadOhms }: NonNullable<CornerSetup["meter"]>) => t`${inputMegohm} MΩ, leads ${leadOhms} Ω`,
};
