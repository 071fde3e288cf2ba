import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import type { ChannelAnalysis } from "@/core/waveform/analyse";
import { besideWords } from "@/core/waveform/beside-words";
import { isOfCorner } from "@/core/waveform/other-side";
import { wordsOfUse } from "@/core/job/clipped-on";
import type { Job } from "@/core/job/schema";
import { isMeasure, isUsableAt } from "@/core/waveform/usable";
import { findingKind, findingSays } from "@/core/checks/findings/findings";
import { ClippedOn, type Clipped } from "../captures/clipped-on";
import { useUnits } from "../settings/use-units";
import { Cap } from "../keys/cap";
import { WithTerms } from "../keys/with-terms";

interface FindingsProps {
  channel: ChannelAnalysis;
  channels: readonly ChannelAnalysis[];
  at: number;
  job: Job;
  clipped: Clipped;
  logged: boolean;
  onChannel: (at: number) => void;
  onShow: (finding: number) => void;
  onWeigh: () => void;
  /** Takes the ring's own count into the set-up. */
  onCount: (pulses: number) => void;
}

/** What the recording shows, in words, each with “show me”; and the one key that weighs it in. */
export function FindingsPanel({
  channel,
  channels,
  at,
  job,
  clipped,
  logged,
  onChannel,
  onShow,
  onWeigh,
  onCount,
}: FindingsProps) {
  const say = useUnits();
  const { signaturePulses, pulsesPerRevolution: setUp } = channel;
  const otherCount = signaturePulses !== null && setUp !== null && signaturePulses !== setUp;
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Findings`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Findings`}</h2>
      {channels.length > 1 && (
        <div className="flex flex-wrap gap-2 py-2" role="group" aria-label={t`Channel`}>
          {channels.map(({ name }, i) => (
            <Cap key={name} aria-pressed={i === at} onClick={() => onChannel(i)}>
              {name}
            </Cap>
          ))}
        </div>
      )}
      {channel.warnings.map((warning) => (
        <p key={warning} role="alert" className="my-2 rounded-lg border border-plum px-3 py-2 text-sm text-plum">
          {say(warning)}
        </p>
      ))}
      {otherCount && (
        <div className="my-2 rounded-lg border border-plum px-3 py-2 text-sm text-plum">
          <p>{jt`The ring repeats itself every ${signaturePulses} pulses; the set-up says ${setUp}. A wrong ring, or a wrong set-up.`}</p>
          <Cap className="mt-1" onClick={() => onCount(signaturePulses)}>{t`set ${signaturePulses} pulses a turn`}</Cap>
        </div>
      )}
      {channel.countFrom === "signature" && setUp !== null && !otherCount && (
        <div className="my-2 rounded-lg border border-rule px-3 py-2 text-sm text-muted">
          <p>{jt`The ring repeats itself every ${setUp} pulses; the set-up does not say how many there are.`}</p>
          <Cap className="mt-1" onClick={() => onCount(setUp)}>{t`set ${setUp} pulses a turn`}</Cap>
        </div>
      )}
      <ol>
        {channel.findings.map((finding, i) => (
          <li key={finding.code + finding.startS} className="border-b border-rule py-2">
            <div className="flex items-baseline justify-between gap-3">
              <b>
                {findingKind(finding.code).title()}
                {finding.tooth && t` · tooth ${finding.tooth}`}
              </b>
              <span className="font-mono whitespace-nowrap">{Math.round(finding.confidence * 100)} %</span>
            </div>
            <p className="text-sm text-muted">
              <WithTerms>{say(findingSays(finding))}</WithTerms>
            </p>
            <button type="button" className="min-h-8 text-sm underline" onClick={() => onShow(i)}>{t`show me`}</button>
          </li>
        ))}
        {channel.beside && <li className="border-b border-rule py-2">{besideWords(channel.beside)}</li>}
        {channel.findings.length === 0 && (isMeasure(channel) || channel.isSupply) && (
          <li className="border-b border-rule py-2 text-verdigris">
            {channel.isSupply
              ? t`✓ The supply stands all the time.`
              : otherCount
                ? t`Nothing else wrong found in this recording.`
                : t`✓ Nothing wrong found in this recording.`}
          </li>
        )}
        {channel.frames && (
          <li className="border-b border-rule py-2">
            <b>{t`Three-level protocol: ${channel.frames.length} messages`}</b>
            <p className="font-mono text-sm break-all text-muted">
              {channel.frames
                .slice(0, 6)
                .map(({ bits }) => bits)
                .join(" · ")}
            </p>
          </li>
        )}
        {channel.widths && (
          <li className="border-b border-rule py-2">
            <b>{t`Width-coded pulses`}</b>
            <p className="font-mono text-sm text-muted">
              {channel.widths.map(({ us, count }) => t`${Math.round(us)} µs × ${count}`).join(" · ")}
            </p>
          </li>
        )}
        {channel.signal === "two-level" && channel.inVolts && (
          <li className="border-b border-rule py-2">
            <b>{t`Levels ${channel.levels.lowV.toFixed(2)} / ${channel.levels.highV.toFixed(2)} V`}</b>
          </li>
        )}
      </ol>
      {!logged && <ClippedOn job={job} channels={channels} clipped={clipped} />}
      {logged ? (
        <p className="pt-3 text-sm text-verdigris">{t`✓ Result used.`}</p>
      ) : clipped.used.length === 0 ? (
        <p className="pt-3 text-sm text-muted">
          {!isOfCorner(channel.name, job.setup.corner)
            ? t`This is another wheel's: what it shows is used at its own corner.`
            : channel.isSupply
              ? t`This is the supply: what the recording says of the car is used from the signal's channel.`
              : clipped.places[at] === null && isUsableAt(job.setup.corner, channel)
                ? t`Not used: say where its probe was.`
                : channel.undecided
                  ? t`Nothing to use yet: this recording clears nothing and condemns nothing.`
                  : t`Every pulse is there, but sizes were not measured: record in volts before this clears anything.`}
        </p>
      ) : (
        <Cap legend="Enter" lead className="mt-3 w-full" onClick={onWeigh}>
          {wordsOfUse(clipped.used)}
        </Cap>
      )}
    </section>
  );
}
