"use client";
import { WorkerFailure } from "../query/worker-failure";
import { numberOf } from "../query/same-object";
import { useQuery } from "@tanstack/react-query";
import { benchWorker } from "../query/workers";
import { languageTag, midSentence, t } from "@/core/words/words";
import { jt } from "../keys/words";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useState, type RefObject } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { NextCheck } from "@/core/bench/describe-hookup";
import { tellsWords } from "@/core/bench/tells-words";
import { isBare, localUnit, meantIn } from "@/core/units/local-units";
import { needleAt } from "@/core/bench/needle";
import type { SkipReason } from "@/core/job/skip-reasons";
import type { Job } from "@/core/job/schema";
import type { ProvenWords } from "@/core/verdict/proven-words";
import { formatShare } from "@/core/units/format";
import { instrumentWords, isMetered, type Instrument } from "@/core/checks/instruments";
import { meanwhileWords } from "@/core/checks/words";
import type { Meanwhile } from "@/core/circuit/state";
import { canToggle } from "@/core/observation/typed-value";
import type { Act } from "@/core/planning/acts";
import { LONGEST } from "@/core/units/typed-text";
import { Cap } from "../keys/cap";
import { WithTerms } from "../keys/with-terms";

import { useSettings } from "../settings/use-settings";
import { useUnits } from "../settings/use-units";
import { Keypad } from "./keypad";
import { Alongside, SameRecording, type BesideProps } from "./beside-row";
import { ForecastStripView } from "./forecast-strip-view";

interface CardProps {
  job: Job;
  check: NextCheck;
  free: boolean;
  position: { at: number; of: number } | null;
  typed: string;
  /** What a simulated display shows while it settles. */
  display: string | null;
  refusal: string | null;
  input: RefObject<HTMLInputElement | null>;
  proven: ProvenWords | null;
  /** A repair that costs less to try than the measuring that would make sure; null where there is none. */
  act: Act | null;
  /** The line-up is being worked out anew: bands wait for it. */
  working: boolean;
  onType: (text: string) => void;
  onMeanwhile: (meanwhile: Meanwhile | null) => void;
  beside: BesideProps;
  onLog: () => void;
  onOther: (step: number) => void;
  onSkip: (reason: SkipReason) => void;
  onPick: () => void;
  /** Takes the reading from the simulated car; null on a real one. */
  onReadIt: (() => void) | null;
  /** What a meter's probes see on the simulated car at this check; null on a real one. */
  onMeter: ((instrument: Instrument) => Promise<number | null>) | null;
}

const LookDrawing = dynamic(() => import("./look-drawing").then((module) => module.LookDrawing), { ssr: false });
const HookupPicture = dynamic(() => import("./hookup-picture").then((module) => module.HookupPicture), { ssr: false });
const MeterBar = dynamic(() => import("../meter/meter-bar").then((module) => module.MeterBar), { ssr: false });
const JoinMeterCap = dynamic(() => import("../meter/join-meter-cap").then((module) => module.JoinMeterCap), {
  ssr: false,
  loading: () => <Cap legend="M" disabled>{t`connect a meter`}</Cap>,
});
const JoinMeterDialog = dynamic(() => import("../meter/join-meter-dialog").then((module) => module.JoinMeterDialog), {
  ssr: false,
});
const SkipMenu = dynamic(() => import("./skip-menu").then((module) => module.SkipMenu), {
  ssr: false,
  loading: () => <Cap legend="S" disabled>{t`not now…`}</Cap>,
});

/** What to do next, what each suspect would read, and the reading itself. */
export function NextCheckCard({
  job,
  check,
  free,
  position,
  typed,
  display,
  refusal,
  input,
  proven,
  act,
  working,
  onType,
  onMeanwhile,
  beside,
  onLog,
  onOther,
  onSkip,
  onPick,
  onReadIt,
  onMeter,
}: CardProps) {
  const { data: strip = null, error: stripError, refetch } = useStrip(job, check, working);
  const say = useUnits();
  const [hooking, setHooking] = useState(false);
  const [joining, setJoining] = useState(false);
  useHotkeys("h", () => setHooking((open) => !open));
  const drawable = "red" in check.hookup;
  const metered = isMetered(check.instrument);
  const { units } = useSettings().settings;
  const meant = meantIn(typed, check.unit, units);
  const { data: preview = null } = usePreview(job, check, meant);
  return (
    <section
      aria-label={t`Next check`}
      data-hookup={JSON.stringify(check.hookup)}
      className="rounded-2xl border border-rule bg-card p-4"
    >
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <h2 className="font-semibold text-muted">
          {beside.isOf ? t`Second channel` : free ? t`Your own reading` : t`Next check`}
        </h2>
        {position && <span className="text-muted">{t`${position.at} of ${position.of}`}</span>}
        {drawable && (
          <button
            type="button"
            className="min-h-8 rounded-lg border border-rule px-2 text-muted"
            aria-expanded={hooking}
            onClick={() => setHooking(!hooking)}
          >{jt`${(<span className="font-mono text-xs">H</span>)} how to hook up ${hooking ? "▾" : "▸"}`}</button>
        )}
        <span className="ml-auto" />
        {check.minutes > 0 && (
          <span className="rounded-full border border-rule px-3 py-0.5">{t`${check.minutes} min`}</span>
        )}
        {!free && <span className="rounded-full border border-rule px-3 py-0.5">{tellsWords(check.bits)}</span>}
        <span className="rounded-full border border-rule px-3 py-0.5">{instrumentWords[check.instrument]}</span>
        {check.pierces && (
          <span className="rounded-full border border-brick px-3 py-0.5 text-brick">{t`1 hole to seal`}</span>
        )}
      </div>
      {/* Every part of the card has its room kept, so that nothing moves under the hand when the next check comes. */}
      <p className="mt-1 text-lg leading-snug font-bold text-pretty md:min-h-[3lh]" data-testid="instruction">
        <WithTerms>{say(check.check)}</WithTerms>
      </p>
      <div className="mt-0.5 text-sm md:min-h-[5lh] lg:min-h-[4lh] xl:min-h-[3lh]">
        {proven ? (
          <p
            className="font-semibold text-verdigris"
            role="status"
          >{jt`✓ Proven: ${proven.withShare}. Repair that first; measure on only to be surer. ${(<Link className="underline" href={`/close-out?job=${job.id}`}>{t`To the close-out (X)`}</Link>)}`}</p>
        ) : act ? (
          <p
            className="font-semibold"
            role="status"
            data-act={act.act}
          >{jt`▶ Cheaper than measuring on: ${midSentence(act.words)}. It is at fault in ${act.chancePct} of 100 such cars; ${act.minutes} min, about ${act.cost} (estimates). ${(<Link className="underline" href={`/close-out?job=${job.id}`}>{t`To the close-out (X)`}</Link>)}`}</p>
        ) : (
          <p className="text-muted">
            <WithTerms>{check.why}</WithTerms>
          </p>
        )}
        {check.todo.length > 0 && (
          <p className="mt-1">
            <b>{t`Still to do first:`}</b> {check.todo.join(" · ")}
          </p>
        )}
        {check.beside && beside.of === null && (
          <Alongside say={check.beside.alongside} onOneChannel={beside.onOneChannel} />
        )}
      </div>
      {drawable && hooking && <HookupPicture hookup={check.hookup} setup={job.setup} />}
      <div className="mt-2 grid gap-4 md:grid-cols-[minmax(0,1fr)_14rem]">
        <div className="h-72 overflow-y-auto sm:h-[10.25rem]">
          {stripError ? (
            <WorkerFailure error={stripError} onRetry={() => void refetch()} />
          ) : strip ? (
            <ForecastStripView strip={strip} needle={needleAt(check.hookup, strip.axis, meant, job.setup)} />
          ) : (
            <p className="py-8 text-center text-muted">{t`Working out what each suspect would read…`}</p>
          )}
        </div>
        <form
          className="cap lead w-full self-end focus-within:outline-3 focus-within:outline-marigold"
          onSubmit={(event) => {
            event.preventDefault();
            onLog();
          }}
        >
          <label className="legend" htmlFor="reading">{t`Enter`}</label>
          <span className="flex h-12 w-full items-baseline justify-end gap-2">
            <input
              ref={input}
              id="reading"
              autoComplete="off"
              spellCheck={false}
              inputMode={check.answers ? "text" : "decimal"}
              className={`h-10 w-full min-w-0 bg-transparent text-right font-mono font-semibold !outline-none ${check.answers ? "text-xl" : sizeOf(typed)}`}
              value={typed}
              maxLength={LONGEST.reading}
              placeholder={display ?? (check.answers ? "1…" : "0.0")}
              aria-label={t`Reading: ${check.label}`}
              aria-describedby="meaning"
              aria-invalid={refusal !== null}
              onChange={(event) => onType(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === "Escape") event.currentTarget.blur();
              }}
            />
            <span className="font-mono text-2xl">{check.unit && isBare(typed) && localUnit(check.unit, units)}</span>
          </span>
          <span
            id="meaning"
            aria-live="polite"
            className="min-h-[3lh] w-full text-right text-sm [overflow-wrap:anywhere] text-muted"
          >
            {refusal ? (
              <span className="text-brick">{refusal}</span>
            ) : preview ? (
              `${preview.say} ${formatShare(preview.leaderShare)}`
            ) : (
              t`type what the instrument shows`
            )}
          </span>
          <button type="submit" className="sr-only">{t`Log the reading`}</button>
        </form>
      </div>
      {metered && (
        <MeterBar
          hookupId={check.id}
          instrument={check.instrument}
          toggles={canToggle(check.hookup, job.setup)}
          typed={typed}
          onType={onType}
          onLog={onLog}
        />
      )}
      {job.simulated && check.answers && typed && <LookDrawing job={job} hookup={check.hookup} answer={typed} />}
      <div className="mt-3 md:min-h-[6.75rem]">
        {check.answers ? (
          <div className="flex flex-wrap gap-2" role="group" aria-label={t`Answers`}>
            {check.answers.words.map((word, i) => (
              <Cap key={word} legend={String(i + 1)} onClick={() => onType(word)} aria-pressed={typed === word}>
                {check.answers!.say[word]}
              </Cap>
            ))}
          </div>
        ) : (
          <Keypad unit={localUnit(check.unit ?? "", units)} typed={typed} onType={onType} onLog={onLog} />
        )}
      </div>
      {beside.of !== null && <SameRecording of={beside.of} isOf={beside.isOf} onOf={beside.onOf} />}
      {check.hookup.state.recorded && (
        <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label={t`Meanwhile`}>
          <span className="text-sm text-muted">{t`Meanwhile, by lamp or live speed:`}</span>
          {MEANWHILE.map((one) => (
            <Cap
              key={one ?? ""}
              onClick={() => onMeanwhile(one)}
              aria-pressed={(check.hookup.state.meanwhile ?? null) === one}
            >
              {one ? meanwhileWords(one) : t`nobody looked`}
            </Cap>
          ))}
        </div>
      )}
      <div className="mt-3 flex flex-wrap items-start gap-2">
        <Cap legend="[" onClick={() => onOther(-1)} aria-label={t`Previous check`}>
          ‹
        </Cap>
        <Cap legend="]" onClick={() => onOther(1)}>{t`other checks`}</Cap>
        <SkipMenu off={free} onSkip={onSkip} />
        <Cap legend="P" onClick={onPick}>{t`pick two points`}</Cap>
        {metered && <JoinMeterCap onJoin={() => setJoining(true)} />}
        {onReadIt && (
          <Cap legend="I" className="border-plum!" onClick={onReadIt}>{t`read it off the simulated car`}</Cap>
        )}
        {joining && <JoinMeterDialog simulated={onMeter} onClose={() => setJoining(false)} />}
        <ul className="min-h-[4lh] min-w-64 flex-1 pl-3 text-sm">
          {check.cautions.map((caution) => (
            <li key={caution}>▲ {caution}</li>
          ))}
        </ul>
      </div>
    </section>
  );
}

const MEANWHILE: readonly (Meanwhile | null)[] = ["came", "stayed-away", null];

/** A pair of levels must be seen whole: the longer what is typed, the smaller. */
function sizeOf(typed: string): string {
  if (typed.length <= 8) return "text-4xl";
  return typed.length <= 11 ? "text-2xl" : "text-lg";
}

/** Bands of the current check. Those of a check that is about to be replaced are not asked for: the ranking comes first. */
function useStrip(job: Job, { id, hookup }: NextCheck, working: boolean) {
  return useQuery({
    queryKey: ["strip", numberOf(job), id, hookup.state.meanwhile, hookup.state.recording, languageTag()],
    queryFn: () => benchWorker.ask((remote) => remote.strip(job, hookup)),
    enabled: !working,
  });
}

/** What the value now typed would mean; nothing until something is typed, and while it cannot be read. */
function usePreview(job: Job, { id, hookup }: NextCheck, typed: string) {
  return useQuery({
    queryKey: ["preview", numberOf(job), id, hookup.state.meanwhile, hookup.state.recording, typed, languageTag()],
    queryFn: () => benchWorker.ask((remote) => remote.preview(job, hookup, typed)),
    enabled: typed.trim() !== "",
    gcTime: 5000,
  });
}
