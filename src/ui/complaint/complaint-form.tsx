"use client";
import { t } from "@/core/words/words";
import type { ComponentProps } from "react";
import { useRouter } from "next/navigation";
import { useHotkeys } from "react-hotkeys-hook";
import { families, meterOf, nominalSupplyV, setupFields, stationsOf, type Family } from "@/core/circuit/setup";
import { withConnectors } from "@/core/harness/edit-path";
import { cornersInWork, withCorner } from "@/core/job/corner-in-work";
import { stationsRead } from "@/core/job/stations-read";
import type { Job } from "@/core/job/schema";
import { defaultPriors } from "@/core/faults/parts/parts";
import { complaintReasons } from "@/core/complaint/complaint-reasons";
import { type Complaint } from "@/core/complaint/complaint";
import { recentWorks } from "@/core/complaint/recent-works";
import { symptoms } from "@/core/complaint/symptoms/symptoms";
import { corners, cornerWords, type Corner } from "@/core/units/corner";
import { parseTyre } from "@/core/tyre/tyre";
import { LONGEST } from "@/core/units/typed-text";
import { changeSetup } from "../jobs/change-setup";
import { useOpenCar } from "../jobs/open-job";
import type { ChangeJob } from "../jobs/use-job";
import { useDiagnosis } from "../jobs/use-lineup";
import { Cap } from "../keys/cap";
import { DraftInput } from "../keys/draft-input";
import { NumberInput } from "../keys/number-input";
import { AdvicePanel } from "./advice-panel";
import { CodesField } from "./codes-field";
import { FamilyFields } from "./family-fields";
import { FamilyFinder } from "./family-finder";
import { Group } from "./group";
import { KnownGood } from "./known-good";
import { MeterFields } from "./meter-fields";
import { ProfilePanel } from "./profile-panel";
import { VehicleCard } from "./vehicle-card";
import { SuspicionPanel } from "./suspicion-panel";

const DRIVEN: Record<"front" | "rear" | "all", string> = {
  get front() {
    return t`front`;
  },
  get rear() {
    return t`rear`;
  },
  get all() {
    return t`all`;
  },
};
/** An answer's name as its cap has it; a code as typed. */
function answerWords(answer: string): string {
  if (answer === "intermittent") return t`comes and goes`;
  return [...symptoms, ...recentWorks].find(({ id }) => id === answer)?.say() ?? answer;
}

/** What is known before anything is measured; the suspicion beside it moves with each answer. */
export function ComplaintForm({ job, change }: { job: Job; change: ChangeJob }) {
  const router = useRouter();
  const { diagnosis } = useDiagnosis(job);
  const setup = (parts: Partial<Job["setup"]>) => changeSetup(change, () => parts);
  const complain = (parts: Partial<Complaint>) =>
    change((newest) => ({ ...newest, complaint: { ...newest.complaint, ...parts } }));
  const open = useOpenCar();
  // A corner beside the first is what it is; the first may still be named anew, as long as no other is in work there.
  const isFree = (corner: Corner) =>
    corner === job.setup.corner ||
    open === null ||
    (open.corner === open.car.setup.corner && open.car.others?.[corner] === undefined);
  const setFamily = (family: Family) => setup({ family });
  useHotkeys("f", () =>
    change((newest) => ({
      ...newest,
      setup: { ...newest.setup, family: families[(families.indexOf(newest.setup.family) + 1) % families.length]! },
    })),
  );
  useHotkeys("h", () => complain({ presence: job.complaint.presence === "hard" ? "intermittent" : "hard" }));
  corners.forEach((corner, i) => {
    // Four corners, four keys: the count never changes, so the hooks keep their order.
    // eslint-disable-next-line react-hooks/rules-of-hooks
    useHotkeys(String(i + 1), () => isFree(corner) && setup({ corner }));
  });
  const measured = job.entries.length > 0;
  return (
    <main className="grid gap-4 p-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <form
        className="grid content-start gap-5 rounded-2xl border border-rule bg-card p-5"
        onSubmit={(event) => event.preventDefault()}
      >
        <h1 className="text-xl font-bold">{t`What is known before measuring`}</h1>
        <div className="grid gap-4 md:grid-cols-2">
          <Text
            label={t`Car`}
            value={job.car.name}
            maxLength={LONGEST.carName}
            placeholder={t`Osmund Drover 09`}
            onChange={(name) => change((newest) => ({ ...newest, car: { ...newest.car, name } }))}
          />
          <Text
            label={t`Plate or fleet number`}
            value={job.car.plate}
            maxLength={LONGEST.plate}
            placeholder=""
            onChange={(plate) => change((newest) => ({ ...newest, car: { ...newest.car, plate } }))}
          />
        </div>
        <VehicleCard job={job} change={change} />
        <Group label={t`Which corner`}>
          {corners.map((corner, i) => (
            <Cap
              key={corner}
              legend={String(i + 1)}
              aria-pressed={job.setup.corner === corner}
              disabled={!isFree(corner)}
              onClick={() => setup({ corner })}
            >
              {corner} <span className="sr-only">{cornerWords[corner]}</span>
            </Cap>
          ))}
          <p className="self-center text-sm text-muted">{t`More than one corner? Tap the car's mark above.`}</p>
        </Group>
        <FamilyFields setup={job.setup} measured={measured} onChange={setup} />
        <FamilyFinder onFound={setFamily} />
        <Group label={t`Is the fault here now?`}>
          <Cap
            legend="H"
            aria-pressed={job.complaint.presence === "hard"}
            onClick={() => complain({ presence: "hard" })}
          >{t`here now`}</Cap>
          <Cap
            legend="H"
            aria-pressed={job.complaint.presence === "intermittent"}
            onClick={() => complain({ presence: "intermittent" })}
          >{t`comes and goes`}</Cap>
          <p className="max-w-sm self-center text-sm text-muted">
            {job.complaint.presence === "hard"
              ? t`Unplug and measure freely. If re-plugging cures it, the connector was it.`
              : t`Do not unplug until it has been caught: unplugging can cure it for a week and hide it. Back-probe.`}
          </p>
        </Group>
        <CodesField
          field={`${job.id}/codes`}
          corner={job.setup.corner}
          codes={job.complaint.codes}
          inWork={open ? cornersInWork(open.car) : []}
          onChange={(codes) => complain({ codes })}
          onTake={(corner) => open?.changeCar((car) => withCorner(car, corner))}
        />
        <Group label={t`What is noticed`}>
          {symptoms.map(({ id, say }) => (
            <Cap
              key={id}
              aria-pressed={job.complaint.symptoms.includes(id)}
              onClick={() => complain({ symptoms: toggle(job.complaint.symptoms, id) })}
            >
              {say()}
            </Cap>
          ))}
        </Group>
        <Group label={t`Recent work`}>
          {recentWorks.map(({ id, say }) => (
            <Cap
              key={id}
              aria-pressed={job.complaint.recentWork.includes(id)}
              onClick={() => complain({ recentWork: toggle(job.complaint.recentWork, id) })}
            >
              {say()}
            </Cap>
          ))}
        </Group>
        <label className="grid gap-1">
          <span className="text-sm text-muted">{t`In the driver's words: when it shows, weather, history`}</span>
          <textarea
            key={`w${job.id}`}
            className="min-h-20 rounded-lg border border-rule bg-paper px-3 py-2"
            defaultValue={job.complaint.note ?? ""}
            maxLength={LONGEST.note}
            placeholder={t`Since the first frost, on the causeway, lamp goes out again after a stop`}
            onChange={(event) => complain({ note: event.target.value })}
          />
        </label>
        <Group label={t`Driven wheels`}>
          {(["front", "rear", "all"] as const).map((drivetrain) => (
            <Cap
              key={drivetrain}
              aria-pressed={job.setup.drivetrain === drivetrain}
              onClick={() => setup({ drivetrain })}
            >
              {DRIVEN[drivetrain]}
            </Cap>
          ))}
        </Group>
        <div className="grid items-end gap-4 md:grid-cols-4">
          <Line
            label={t`Tyre, this axle`}
            field={`${job.id}/tyre`}
            value={job.setup.tyre ?? ""}
            placeholder={t`not known`}
            maxLength={LONGEST.tyre}
            check={readable}
            onTake={(tyre) => setup({ tyre: tyre || undefined })}
          />
          <Line
            label={t`Tyre, other axle if not alike`}
            field={`${job.id}/other-tyre`}
            value={job.setup.otherAxleTyre ?? ""}
            maxLength={LONGEST.tyre}
            check={readable}
            onTake={(text) => setup({ otherAxleTyre: text || undefined })}
          />
          <label className="grid gap-1">
            <span className="text-sm text-muted">{t`Pulses per turn (40 poles are 20 pulses)`}</span>
            <NumberInput
              field={`${job.id}/pulses`}
              of={setupFields.pulsesPerRevolution}
              value={job.setup.pulsesPerRevolution}
              optional
              placeholder={t`not known`}
              className={MONO}
              onTake={(pulsesPerRevolution) => setup({ pulsesPerRevolution })}
            />
          </label>
          {job.setup.family === "active-2wire" && (
            <label className="grid gap-1">
              <span className="text-sm text-muted">{t`Sensor supply, V`}</span>
              <NumberInput
                field={`${job.id}/supply`}
                of={setupFields.supplyV}
                value={nominalSupplyV(job.setup)}
                className={MONO}
                onTake={(supplyV) => setup({ supplyV })}
              />
            </label>
          )}
        </div>
        <MeterFields field={job.id} meter={meterOf(job.setup)} onChange={(meter) => setup({ meter })} />
        <Group label={t`Inline connectors between module and sensor plug`}>
          {[0, 1, 2, 3].map((count) => (
            <Cap
              key={count}
              aria-pressed={stationsOf(job.setup).length - 2 === count}
              onClick={() => setup({ path: withConnectors(job.setup, count, stationsRead(job)) })}
            >
              {count}
            </Cap>
          ))}
        </Group>
      </form>
      <aside className="grid content-start gap-4">
        <AdvicePanel diagnosis={diagnosis} />
        <SuspicionPanel
          diagnosis={diagnosis}
          reasons={complaintReasons(job.complaint, job.setup, job.priors ?? defaultPriors, job.ratios)}
          nameOf={answerWords}
        />
        <KnownGood job={job} change={change} />
        <p className="text-sm text-muted">{t`A code steers the route; it never proves the part.`}</p>
        <ProfilePanel job={job} change={change} />
        <Cap legend="B" lead onClick={() => router.push(`/bench?job=${job.id}`)}>{t`To the bench`}</Cap>
      </aside>
    </main>
  );
}

function Text({
  label,
  value,
  maxLength,
  placeholder,
  onChange,
}: {
  label: string;
  value: string;
  maxLength: number;
  placeholder: string;
  onChange: (text: string) => void;
}) {
  return (
    <label className="grid gap-1">
      <span className="text-sm text-muted">{label}</span>
      <input
        className="min-h-12 rounded-lg border border-rule bg-paper px-3 text-lg"
        defaultValue={value}
        placeholder={placeholder}
        maxLength={maxLength}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}

const MONO = "min-h-12 w-full min-w-0 rounded-lg border border-rule bg-paper px-3 font-mono text-lg";

/** One labelled line that only passes on what can be used. */
function Line({ label, ...input }: { label: string } & ComponentProps<typeof DraftInput>) {
  return (
    <label className="grid gap-1">
      <span className="text-sm text-muted">{label}</span>
      <DraftInput {...input} className={MONO} />
    </label>
  );
}

const readable = (text: string) =>
  text === "" || parseTyre(text) ? null : t`Write it as 205/55R16, or leave it empty.`;

function toggle<T>(list: readonly T[], one: T): T[] {
  return list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
}
