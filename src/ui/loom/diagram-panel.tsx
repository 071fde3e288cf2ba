"use client";
import { errorWords } from "@/core/words/error-words";
import { nanoid } from "nanoid";
import { useState, type KeyboardEvent, type MouseEvent } from "react";
import { stationLabel } from "@/core/checks/station-label";
import { conductorsOf, stationsOf } from "@/core/circuit/setup";
import { conductorWord } from "@/core/faults/wire-faults";
import {
  drawnAt,
  withoutTerminal,
  withTerminal,
  type Diagram,
  type DiagramPoint,
  type Terminal,
} from "@/core/job/diagram";
import type { Job } from "@/core/job/schema";
import { fileNameKept } from "@/core/units/typed-text";
import { t } from "@/core/words/words";
import { savePhoto } from "@/store/captures";
import type { ChangeJob } from "../jobs/use-job";
import { Cap } from "../keys/cap";
import { FileCap } from "../keys/file-cap";
import { toast } from "../keys/toast";
import { usePhoto } from "../photos/use-photo";

/** The wiring diagram's page beside the pin map: a terminal is tapped on it, and found on it again. */
export function DiagramPanel({ job, change }: { job: Job; change: ChangeJob }) {
  const { diagram } = job;
  const [file, setFile] = useState<{ file: File; page: number; pages: number } | null>(null);
  const set = (next: Diagram | undefined) => change((newest) => ({ ...newest, diagram: next }));
  const take = async (chosen: File, page: number) => {
    const { pagePicture } = await import("../photos/page-picture");
    const made = await pagePicture(chosen, page);
    if (!made.ok) return toast.error(made.say, { duration: 20_000 });
    const photoId = nanoid(10);
    await savePhoto(photoId, made.photo);
    setFile({ file: chosen, page, pages: made.pages });
    const name = made.pages > 1 ? t`${chosen.name}, page ${page}` : chosen.name;
    set({ photoId, name: fileNameKept(name), points: [] });
  };
  const kept = (chosen: File, page: number) =>
    void take(chosen, page).catch((error: unknown) => toast.error(t`The page was not kept: ${errorWords(error)}`));
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Wiring diagram`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Wiring diagram`}</h2>
      {diagram ? (
        <Page job={job} diagram={diagram} onChange={set} />
      ) : (
        <p className="py-2 text-muted">{t`A photo or a PDF page of the maker's diagram: choose a terminal, tap where it is drawn, and find it again with one tap. It goes along when the set-up is kept for the model.`}</p>
      )}
      <div className="flex flex-wrap items-center gap-2 pt-2">
        <FileCap label={t`Diagram file`} accept="image/*,.pdf,application/pdf" onFile={(chosen) => kept(chosen, 1)}>
          {diagram ? t`another page` : t`photo or PDF page`}
        </FileCap>
        {file && file.pages > 1 && (
          <label className="text-sm text-muted">
            {t`page`}{" "}
            <select
              className="min-h-11 rounded-lg border border-rule bg-paper px-2 text-base text-ink"
              value={file.page}
              onChange={(event) => kept(file.file, Number(event.target.value))}
            >
              {Array.from({ length: file.pages }, (_, i) => (
                <option key={i} value={i + 1}>
                  {t`${i + 1} of ${file.pages}`}
                </option>
              ))}
            </select>
          </label>
        )}
        {diagram && <Cap onClick={() => set(undefined)}>{t`take the diagram off`}</Cap>}
      </div>
    </section>
  );
}

/** One step of an arrow key, as a part of the picture. */
const STEP = 0.01;
const STEPS: Record<string, [x: number, y: number]> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

function Page({ job, diagram, onChange }: { job: Job; diagram: Diagram; onChange: (next: Diagram) => void }) {
  const address = usePhoto(diagram.photoId);
  const [large, setLarge] = useState(false);
  const [chosen, setChosen] = useState<Terminal | null>(null);
  const { setup } = job;
  const terminals = stationsOf(setup).flatMap(({ station, pins }) =>
    conductorsOf[setup.family].map((conductor) => ({ station, conductor, own: pins?.[conductor] })),
  );
  const isChosen = ({ station, conductor }: Terminal) => chosen?.station === station && chosen.conductor === conductor;
  const place = (event: MouseEvent<HTMLElement>) => {
    if (!chosen) return toast(t`Choose a terminal first, then tap where it is drawn.`, { id: "choose-terminal" });
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    onChange(withTerminal(diagram, { ...chosen, x, y }));
  };
  const move = (event: KeyboardEvent, { station, conductor }: Terminal) => {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    const { x, y } = drawnAt(diagram, { station, conductor }) ?? { x: 0.5, y: 0.5 };
    onChange(withTerminal(diagram, { station, conductor, x: x + step[0], y: y + step[1] }));
  };
  return (
    <>
      <div className="my-2 max-h-[70vh] overflow-auto rounded-lg border border-rule bg-paper">
        <div className="relative" style={{ width: large ? "250%" : "100%" }}>
          {address ? (
            <img src={address} alt={t`Wiring diagram, ${diagram.name}`} className="block w-full" />
          ) : (
            <p className="p-6 text-muted">{t`The picture of ${diagram.name} is not on this machine.`}</p>
          )}
          {/* The chips below do the same from the keyboard. */}
          <div className="absolute inset-0 cursor-crosshair" role="presentation" onClick={place} />
          {diagram.points.map((point) => (
            <Dot
              key={`${point.station} ${point.conductor}`}
              point={point}
              chosen={isChosen(point)}
              onChoose={() => setChosen(point)}
            />
          ))}
        </div>
      </div>
      <div className="flex flex-wrap gap-1.5" role="group" aria-label={t`Terminals on the diagram`}>
        {terminals.map(({ station, conductor, own }) => {
          const there = drawnAt(diagram, { station, conductor }) !== undefined;
          return (
            <button
              key={`${station} ${conductor}`}
              type="button"
              aria-pressed={isChosen({ station, conductor })}
              title={t`Arrow keys move it`}
              className="min-h-11 rounded-full border border-rule bg-card px-3 text-sm aria-pressed:border-marigold aria-pressed:bg-marigold-wash aria-pressed:font-semibold"
              onClick={() => setChosen(isChosen({ station, conductor }) ? null : { station, conductor })}
              onKeyDown={(event) => move(event, { station, conductor })}
            >
              <span aria-hidden>{there ? "●" : "○"}</span> {stationLabel(station)} {conductorWord(conductor)}{" "}
              <span className="text-muted">{[own?.pin, own?.colour].filter(Boolean).join(" ")}</span>
            </button>
          );
        })}
      </div>
      <p className="pt-1 text-sm text-muted">
        {chosen
          ? t`Tap on the picture where ${stationLabel(chosen.station)}, ${conductorWord(chosen.conductor)} is drawn.`
          : t`Choose a terminal, or tap a dot to see which it is.`}
      </p>
      <div className="flex flex-wrap gap-2 pt-1">
        <Cap aria-pressed={large} onClick={() => setLarge(!large)}>{t`larger`}</Cap>
        {chosen && drawnAt(diagram, chosen) && (
          <Cap onClick={() => onChange(withoutTerminal(diagram, chosen))}>{t`take this dot off`}</Cap>
        )}
      </div>
    </>
  );
}

function Dot({
  point: { station, conductor, x, y },
  chosen,
  onChoose,
}: {
  point: DiagramPoint;
  chosen: boolean;
  onChoose: () => void;
}) {
  const name = `${stationLabel(station)} ${conductorWord(conductor)}`;
  return (
    <button
      type="button"
      aria-label={t`${name}, on the picture`}
      className="absolute grid size-11 -translate-x-1/2 -translate-y-1/2 place-items-center"
      style={{ left: `${100 * x}%`, top: `${100 * y}%` }}
      onClick={onChoose}
    >
      <span
        className={
          chosen
            ? "size-5 rounded-full border-4 border-marigold bg-card"
            : "size-4 rounded-full border-2 border-card bg-marigold"
        }
      />
      {chosen && (
        <span className="absolute top-full -mt-2 rounded bg-card px-1.5 text-sm font-semibold whitespace-nowrap shadow">
          {name}
        </span>
      )}
    </button>
  );
}
