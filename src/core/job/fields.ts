import { cornerSetupSchema, type CornerSetup } from "../circuit/setup";
import { corners, type Corner } from "../units/corner";
import type { CornerInWork, Job } from "./schema";

/** A part of a job that is changed, stamped and joined by itself. */
export interface Field {
  /** Its name among the job's stamps. */
  key: string;
  /** The name it was stamped under before it had one of its own. */
  older?: string;
  /** The corner it is of, where it is of one. */
  corner?: Corner;
  get: (job: Job) => unknown;
  /** The job with this part as another copy has it. */
  put: (job: Job, from: Job) => Job;
  /** Whether a copy has such a part at all: a corner may be in work in one copy alone. */
  isIn: (job: Job) => boolean;
}

/** The parts of a job: of the car, of what is known, and of each corner in work. */
export function fieldsOf(job: Job): Field[] {
  return [...CAR, ...FIRST, ...inWorkBeside(job).flatMap(fieldsOfOther)];
}

/** The corners beside the first that two copies have between them, each from the copy that has it. */
export function cornersBeside(one: Job, other: Job): Pick<Job, "others"> {
  if (!one.others && !other.others) return {};
  const both = { ...other.others, ...one.others };
  return { others: Object.fromEntries(corners.flatMap((corner) => (both[corner] ? [[corner, both[corner]]] : []))) };
}

function inWorkBeside({ others }: Job): Corner[] {
  return corners.filter((corner) => others?.[corner]);
}

const always = () => true;

const CAR: Field[] = [
  ...(["name", "plate", "kilometres", "vin", "order", "customer", "waitingFor"] as const).map((key): Field => ({
    key,
    get: ({ car }) => car[key],
    put: (job, { car }) => ({ ...job, car: { ...job.car, [key]: car[key] } }),
    isIn: always,
  })),
  ...(["presence", "codes", "symptoms", "recentWork", "note"] as const).map((key): Field => ({
    key,
    get: ({ complaint }) => complaint[key],
    put: (job, { complaint }) => ({ ...job, complaint: { ...job.complaint, [key]: complaint[key] } }),
    isIn: always,
  })),
  ...(["policy", "archived", "priors", "ratios", "diagram"] as const).map((key): Field => ({
    key,
    get: (job) => job[key],
    put: (job, from) => ({ ...job, [key]: from[key] }),
    isIn: always,
  })),
];

const SETUP = Object.keys(cornerSetupSchema.shape) as (keyof CornerSetup)[];

const FIRST: Field[] = SETUP.map((key) => ({
  key: `setup.${key}`,
  older: "setup",
  get: ({ setup }) => setup[key],
  put: (job, { setup }) => ({ ...job, setup: { ...job.setup, [key]: setup[key] } }),
  isIn: always,
}));

function fieldsOfOther(corner: Corner): Field[] {
  const withPart = (job: Job, part: Partial<CornerInWork>): Job => ({
    ...job,
    others: { ...job.others, [corner]: { ...job.others![corner]!, ...part } },
  });
  const isIn = ({ others }: Job) => others?.[corner] !== undefined;
  return [
    {
      ...{ key: `${corner}.out`, corner, isIn },
      get: ({ others }) => others?.[corner]?.out,
      put: (job, { others }) => withPart(job, { out: others?.[corner]?.out }),
    },
    ...SETUP.filter((key) => key !== "corner").map((key): Field => ({
      ...{ key: `${corner}.${key}`, corner, isIn },
      get: ({ others }) => others?.[corner]?.setup[key],
      put: (job, { others }) =>
        withPart(job, { setup: { ...job.others![corner]!.setup, [key]: others![corner]!.setup[key] } }),
    })),
  ];
}
