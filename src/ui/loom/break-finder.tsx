import { tellsWords } from "@/core/bench/tells-words";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { HOLE_MINUTES } from "@/core/checks/access";
import { conductorsOf, spansOf, stationsOf } from "@/core/circuit/setup";
import { stationWords } from "@/core/faults/places";
import { splicePlan } from "@/core/harness/splice-plan";
import type { Job } from "@/core/job/schema";
import { holesMade } from "@/core/bench/holes";
import { severalBreaks } from "@/core/bench/several-breaks";
import type { Suspect } from "@/core/verdict/suspects";
import { formatShare } from "@/core/units/format";
import type { LoomView } from "@/core/bench/loom-view";
import type { ChangeJob } from "../jobs/use-job";
import { Cap } from "../keys/cap";

const WIDTH = 760;

/** The loom with what is left of it to suspect, and the next point to measure. */
export function BreakFinder({
  job,
  view,
  suspects,
  change,
}: {
  job: Job;
  view: LoomView | null;
  suspects: readonly Suspect[];
  change: ChangeJob;
}) {
  // The loom may be worked out before the ranking is: until then nothing is said of shares.
  const known = suspects.length > 0;
  const harness = suspects.filter(({ part }) => part === "harness" || part === "connector");
  const inLoom = harness.reduce((sum, { share }) => sum + share, 0);
  const lead = harness[0];
  const worst = view?.places.toSorted((a, b) => b.share - a.share)[0];
  const best = job.policy.pierce ? view?.withPiercing : view?.connectorsOnly;
  const other = job.policy.pierce ? view?.connectorsOnly : view?.withPiercing;
  const holes = holesMade(job);
  const several = severalBreaks(job);
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Find the break`}>
      <h2 className="flex flex-wrap items-baseline justify-between gap-2 border-b border-rule pb-1 text-sm">
        <span className="font-semibold text-muted">{t`Where the damage can be`}</span>
        <span className="text-muted">
          {known ? t`${formatShare(inLoom)} likely to lie in wires and connectors` : t`Working it out…`}
        </span>
      </h2>
      {view && known && <LoomStrip job={job} view={view} suspects={suspects} />}
      {lead && (
        <p className="mt-1">{jt`Most likely: ${(<b>{lead.words}</b>)} (${formatShare(lead.share)}).${
          worst?.narrowed &&
          lead.part === "harness" && (
            <>{t` Nine tenths of what rests on span ${worst.span + 1} lies ${worst.fromM.toFixed(1)}–${worst.toM.toFixed(1)} m from its module end.`}</>
          )
        }`}</p>
      )}
      {several && (
        <p role="status" className="mt-2 rounded-xl border border-plum px-3 py-2 text-plum">
          {several}
        </p>
      )}
      <div className="mt-3 grid gap-3 md:grid-cols-2">
        <div className="rounded-xl bg-paper p-3">
          <p className="text-sm font-semibold text-muted">{t`Next point`}</p>
          {best ? (
            <>
              <p className="font-bold">{best.check}</p>
              <p className="text-sm text-muted">{t`${best.minutes} min · ${tellsWords(best.bits)}${best.pierces ? t` · 1 hole to seal` : ""}`}</p>
              <p className="text-sm text-muted">{best.why}</p>
              {view && best.toPlaceMinutes !== null && (
                <p className="text-sm">{t`On average ${best.toPlaceMinutes} min from here to the place; always halving what is left, whatever is easy to reach, would take ${view.halvingMinutes}.`}</p>
              )}
              {best.cautions.map((caution) => (
                <p key={caution} className="text-sm">
                  ▲ {caution}
                </p>
              ))}
            </>
          ) : (
            <p className="text-muted">{nothingLeft(view, worst?.sure)}</p>
          )}
        </div>
        <div className="rounded-xl bg-paper p-3 text-sm">
          <p className="font-semibold text-muted">{t`Piercing`}</p>
          <div className="my-2 flex gap-2">
            {[false, true].map((pierce) => (
              <Cap
                key={String(pierce)}
                legend="R"
                aria-pressed={job.policy.pierce === pierce}
                onClick={() => change((newest) => ({ ...newest, policy: { ...newest.policy, pierce } }))}
              >
                {pierce ? t`sparingly, sealed` : t`never`}
              </Cap>
            ))}
          </div>
          {other && other.id !== best?.id && (
            <p>
              {t`${job.policy.pierce ? t`Without piercing` : t`With piercing allowed`} the next point would be ${other.label} (${other.minutes} min, ${tellsWords(other.bits)}).`}
              {other.toPlaceMinutes !== null &&
                t` To the place it would be some ${other.toPlaceMinutes} min, each hole counted as ${HOLE_MINUTES}.`}
            </p>
          )}
          {holes.length > 0 && (
            <p className="mt-1">
              <b>{t`Holes to seal:`}</b> {holes.join(" · ")}
            </p>
          )}
        </div>
      </div>
      {worst?.sure && lead && (
        <details className="mt-3">
          <summary className="min-h-8 cursor-pointer font-semibold">{t`How to repair it`}</summary>
          <ol className="list-decimal pl-6">
            {splicePlan(
              job.setup,
              worst,
              lead.place.includes(".") ? [lead.place.split(".")[1]!] : conductorsOf[job.setup.family],
            ).map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
        </details>
      )}
    </section>
  );
}

function nothingLeft(view: LoomView | null, sure: boolean | undefined): string {
  if (!view) return t`Working it out…`;
  return sure
    ? t`No reading narrows it further: open the loom along the bars above and look.`
    : t`Nothing left on the loom tells these apart.`;
}

function LoomStrip({ job, view, suspects }: { job: Job; view: LoomView; suspects: readonly Suspect[] }) {
  const stations = stationsOf(job.setup);
  const spans = spansOf(job.setup);
  const stationW = 74;
  const room = WIDTH - stations.length * stationW;
  const total = spans.reduce((sum, { spanM }) => sum + spanM, 0);
  const most = Math.max(1e-9, ...view.places.flatMap(({ cells }) => cells));
  const starts = spans.map((_, i) => {
    const before = spans.slice(0, i).reduce((sum, { spanM }) => sum + spanM, 0);
    return (i + 1) * stationW + (before / total) * room;
  });
  return (
    <div className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${WIDTH} 118`}
        className="w-full min-w-[560px]"
        role="img"
        aria-label={view.places.map(({ span, share }) => t`span ${span + 1} ${formatShare(share)}`).join(", ")}
      >
        {spans.map(({ spanM, landmark }, i) => {
          const width = (spanM / total) * room;
          const place = view.places[i]!;
          return (
            <g key={i}>
              {place.cells.map((cell, c) => (
                <rect
                  key={c}
                  x={starts[i]! + (c * width) / place.cells.length}
                  y={78 - 46 * (cell / most)}
                  width={width / place.cells.length + 0.3}
                  height={46 * (cell / most)}
                  fill="var(--brick)"
                  opacity={0.75}
                />
              ))}
              <line x1={starts[i]} x2={starts[i]! + width} y1="80" y2="80" stroke="var(--ink)" strokeWidth="2.5" />
              <text x={starts[i]! + width / 2} y="99" textAnchor="middle" fontSize="13" fill="var(--ink)">
                {formatShare(place.share)}
              </text>
              <text x={starts[i]! + width / 2} y="114" textAnchor="middle" fontSize="12" fill="var(--muted)">
                {spanM} m{landmark ? ` · ${landmark}` : ""}
              </text>
            </g>
          );
        })}
        {stations.map(({ station }, i) => {
          const x = i === 0 ? 2 : starts[i - 1]! + (spans[i - 1]!.spanM / total) * room;
          const share = suspects.reduce((sum, one) => sum + (one.place.split(".")[0] === station ? one.share : 0), 0);
          return (
            <g key={station}>
              <rect x={x + 3} y="58" width={stationW - 8} height="44" rx="8" fill="var(--card)" stroke="var(--ink)" />
              <text x={x + stationW / 2} y="77" textAnchor="middle" fontSize="13" fontWeight="600" fill="var(--ink)">
                {station === "module" ? t`Module` : station === "plug" ? t`Plug` : station.toUpperCase()}
              </text>
              <text x={x + stationW / 2} y="94" textAnchor="middle" fontSize="13" fill="var(--brick)">
                {formatShare(share)}
              </text>
              <title>{stationWords(station)}</title>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
