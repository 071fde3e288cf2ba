"use client";
import { errorWords } from "@/core/words/error-words";
import { benchWorker } from "../query/workers";
import { t } from "@/core/words/words";
import dynamic from "next/dynamic";
import { useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { scopeAnswers } from "@/core/checks/scope-answers";
import type { Reading } from "@/core/observation/reading";
import { signalPoint } from "@/core/circuit/point";
import { facePoints, parsePoint } from "@/core/circuit/point";
import { pointLabel } from "@/core/checks/words";
import { UnusableInput, type Capture } from "@/core/capture/capture";
import { voltsPerUnit } from "@/core/capture/sound-scale";
import { fileSource, type GrowingFile } from "@/instruments/file-source";
import { folderSource, type GrowingFolder } from "@/instruments/folder-source";
import type { LiveSource } from "@/instruments/live-source";
import { simulatedSource } from "@/instruments/simulated-source";
import { soundSource, type SoundSetup } from "@/instruments/sound-source";
import { keepSoundSetup, keptSoundSetup } from "@/store/sound-setup";
import type { Job } from "@/core/job/schema";
import { CAPTURE_FILES, useCapture, type OpenCapture } from "../captures/use-capture";
import { changeSetup } from "../jobs/change-setup";
import { stamp, withEntry } from "../jobs/entries";
import type { ChangeJob } from "../jobs/use-job";
import { captureWorker } from "../query/workers";
import { Cap } from "../keys/cap";
import { FileCap } from "../keys/file-cap";

import { ReadingShare } from "../captures/reading-share";
import { toast } from "../keys/toast";
import { LiveMenu } from "./live-menu";
import { useCaught } from "./use-caught";

const CaptureView = dynamic(() => import("./capture-view").then((module) => module.CaptureView), {
  ssr: false,
  loading: () => <p className="p-16 text-center text-muted">{t`Laying out the capture…`}</p>,
});
const SoundPanel = dynamic(() => import("./sound-panel").then((module) => module.SoundPanel), { ssr: false });
const CaughtList = dynamic(() => import("./caught-list").then((module) => module.CaughtList), { ssr: false });
const JoinScopeDialog = dynamic(() => import("./join-scope-dialog").then((module) => module.JoinScopeDialog), {
  ssr: false,
});
const LiveRecorder = dynamic(() => import("./live-recorder").then((module) => module.LiveRecorder), { ssr: false });

/** What the browser's own file picker hands out (WICG File System Access). */
interface FilePicker {
  showOpenFilePicker(): Promise<GrowingFile[]>;
  showDirectoryPicker(): Promise<GrowingFolder>;
}

/** Megabytes of rows twice a second are read where they hold up nothing. @throws UnusableInput */
async function parseElsewhere(text: string, name: string): Promise<Capture> {
  const read = await captureWorker.ask((remote) => remote.parse(text, name));
  if (!read.ok) throw new UnusableInput(read.say);
  return read.capture;
}

/** A capture and what it says: trace, ring raster, ring clock, findings. */
export function Waves({ job, change }: { job: Job; change: ChangeJob }) {
  const { own, open, share, take, stop, takeCapture, openKept, choose, markLogged } = useCapture(job);
  const caught = useCaught(job.id);
  const [also, setAlso] = useState("");
  const [rolling, setRolling] = useState<LiveSource | null>(null);
  const [settingUp, setSettingUp] = useState(false);
  const [joining, setJoining] = useState(false);
  // A source left behind, by another or by leaving the room, would go on listening.
  useEffect(() => () => rolling?.stop(), [rolling]);
  const recordSimulated = (roll: boolean) => {
    const wanted = also ? parsePoint(also, job.setup) : null;
    const points = [signalPoint(job.setup, "plug"), ...(wanted?.ok ? [wanted.point] : [])];
    return benchWorker.ask((remote) => remote.recordSimulated(job, points, roll));
  };
  const record = async (roll: boolean) => {
    const capture = await recordSimulated(roll);
    if (capture && roll) setRolling(simulatedSource(capture, t`simulated car`));
    else if (capture) keep(capture);
  };
  const close = () => setRolling(null);
  // A sound input passes no standing level: an active sensor's two levels stay unknown, whatever was calibrated.
  const listen = async (setup: SoundSetup) =>
    setRolling(await soundSource(job.setup.family === "passive" ? setup : { ...setup, voltsPerUnit: null }));
  const calibrate = (meterRmsV: number, recordedRms: number): string => {
    const perUnit = voltsPerUnit(meterRmsV, recordedRms / rolling!.perUnit);
    if (perUnit === null) return t`Too little is heard to calibrate by: spin the wheel, or turn the input's gain up.`;
    const setup = { ...keptSoundSetup(), voltsPerUnit: perUnit, calibratedAt: new Date().toISOString() };
    listen(setup).catch((error: unknown) => toast.error(errorWords(error)));
    if (!keepSoundSetup(setup)) return t`This browser keeps nothing: the calibration is lost when the page closes.`;
    return t`Calibrated: one unit of the input is ${perUnit.toPrecision(3)} V at the sensor.`;
  };
  const followFile = async () => {
    const [handle] = await (window as unknown as FilePicker).showOpenFilePicker();
    setRolling(await fileSource(handle!, parseElsewhere));
  };
  const followFolder = async () => {
    const folder = await (window as unknown as FilePicker).showDirectoryPicker();
    setRolling(await folderSource(folder, parseElsewhere));
  };
  const keep = (capture: Capture) => {
    close();
    takeCapture(capture).catch((error: unknown) => toast.error(t`Not kept: ${errorWords(error)}`));
  };
  const follow = (what: () => Promise<void>) =>
    what().catch((error: unknown) => {
      if (!(error instanceof DOMException && error.name === "AbortError")) toast.error(errorWords(error));
    });
  useHotkeys("r", () => void record(false), { enabled: rolling === null });
  useHotkeys("g", () => void record(true), { enabled: rolling === null });
  const weigh = (
    { capture: { name } }: Extract<OpenCapture["result"], { ok: true }>,
    readingsOf: (options: { watched?: boolean }) => Reading[],
    id: string,
  ) => {
    const watched = caught.moments.some(({ captureId }) => captureId === id);
    const readings = readingsOf({ watched });
    change((newest) =>
      readings.reduce(
        (job, reading) => withEntry(job, { ...stamp(), kind: "capture", captureId: id, name, reading }),
        newest,
      ),
    );
    markLogged();
    caught.used(id);
    const said = readings.map(({ finding = "" }) => scopeAnswers().say[finding] ?? finding);
    toast(t`Used: ${said.join(" · ")}.`);
  };
  return (
    <main
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const file = event.dataTransfer.files[0];
        if (file) void take(file);
      }}
    >
      <div className="flex flex-wrap items-center gap-3 border-b border-rule bg-card px-4 py-2">
        <h1 className="text-sm font-semibold text-muted">{t`Waves`}</h1>
        {own.length > 0 && (
          <select
            aria-label={t`Capture shown`}
            className="min-h-12 max-w-80 rounded-lg border border-rule bg-paper px-3"
            value={open?.logged ? open.id : ""}
            onChange={(event) => choose(event.target.value)}
          >
            {!open?.logged && <option value="">{t`new, not used yet`}</option>}
            {own.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        {rolling === null && (
          <FileCap
            label={t`Capture file`}
            accept={CAPTURE_FILES}
            hotkey="o"
            onFile={(file) => void take(file)}
          >{t`open a recording`}</FileCap>
        )}
        {job.simulated && rolling === null && (
          <Cap
            legend="R"
            className="border-plum!"
            onClick={() => void record(false)}
          >{t`spin the simulated wheel`}</Cap>
        )}
        {job.simulated && rolling === null && (
          <Cap legend="G" className="border-plum!" onClick={() => void record(true)}>{t`roll live`}</Cap>
        )}
        {rolling === null && (
          <LiveMenu
            onSound={() => setSettingUp(true)}
            onScope={() => setJoining(true)}
            onFile={() => void follow(followFile)}
            onFolder={() => void follow(followFolder)}
          />
        )}
        <ReadingShare share={share} onStop={() => void stop()} />
        {job.simulated && rolling === null && (
          <select
            aria-label={t`Second channel of the simulated recorder`}
            className="min-h-12 rounded-lg border border-rule bg-paper px-2"
            value={also}
            onChange={(event) => setAlso(event.target.value)}
          >
            <option value="">{t`one channel: signal at the plug`}</option>
            {facePoints(job.setup).map((text) => {
              const parsed = parsePoint(text, job.setup);
              return <option key={text} value={text}>{t`and ${parsed.ok ? pointLabel(parsed.point) : text}`}</option>;
            })}
          </select>
        )}
        {rolling === null && (
          <p className="text-sm text-muted">{t`CSV, TSV, gz of these, or WAV; or drop one anywhere here.`}</p>
        )}
      </div>
      {open && !open.result.ok && (
        <p role="alert" className="m-4 rounded-xl border border-brick bg-brick-wash p-4">
          {open.result.say}
        </p>
      )}
      {settingUp && !rolling && (
        <SoundPanel
          family={job.setup.family}
          onStart={(setup) => listen(setup).then(() => setSettingUp(false))}
          onClose={() => setSettingUp(false)}
        />
      )}
      {rolling && (
        <LiveRecorder
          jobId={job.id}
          source={rolling}
          {...(!rolling.simulated && job.setup.family === "passive" ? { onCalibrate: calibrate } : {})}
          options={{ pulses: job.setup.pulsesPerRevolution, tyre: job.setup.tyre, family: job.setup.family }}
          onCaught={caught.take}
          onKeep={keep}
          onClose={close}
        />
      )}
      {joining && (
        <JoinScopeDialog
          simulated={job.simulated ? () => recordSimulated(true) : null}
          onJoined={(source) => {
            setJoining(false);
            setRolling(source);
          }}
          onClose={() => setJoining(false)}
        />
      )}
      {caught.moments.length > 0 && (
        <CaughtList
          moments={caught.moments}
          isHeld={caught.isHeld}
          onSave={caught.saveFile}
          onOpen={({ captureId }) => {
            close();
            const held = caught.heldCapture(captureId);
            (held ? takeCapture(held) : openKept(captureId)).catch((error: unknown) => toast.error(errorWords(error)));
          }}
          onDrop={caught.drop}
        />
      )}
      {rolling ? null : open?.result.ok ? (
        <CaptureView
          key={open.id}
          job={job}
          others={own.filter(({ id }) => id !== open.id)}
          open={open}
          result={open.result}
          onWeigh={weigh}
          onCount={(pulsesPerRevolution) => changeSetup(change, () => ({ pulsesPerRevolution }))}
          onRescale={keep}
          onTighten={(known) => {
            changeSetup(change, () => ({ known }));
            toast(t`${known.from} now narrows what a good car of this model reads. Undo it under Complaint.`);
          }}
        />
      ) : (
        !open && (
          <p className="p-16 text-center text-muted">{t`No capture in this job yet. Record the signal at the plug over at least three turns of the wheel, and open it here.`}</p>
        )
      )}
    </main>
  );
}
