"use client";
import { benchWorker } from "../query/workers";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { withMeanwhile } from "@/core/checks/hookup";
import { interlock } from "@/core/checks/interlocks";
import { asChannel } from "@/core/checks/beside";
import type { CircuitState, Meanwhile } from "@/core/circuit/state";
import { couldBeBeside } from "@/core/job/same-recording";
import { nanoid } from "nanoid";
import {
  lastUndoable,
  readingsAfterRepair,
  readingsByStage,
  isPractisedAlone,
  standingRepair,
  standingRepairs,
  type ReadingEntry,
} from "@/core/job/derive";
import { misfitWords } from "@/core/verdict/misfit-words";
import { contradictionWords } from "@/core/verdict/contradictions";
import { provenWords } from "@/core/verdict/proven-words";
import { provenSuspect, type Suspect } from "@/core/verdict/suspects";
import { observationsOf } from "@/core/replay/observations";
import { pathPins } from "@/core/bench/path-pins";
import { hookupOf, readingTyped } from "@/core/observation/read-observation";
import { meantIn } from "@/core/units/local-units";
import type { Instrument } from "@/core/checks/instruments";
import { settling } from "@/core/units/settling";
import type { SkipReason } from "@/core/job/skip-reasons";
import type { Entry, Job } from "@/core/job/schema";
import type { Reading } from "@/core/observation/reading";
import type { NextCheck } from "@/core/bench/describe-hookup";
import { cornersInWork } from "@/core/job/corner-in-work";
import { useOpenCar } from "../jobs/open-job";
import { repairOf, stamp, withEntry } from "../jobs/entries";
import { AfterRepair } from "./after-repair";
import type { ChangeJob } from "../jobs/use-job";
import { askRanking, followedBy, useDiagnosis } from "../jobs/use-lineup";
import { PathDrawing } from "../path/path-drawing";
import { useSettings } from "../settings/use-settings";
import { NextCheckCard } from "./next-check-card";
import { PolicyPanel } from "./policy-panel";
import { handOver } from "./hand-over";
import { WorkingOut } from "./working-out";
import { SuspectsPanel } from "./suspects-panel";
import { toast } from "../keys/toast";
import { WorkerFailure } from "../query/worker-failure";

const FreeReading = dynamic(() => import("./free-reading").then((module) => module.FreeReading), { ssr: false });
const KeySheet = dynamic(() => import("./key-sheet").then((module) => module.KeySheet), { ssr: false });
const NameItPanel = dynamic(() => import("../practice/name-it-panel").then((module) => module.NameItPanel), {
  ssr: false,
});
const WholeCar = dynamic(() => import("../jobs/whole-car").then((module) => module.WholeCar), { ssr: false });
const LogPanel = dynamic(() => import("./log-panel").then((module) => module.LogPanel), { ssr: false });
const CaughtPanel = dynamic(() => import("./caught-panel").then((module) => module.CaughtPanel), { ssr: false });
const CapturePanel = dynamic(() => import("./capture-panel").then((module) => module.CapturePanel), {
  ssr: false,
  loading: () => <p className="rounded-2xl border border-rule bg-card p-4 text-muted">{t`Loading captures…`}</p>,
});

/** The main screen: the path, the next check, the suspects, the log. */
export function Bench({ job, change }: { job: Job; change: ChangeJob }) {
  const { diagnosis, before, working, failed, retry } = useDiagnosis(job);
  const queries = useQueryClient();
  const open = useOpenCar();
  const { units } = useSettings().settings;
  const [chosen, setChosen] = useState(0);
  const [free, setFree] = useState<NextCheck | null>(null);
  const [picking, setPicking] = useState<{ red?: string; black?: string } | null>(null);
  const [keys, setKeys] = useState(false);
  const [typed, setTyped] = useState("");
  /** What the fault did while something was recorded. */
  const [meanwhile, setMeanwhile] = useState<Meanwhile | null>(null);
  /** The recording that what waits for the fault is a channel of: a new one, or that of the reading before. */
  const [recording, setRecording] = useState(() => nanoid(10));
  const [display, setDisplay] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  /** Counts what was asked of the simulated car: a reading that settles late must not land on another check. */
  const asked = useRef(0);
  const forgetDisplay = useCallback(() => {
    asked.current++;
    setDisplay(null);
  }, []);
  const alone = isPractisedAlone(job);
  const proposals = diagnosis?.next ?? [];
  const planned = free ?? proposals[Math.min(chosen, proposals.length - 1)] ?? null;
  const check = planned && { ...planned, hookup: asChannel(withMeanwhile(planned.hookup, meanwhile), recording) };
  const besideOf = check && couldBeBeside(job, check.hookup);
  const firstState = besideOf?.entry.reading.state;
  /** What the fault did while the first channel ran, it did while this one ran. */
  const goOnWith = ({ meanwhile, recording }: CircuitState) => {
    setMeanwhile(meanwhile ?? null);
    if (recording !== undefined) setRecording(recording);
  };
  const startOver = useCallback(() => {
    setTyped("");
    setMeanwhile(null);
    setRecording(nanoid(10));
    setRefusal(null);
  }, []);

  const append = useCallback(
    (...entries: Entry[]) => {
      forgetDisplay();
      change((newest) => {
        const next = followedBy(newest, entries.reduce(withEntry, newest));
        askRanking(queries, next);
        return next;
      });
      startOver();
      setFree(null);
      setChosen(0);
    },
    [change, forgetDisplay, queries, startOver],
  );
  const logCapture = useCallback(
    (readings: readonly Reading[], captureId: string, name: string) =>
      append(...readings.map((reading): Entry => ({ ...stamp(), kind: "capture", captureId, name, reading }))),
    [append],
  );
  // The path and its captures are the heaviest to draw: they are drawn again only for what they show.
  const pins = useMemo(() => pathPins(job), [job]);
  const [red, black] = [check?.red ?? check?.look, check?.black];
  const second = check?.beside?.red;
  const probes = useMemo(() => ({ red, black, second }), [red, black, second]);
  const pickPoints = useCallback((red: string, black: string) => setPicking({ red, black }), []);
  const log = () => {
    if (!check || typed.trim() === "") return setRefusal(t`Nothing typed yet.`);
    const lock = interlock(check.hookup, diagnosis?.danger ?? null);
    if (lock?.stops) return setRefusal(lock.say);
    const read = readingTyped(check.hookup, meantIn(typed, check.unit, units), job.setup);
    if (!read.ok) return setRefusal(read.say);
    append({ ...stamp(), kind: "reading", reading: read.value });
    if (check.beside) readBeside(check.beside, check.hookup.state);
  };
  /** The second channel is typed after the first, as one of the same recording. */
  const readBeside = (second: NextCheck, first: CircuitState) => {
    setFree(second);
    goOnWith(first);
  };
  const retract = (id: string) => append({ ...stamp(), kind: "retract", entry: id });
  const edit = (entry: ReadingEntry, text: string): string | null => {
    if (standingRepair(job) && !readingsAfterRepair(job).some(({ id }) => id === entry.id))
      return t`This was measured before the repair. Retract the repair first, then change it.`;
    const hookup = hookupOf(entry.reading, job.setup);
    const read = hookup.ok ? readingTyped(hookup.value, text, job.setup) : hookup;
    if (!read.ok) return read.say;
    const replacing: Entry[] = [
      { ...stamp(), kind: "retract", entry: entry.id },
      { ...stamp(), kind: "reading", reading: read.value },
    ];
    change((newest) => replacing.reduce(withEntry, newest));
    return null;
  };
  const undo = () => {
    const last = lastUndoable(job);
    if (last) retract(last.id);
    else toast(t`Nothing to undo.`);
  };
  const skip = (reason: SkipReason) =>
    check && !free && append({ ...stamp(), kind: "skip", check: check.id, reason, label: check.label });
  const other = (step: number) => {
    forgetDisplay();
    setFree(null);
    startOver();
    setChosen((at) => (at + step + Math.max(1, proposals.length)) % Math.max(1, proposals.length));
  };
  const readIt = async () => {
    if (!check || !job.simulated) return;
    const lock = interlock(check.hookup, diagnosis?.danger ?? null);
    if (lock?.stops) return setRefusal(lock.say);
    const own = ++asked.current;
    const read = await benchWorker.ask((remote) => remote.readSimulated(job, check.hookup));
    if (!read || asked.current !== own) return;
    const { shown } = read;
    setTyped("");
    if (!matchMedia("(prefers-reduced-motion: reduce)").matches)
      for (const step of settling(shown)) {
        setDisplay(step);
        await new Promise((resolve) => setTimeout(resolve, SETTLE_MS));
        if (asked.current !== own) return;
      }
    setDisplay(null);
    setTyped(shown);
    setMeanwhile(read.meanwhile);
    setRefusal(null);
    input.current?.focus();
  };
  const now = useRef({ job, check });
  useEffect(() => {
    now.current = { job, check };
  });
  const probesSee = useCallback((instrument: Instrument) => {
    const { job, check } = now.current;
    if (check?.instrument !== instrument) return Promise.resolve(null);
    return benchWorker.ask((remote) => remote.metered(job, check.hookup));
  }, []);
  const chooseFree = (check: NextCheck) => {
    forgetDisplay();
    startOver();
    setFree(check);
    setPicking(null);
    setTimeout(() => input.current?.focus(), 50);
  };
  useHotkeys("i", () => void readIt(), { preventDefault: true });
  useHotkeys("BracketLeft", () => other(-1));
  useHotkeys("BracketRight", () => other(1));
  useHotkeys("u", undo);
  useHotkeys("s", () => skip("can't reach it"));
  useHotkeys("p", () => setPicking({}), { preventDefault: true });
  useHotkeys("shift+slash", () => setKeys(true), { preventDefault: true });
  useEffect(() => {
    // A digit, sign or point anywhere starts a reading, so that no hand has to look for the field first.
    const start = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        /INPUT|SELECT|TEXTAREA/.test(target.tagName) ||
        target.closest("[role=dialog]")
      )
        return;
      if (/^[\d.,+-]$/.test(event.key)) input.current?.focus();
    };
    window.addEventListener("keydown", start);
    return () => window.removeEventListener("keydown", start);
  }, []);

  if (failed && !diagnosis)
    return (
      <main className="m-6">
        <WorkerFailure error={failed} onRetry={retry} />
      </main>
    );
  if (!diagnosis) return <WorkingOut job={job} />;
  const contradicted = new Set(diagnosis.contradictions.map(({ entryId }) => entryId));
  const unread = new Map(observationsOf(job).unread.map((one) => [one.entryId, one]));
  const numbered = readingsByStage(job).flat();
  const numberOf = (entryId: string) => numbered.findIndex(({ id }) => id === entryId) + 1;
  const repairs = standingRepairs(job);
  const proven = provenSuspect(diagnosis.suspects);
  const nextRepair = proven?.part === "none" ? null : proven;
  return (
    <main aria-busy={working}>
      <h1 className="sr-only">{t`Bench: ${job.car.name}`}</h1>
      {failed && <WorkerFailure error={failed} onRetry={retry} />}
      <PathDrawing
        setup={job.setup}
        suspects={alone ? NONE : diagnosis.suspects}
        pins={pins}
        probes={probes}
        state={check?.state ?? null}
        lamp={check?.instrument === "lamp"}
        onPoints={pickPoints}
      />
      <div className="grid gap-4 p-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div className="grid content-start gap-4">
          {repairs.length > 0 && (
            <AfterRepair
              jobId={job.id}
              repairs={repairs}
              next={alone ? null : nextRepair}
              onRepaired={(suspect) => append(repairOf(suspect))}
            />
          )}
          {check ? (
            <NextCheckCard
              job={job}
              check={check}
              free={free !== null}
              position={free ? null : { at: Math.min(chosen, proposals.length - 1) + 1, of: proposals.length }}
              typed={typed}
              display={display}
              refusal={refusal}
              input={input}
              working={working}
              proven={alone || !proven ? null : provenWords(proven, diagnosis.parts)}
              act={alone ? null : (diagnosis.acts.find(({ now }) => now) ?? null)}
              onType={(text) => {
                setTyped(text);
                setRefusal(null);
              }}
              onMeanwhile={setMeanwhile}
              beside={{
                of: besideOf?.number ?? null,
                isOf: firstState?.recording === recording,
                onOf: (same) => (same && firstState ? goOnWith(firstState) : setRecording(nanoid(10))),
                onOneChannel: () => change((newest) => ({ ...newest, policy: { ...newest.policy, channels: 1 } })),
              }}
              onLog={log}
              onOther={other}
              onSkip={skip}
              onPick={() => setPicking({})}
              onReadIt={job.simulated ? () => void readIt() : null}
              onMeter={job.simulated ? probesSee : null}
            />
          ) : (
            <p className="rounded-2xl border border-rule bg-card p-8 text-center">{t`Every check that is allowed now has been made. Press P to log any other measurement, or retract one that you doubt.`}</p>
          )}
          {diagnosis.misfit.level !== "fits" && !alone && (
            <p role="alert" className="rounded-xl border border-plum bg-card px-4 py-2 text-plum">
              ? {misfitWords(diagnosis.misfit.level)}
            </p>
          )}
          {diagnosis.contradictions.map(({ entryId }) => (
            <p key={entryId} role="alert" className="rounded-xl border border-plum bg-card px-4 py-2 text-plum">
              ? {contradictionWords(numberOf(entryId))}
            </p>
          ))}
          <CapturePanel job={job} onLog={logCapture} />
        </div>
        <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
          {job.simulated?.practice && <NameItPanel job={job} diagnosis={diagnosis} onAppend={append} />}
          {job.complaint.presence === "intermittent" && <CaughtPanel job={job} onAppend={append} />}
          {!alone && <SuspectsPanel diagnosis={diagnosis} before={before} numberOf={numberOf} />}
          {open && cornersInWork(open.car).length > 1 && !alone && <WholeCar open={open} here="/bench" />}
          <PolicyPanel job={job} change={change} />
          <LogPanel
            job={job}
            contradicted={contradicted}
            unread={unread}
            onRetract={retract}
            onEdit={edit}
            onNote={(text) => append({ ...stamp(), kind: "note", text })}
            onHandOver={() => void handOver(job, diagnosis)}
          />
        </div>
      </div>
      <footer className="flex flex-wrap gap-x-5 gap-y-1 border-t border-rule px-4 py-2 text-sm text-muted">
        <span>{jt`${(<b className="text-ink">U</b>)} undo`}</span>
        <span>{jt`${(<b className="text-ink">[ ]</b>)} other checks`}</span>
        <span>{jt`${(<b className="text-ink">P</b>)} pick two points`}</span>
        <button
          type="button"
          className="underline"
          onClick={() => setKeys(true)}
        >{jt`${(<b className="text-ink">?</b>)} all keys`}</button>
        <span className="ml-auto">{t`The tool advises; a qualified person decides. The maker's procedure and torques come first.`}</span>
      </footer>
      {picking && (
        <FreeReading setup={job.setup} points={picking} onClose={() => setPicking(null)} onChoose={chooseFree} />
      )}
      {keys && <KeySheet onClose={() => setKeys(false)} />}
    </main>
  );
}

/** A learner on their own is shown no suspicion. */
const NONE: readonly Suspect[] = [];
/** How often a hand meter renews its display (common practice, no source). */
const SETTLE_MS = 120;
