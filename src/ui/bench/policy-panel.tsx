import { t } from "@/core/words/words";
import { approaches, approachWords } from "@/core/complaint/policy";
import { tools, toolWords, type Tool } from "@/core/checks/tools";
import type { Job } from "@/core/job/schema";
import type { ChangeJob } from "../jobs/use-job";
import { Cap } from "../keys/cap";

/** The school followed on this job, and the rule on piercing; both reach the same verdict. */
export function PolicyPanel({ job, change }: { job: Job; change: ChangeJob }) {
  const set = (parts: Partial<Job["policy"]>) =>
    change((newest) => ({ ...newest, policy: { ...newest.policy, ...parts } }));
  const atHand = job.policy.tools ?? tools;
  const twoChannels = job.policy.channels === 2;
  const toggled = (tool: Tool) => tools.filter((one) => (one === tool) !== atHand.includes(one));
  return (
    <details className="rounded-2xl border border-rule bg-card px-4 py-2">
      <summary className="min-h-8 cursor-pointer text-sm">
        <b className="font-semibold text-muted">{t`How to go about it:`}</b> {approachWords[job.policy.approach]},{" "}
        {job.policy.pierce ? t`piercing allowed` : t`no piercing`}
        {atHand.length < tools.length
          ? `, ${t`without ${tools
              .filter((tool) => !atHand.includes(tool))
              .map(toolWords)
              .join(", ")}`}`
          : ""}
      </summary>
      <div className="flex flex-wrap gap-2 py-2">
        {approaches.map((id) => (
          <Cap key={id} aria-pressed={job.policy.approach === id} onClick={() => set({ approach: id })}>
            {approachWords[id]}
          </Cap>
        ))}
        <Cap aria-pressed={job.policy.pierce} onClick={() => set({ pierce: !job.policy.pierce })}>
          {job.policy.pierce ? t`✓ may pierce, sealed` : t`may pierce, sealed`}
        </Cap>
      </div>
      <div className="flex flex-wrap items-center gap-2 py-2" role="group" aria-label={t`Tools at hand`}>
        <span className="text-sm text-muted">{t`Tools at hand:`}</span>
        {tools.map((tool) => (
          <Cap key={tool} aria-pressed={atHand.includes(tool)} onClick={() => set({ tools: toggled(tool) })}>
            {atHand.includes(tool) ? `✓ ${toolWords(tool)}` : toolWords(tool)}
          </Cap>
        ))}
        <Cap aria-pressed={twoChannels} onClick={() => set({ channels: twoChannels ? 1 : 2 })}>
          {twoChannels ? t`✓ second meter or channel` : t`second meter or channel`}
        </Cap>
      </div>
    </details>
  );
}
