"use client";
import { msgid, ngettext, t } from "@/core/words/words";
import { nanoid } from "nanoid";
import { useRouter } from "next/navigation";
import { useState, useSyncExternalStore } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { families, familyWords, type Family } from "@/core/circuit/setup";
import { firstIssue, parseJson } from "@/core/job-file/version";
import { JOB_VERSION, type Job } from "@/core/job/schema";
import { policySchema } from "@/core/complaint/policy";
import {
  exerciseSchema,
  practiceComplaints,
  skills,
  skillWords,
  type Exercise,
  type PracticeComplaint,
  type Skill,
} from "@/core/practice/exercise";
import { scoresBySkill, weakestSkill } from "@/core/practice/history";
import { UnusableInput } from "@/core/capture/capture";
import { download } from "../jobs/download";
import { Cap } from "../keys/cap";
import { FileCap } from "../keys/file-cap";
import { PlainHeader } from "../keys/plain-header";
import { readHistory, subscribeHistory } from "./history-store";
import { toast } from "../keys/toast";

/** Choose a car with a hidden fault, and practise on it. */
export function PracticeScreen() {
  const router = useRouter();
  const history = useSyncExternalStore(subscribeHistory, readHistory, () => EMPTY);
  const [family, setFamily] = useState<Family | null>(null);
  const [skill, setSkill] = useState<Skill | null>(null);
  const [complaint, setComplaint] = useState<PracticeComplaint | null>(null);
  const [two, setTwo] = useState(false);
  const [alone, setAlone] = useState(false);
  const start = async (exercise: Exercise) => {
    const { practiceCar } = await import("@/core/practice/practice-car");
    const car = practiceCar(exercise);
    const job: Job = {
      tastatura: JOB_VERSION,
      id: `practice-${nanoid(8)}`,
      createdAt: new Date().toISOString(),
      car: { name: car.name, plate: "practice" },
      setup: car.setup,
      complaint: car.complaint,
      policy: policySchema.parse({}),
      entries: [],
      simulated: {
        fault: car.fault,
        ...(car.second ? { second: car.second } : {}),
        seed: exercise.seed,
        intermittent: car.intermittent,
        practice: exercise,
      },
    };
    await (await import("@/store/jobs")).saveJob(job);
    router.push(`/bench?job=${job.id}`);
  };
  const fresh = (): Exercise =>
    exerciseSchema.parse({
      tastatura: "exercise/1",
      seed: 1 + Math.floor(Math.random() * 1_999_999_999),
      ...(family ? { family } : {}),
      ...(skill ? { skill } : {}),
      ...(complaint ? { complaint } : {}),
      two,
      alone,
    });
  const take = async (file: File) => {
    try {
      const parsed = exerciseSchema.safeParse(parseJson(await file.text(), file.name));
      if (!parsed.success) return toast.error(t`${file.name} is no exercise: ${firstIssue(parsed.error)}`);
      await start(parsed.data);
    } catch (error) {
      if (error instanceof UnusableInput) toast.error(error.message);
      else throw error;
    }
  };
  useHotkeys("enter", () => void start(fresh()));
  const weakest = weakestSkill(history);
  return (
    <>
      <PlainHeader title={t`Practice`} />
      <main className="mx-auto grid max-w-6xl gap-4 p-4 lg:grid-cols-[minmax(0,2.2fr)_minmax(0,1fr)]">
        <section className="rounded-2xl border border-rule bg-card p-5" aria-label={t`New car`}>
          <h2 className="text-xl font-bold">{t`A car with a hidden fault`}</h2>
          <p className="text-muted">{t`The instruments read the simulated car. Name part and place as soon as you are sure; minutes and money count.`}</p>
          <Choice label={t`Sensor family`}>
            <Cap aria-pressed={family === null} onClick={() => setFamily(null)}>{t`surprise`}</Cap>
            {families.map((one) => (
              <Cap key={one} aria-pressed={family === one} onClick={() => setFamily(one)}>
                {familyWords[one]}
              </Cap>
            ))}
          </Choice>
          <Choice label={t`Kind of fault`}>
            <Cap aria-pressed={skill === null} onClick={() => setSkill(null)}>{t`surprise`}</Cap>
            {skills.map((one) => (
              <Cap key={one} aria-pressed={skill === one} onClick={() => setSkill(one)}>
                {skillWords[one]}
                {one === weakest ? t` · your weakest` : ""}
              </Cap>
            ))}
          </Choice>
          <Choice label={t`What the driver says`}>
            <Cap aria-pressed={complaint === null} onClick={() => setComplaint(null)}>{t`surprise`}</Cap>
            {(["lamp", "buzz", "comes-and-goes"] as const).map((one) => (
              <Cap key={one} aria-pressed={complaint === one} onClick={() => setComplaint(one)}>
                {practiceComplaints[one]}
              </Cap>
            ))}
          </Choice>
          <Choice label={t`Faults at the corner`}>
            <Cap aria-pressed={!two} onClick={() => setTwo(false)}>{t`one`}</Cap>
            <Cap aria-pressed={two} onClick={() => setTwo(true)}>{t`one or two`}</Cap>
          </Choice>
          <Choice label={t`Help`}>
            <Cap aria-pressed={!alone} onClick={() => setAlone(false)}>{t`with the suspects beside me`}</Cap>
            <Cap aria-pressed={alone} onClick={() => setAlone(true)}>{t`alone, no suspects shown`}</Cap>
          </Choice>
          <div className="mt-5 flex flex-wrap gap-2">
            <Cap legend="Enter" lead onClick={() => void start(fresh())}>{t`to the car`}</Cap>
            <Cap
              onClick={() => download("exercise.json", JSON.stringify(fresh(), null, 2))}
            >{t`this choice as a file`}</Cap>
            <FileCap
              label={t`Exercise file`}
              accept=".json"
              onFile={(file) => void take(file)}
            >{t`open an exercise`}</FileCap>
          </div>
        </section>
        <section className="rounded-2xl border border-rule bg-card p-5" aria-label={t`Scores so far`}>
          <h2 className="text-xl font-bold">{t`So far`}</h2>
          {history.length === 0 ? (
            <p className="py-3 text-muted">{t`No car finished yet.`}</p>
          ) : (
            <>
              <dl className="my-2 grid grid-cols-[1fr_auto_auto] gap-x-4 text-sm" aria-label={t`By skill`}>
                {scoresBySkill(history).map(({ skill: one, cars, mean }) => (
                  <div key={one} className="contents">
                    <dt>{one}</dt>
                    <dd className="text-muted">{ngettext(msgid`${cars} car`, `${cars} cars`, cars)}</dd>
                    <dd className="text-right font-mono">{mean.toFixed(0)}</dd>
                  </div>
                ))}
              </dl>
              <ol>
                {history.slice(0, 10).map((score) => (
                  <li key={score.job} className="flex items-baseline justify-between gap-3 border-b border-rule py-1.5">
                    <span>
                      {score.right ? "✓" : "✕"} {score.truth}
                    </span>
                    <b className="font-mono">{score.score}</b>
                  </li>
                ))}
              </ol>
            </>
          )}
        </section>
      </main>
    </>
  );
}

const EMPTY: ReturnType<typeof readHistory> = [];

function Choice({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={label} className="mt-3 grid gap-x-4 gap-y-1 sm:grid-cols-[8.5rem_minmax(0,1fr)]">
      <span className="text-sm text-muted sm:pt-3">{label}</span>
      <div className="flex flex-wrap gap-2">{children}</div>
    </div>
  );
}
