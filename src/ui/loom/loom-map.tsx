"use client";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import type { ComponentProps, ReactNode } from "react";
import { setupFields, spansOf, stationsOf, type CornerSetup } from "@/core/circuit/setup";
import { withConnectorMoved, withConnectors, withSpan, withStation } from "@/core/harness/edit-path";
import { stationsRead } from "@/core/job/stations-read";
import { stationWords } from "@/core/faults/places";
import type { Job } from "@/core/job/schema";
import { changeSetup } from "../jobs/change-setup";
import type { ChangeJob } from "../jobs/use-job";
import { Cap } from "../keys/cap";
import { LONGEST } from "@/core/units/typed-text";
import { DraftInput } from "../keys/draft-input";
import { NumberInput } from "../keys/number-input";

const EXPOSURES: () => [number, string][] = () => [
  [0.6, "sheltered"],
  [1, t`ordinary`],
  [2, t`frame rail, arch`],
  [3, t`flexes with the suspension`],
  [4, t`near exhaust, repaired before`],
];

/** The path of this car: lengths, landmarks, how rough, how long to get there. */
export function LoomMap({ job, change }: { job: Job; change: ChangeJob }) {
  const setPath = (path: CornerSetup["path"]) => changeSetup(change, () => ({ path }));
  const stations = stationsOf(job.setup);
  const spans = spansOf(job.setup);
  const inline = stations.slice(1, -1).map(({ station }) => station);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Loom map`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Loom map, module first`}</h2>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={{
          screenReaderInstructions: {
            draggable: t`Space picks a connector up, the arrow keys move it, space again puts it down, Escape leaves it where it was.`,
          },
        }}
        onDragEnd={({ active, over }) => {
          const [from, to] = [active.id, over?.id].map((id) => inline.findIndex((one) => one === id)) as [
            number,
            number,
          ];
          if (from >= 0 && to >= 0 && from !== to) setPath(withConnectorMoved(job.setup, from, to));
        }}
      >
        <SortableContext items={inline} strategy={verticalListSortingStrategy}>
          <ol>
            {stations.map((station, i) => (
              <Row
                key={station.station}
                id={station.station}
                movable={inline.includes(station.station) && inline.length > 1}
                spaced={inline.length > 1}
              >
                <div className="flex flex-wrap items-center gap-2 py-1.5">
                  <b className="w-32">{stationWords(station.station)}</b>
                  <Field
                    field={`${job.id}/${station.station}/landmark`}
                    label={t`landmark`}
                    value={station.landmark ?? ""}
                    onChange={(landmark) => setPath(withStation(job.setup, i, { landmark }))}
                  />
                  <Figure
                    field={`${job.id}/${station.station}/minutes`}
                    unit="min"
                    label={t`min to reach`}
                    of={setupFields.accessMin}
                    optional
                    value={station.accessMin}
                    onTake={(accessMin) => setPath(withStation(job.setup, i, { accessMin }))}
                  />
                </div>
                {spans[i] && (
                  <div className="mb-1 ml-3 flex flex-wrap items-center gap-2 border-l-4 border-rule py-1 pl-4">
                    <span className="w-24 text-sm text-muted">{t`span ${i + 1}`}</span>
                    <Figure
                      field={`${job.id}/span${i + 1}/metres`}
                      unit="m"
                      label={t`metres`}
                      of={setupFields.spanM}
                      value={spans[i].spanM}
                      onTake={(spanM) => setPath(withSpan(job.setup, i, { spanM }))}
                    />
                    <Figure
                      field={`${job.id}/span${i + 1}/mm2`}
                      unit="mm²"
                      label={t`mm²`}
                      of={setupFields.mm2}
                      value={spans[i].mm2}
                      onTake={(mm2) => setPath(withSpan(job.setup, i, { mm2 }))}
                    />
                    <Field
                      field={`${job.id}/span${i + 1}/landmark`}
                      label={t`landmark`}
                      value={spans[i].landmark ?? ""}
                      onChange={(landmark) => setPath(withSpan(job.setup, i, { landmark }))}
                    />
                    <select
                      aria-label={t`how rough span ${i + 1} is on a wire`}
                      className="min-h-11 rounded-lg border border-rule bg-paper px-2 text-sm"
                      value={String(spans[i].exposure ?? 1)}
                      onChange={(event) => setPath(withSpan(job.setup, i, { exposure: Number(event.target.value) }))}
                    >
                      {EXPOSURES().map(([value, say]) => (
                        <option key={value} value={value}>
                          {say}
                        </option>
                      ))}
                    </select>
                    <label className="flex min-h-11 items-center gap-2 text-sm">{jt`${(
                      <input
                        type="checkbox"
                        className="size-5"
                        checked={spans[i].pierceable ?? true}
                        onChange={(event) => setPath(withSpan(job.setup, i, { pierceable: event.target.checked }))}
                      />
                    )}may be pierced`}</label>
                    <label className="flex min-h-11 items-center gap-2 text-sm">{jt`${(
                      <input
                        type="checkbox"
                        className="size-5"
                        checked={spans[i].linkLead ?? false}
                        onChange={(event) => setPath(withSpan(job.setup, i, { linkLead: event.target.checked }))}
                      />
                    )}link lead, renewed as a whole`}</label>
                  </div>
                )}
              </Row>
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <div className="flex flex-wrap gap-2 pt-2">
        <Cap
          disabled={stations.length >= 6}
          onClick={() => setPath(withConnectors(job.setup, stations.length - 1, stationsRead(job)))}
        >{t`add a connector`}</Cap>
        <Cap
          disabled={stations.length <= 2}
          onClick={() => setPath(withConnectors(job.setup, stations.length - 3))}
        >{t`take one out`}</Cap>
      </div>
    </section>
  );
}

/** One station with the span after it; inline connectors are dragged by their grip, or moved with Space and arrows. */
function Row({
  id,
  movable,
  spaced,
  children,
}: {
  id: string;
  movable: boolean;
  /** Others in the list have a grip: keep the column. */
  spaced: boolean;
  children: ReactNode;
}) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id, disabled: !movable });
  return (
    <li ref={setNodeRef} style={{ transform: CSS.Transform.toString(transform), transition }} className="flex gap-1">
      {movable ? (
        <button
          type="button"
          {...attributes}
          {...listeners}
          aria-label={t`Move ${stationWords(id)}`}
          className="mt-1.5 min-h-11 w-8 shrink-0 self-start cursor-grab touch-none rounded-lg text-muted"
        >
          ⋮⋮
        </button>
      ) : (
        spaced && <span className="w-8 shrink-0" />
      )}
      <div className="min-w-0 flex-1">{children}</div>
    </li>
  );
}

function Field({
  field,
  label,
  value,
  onChange,
}: {
  field: string;
  label: string;
  value: string;
  onChange: (text: string) => void;
}) {
  return (
    <label className="flex flex-wrap items-center gap-1 text-sm text-muted">
      <span className="sr-only">{label}</span>
      <DraftInput
        field={field}
        value={value}
        placeholder={label}
        title={label}
        maxLength={LONGEST.landmark}
        className="min-h-11 w-40 rounded-lg border border-rule bg-paper px-2 text-ink"
        onTake={onChange}
      />
    </label>
  );
}

/** A number with its unit behind it. */
function Figure({ label, unit, ...input }: { label: string; unit: string } & ComponentProps<typeof NumberInput>) {
  return (
    <label className="flex flex-wrap items-center gap-1 text-sm text-muted">
      <span className="sr-only">{label}</span>
      <NumberInput
        {...input}
        placeholder={label}
        title={label}
        className="min-h-11 w-16 rounded-lg border border-rule bg-paper px-2 text-right font-mono text-ink"
      />
      <span aria-hidden="true">{unit}</span>
    </label>
  );
}
