import { scopeAnswers } from "@/core/checks/scope-answers";
import { gettext, t } from "@/core/words/words";
import { useState } from "react";
import { searchLibrary, type LibraryItem } from "@/core/library/library";
import { Cap } from "../keys/cap";
import { formatCompared, type Compared } from "@/core/waveform/compare";

const ALIKE = { sign: "✓", look: "text-verdigris" };
const DIFFERENT = { sign: "≠", look: "text-brick" };
const UNTOLD = { sign: "–", look: "text-muted" };

/** This recording against another: of the same job (other side, before, after), or kept in the library. */
export function ComparePanel({
  others,
  library,
  compared,
  onCompare,
  onTighten,
}: {
  others: readonly { id: string; name: string }[];
  library: readonly LibraryItem[];
  compared: { name: string; rows: readonly Compared[] } | null;
  onCompare: (id: string) => void;
  /** Narrows this job's tolerances by the known-good being compared; null when it tells nothing for this car. */
  onTighten: (() => void) | null;
}) {
  const [query, setQuery] = useState("");
  return (
    <section
      className="grid gap-x-6 rounded-2xl border border-rule bg-card p-4 lg:col-span-2 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)]"
      aria-label={t`Compare`}
    >
      <div>
        <h2 className="text-sm font-semibold text-muted">{t`Against another recording`}</h2>
        {library.length > 0 && (
          <input
            type="search"
            aria-label={t`Search the library`}
            placeholder={t`search the library: model, good, bad, finding`}
            className="mt-2 min-h-11 w-full rounded-lg border border-rule bg-paper px-3"
            value={query}
            onChange={(event) => setQuery(event.target.value)}
          />
        )}
        <select
          aria-label={t`Recording to compare with`}
          className="mt-2 min-h-12 w-full rounded-lg border border-rule bg-paper px-3"
          defaultValue=""
          onChange={(event) => event.target.value && onCompare(event.target.value)}
        >
          <option value="">{t`choose…`}</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
          {searchLibrary(library, query).map(({ captureId, model, kind, finding, simulated }) => (
            <option key={captureId} value={captureId}>
              {kind === "known-good" ? t`known-good` : t`known-bad`}: {gettext(model)},{" "}
              {scopeAnswers().say[finding] ?? finding}
              {simulated ? t` (simulated)` : ""}
            </option>
          ))}
        </select>
        {onTighten && (
          <Cap className="mt-2 w-full" onClick={onTighten}>{t`tighten this job's ranges by this known-good`}</Cap>
        )}
      </div>
      {compared && (
        <table className="mt-2 w-full self-start text-sm">
          <thead>
            <tr className="text-left text-muted">
              <th className="font-normal">{t`measure`}</th>
              <th className="pl-3 text-right font-normal">{t`that`}</th>
              <th className="pl-3 text-right font-normal">{t`this`}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {compared.rows.map((row) => {
              const { before, after } = formatCompared(row);
              const { sign, look } = row.agrees === null ? UNTOLD : row.agrees ? ALIKE : DIFFERENT;
              return (
                <tr key={row.what} className="border-t border-rule">
                  <td className="py-1">{row.what}</td>
                  <td className="pl-3 text-right font-mono whitespace-nowrap">{before}</td>
                  <td className="pl-3 text-right font-mono whitespace-nowrap">{after}</td>
                  <td className={`pl-3 ${look}`}>
                    {sign} {row.say}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}
