"use client";
import { ratioField } from "@/core/complaint/ratio";
import { meantWords, ratioTable } from "@/core/complaint/ratio-table";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";
import { NumberInput } from "../keys/number-input";
import { useSettings } from "./use-settings";

/** How much each answer of the complaint is believed: every number, with the usual one beside it. */
export function RatiosPanel() {
  const { settings, change } = useSettings();
  const own = settings.ratios ?? {};
  const set = (name: string, usual: number, value: number) => {
    const rest = Object.fromEntries(Object.entries(own).filter(([one]) => one !== name));
    const next = value === usual ? rest : { ...rest, [name]: value };
    change({ ratios: Object.keys(next).length > 0 ? next : undefined });
  };
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`What the complaint counts for`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`What the complaint counts for`}</h2>
      <p className="pt-2 text-sm text-muted">{t`How many times likelier each answer is on such a fault than on an average one; 1 says nothing. All of them are judgement, no source. New jobs use them; jobs already begun keep theirs.`}</p>
      <details className="pt-2">
        <summary className="min-h-11 cursor-pointer content-center underline">{t`show all numbers`}</summary>
        <table className="w-full text-sm">
          <thead>
            <tr className="border-b border-rule text-left text-muted">
              <th className="py-1 font-normal">{t`answer`}</th>
              <th className="font-normal">{t`on a fault that is`}</th>
              <th className="text-right font-normal">{t`times`}</th>
            </tr>
          </thead>
          <tbody>
            {ratioTable().flatMap(({ answer, entries }) =>
              entries.map(({ name, meant, usual }, i) => (
                <tr key={name} className="border-b border-rule">
                  <td className="py-1 pr-2 align-top">{i === 0 ? answer : ""}</td>
                  <td className="pr-2 align-top">{meant.length ? meant.map(meantWords).join(", ") : t`any other`}</td>
                  <td className="text-right">
                    <NumberInput
                      field={`settings/ratios/${name}`}
                      of={ratioField}
                      value={own[name] ?? usual}
                      aria-label={`${answer}, ${meant.map(meantWords).join(", ") || t`any other`}`}
                      className={`min-h-11 w-20 rounded-lg border bg-paper px-2 text-right font-mono ${own[name] === undefined ? "border-rule" : "border-marigold"}`}
                      onTake={(value) => set(name, usual, value)}
                    />
                  </td>
                </tr>
              )),
            )}
          </tbody>
        </table>
      </details>
      <Cap
        className="mt-3"
        disabled={!settings.ratios}
        onClick={() => change({ ratios: undefined })}
      >{t`back to the usual`}</Cap>
    </section>
  );
}
