"use client";
import clsx from "clsx";
import {
  boardDays,
  boardOrders,
  boardStates,
  type BoardDay,
  type BoardOrder,
  type BoardState,
} from "@/core/board/board";
import { msgid, ngettext, t } from "@/core/words/words";

/** Which jobs of the board are shown, and in which order. */
export interface Chosen {
  sought: string;
  state: BoardState | "all";
  order: BoardOrder;
  /** When it was worked on last; null for ever. */
  day: BoardDay | null;
  /** Who worked on it; null for all. */
  person: string | null;
}

/** What to show of the board, and what is done with all that is shown. */
export function BoardFilters({
  chosen: { sought, state, order, day, person },
  onChoose,
  counts,
  people,
  exported,
  onExport,
  onDeleteDemo,
}: {
  chosen: Chosen;
  onChoose: (parts: Partial<Chosen>) => void;
  counts: (state: BoardState | "all") => number;
  people: readonly string[];
  exported: number;
  onExport: (() => void) | null;
  onDeleteDemo: (() => void) | null;
}) {
  return (
    <div className="mb-3 flex flex-wrap items-center gap-3 text-sm text-muted">
      <label className="flex items-center gap-2">
        {t`Find`}
        <input
          type="search"
          value={sought}
          placeholder={t`car, plate, corner`}
          className="min-h-11 w-56 rounded-lg border border-rule bg-card px-3 text-base text-ink"
          onChange={(event) => onChoose({ sought: event.target.value })}
        />
      </label>
      <div role="group" aria-label={t`Show`} className="flex flex-wrap gap-1">
        {(["all", ...boardStates] as const).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={state === one}
            className={clsx(
              "min-h-11 rounded-full border px-3 text-ink",
              state === one ? "border-marigold bg-marigold-wash font-semibold" : "border-rule bg-card",
            )}
            onClick={() => onChoose({ state: one })}
          >
            {STATE_WORDS[one]()} <span className="tabular-nums text-muted">{counts(one)}</span>
          </button>
        ))}
      </div>
      <label className="flex items-center gap-2">
        {t`Order`}
        <select
          className="min-h-11 rounded-lg border border-rule bg-card px-2 text-base text-ink"
          value={order}
          onChange={(event) => onChoose({ order: event.target.value as BoardOrder })}
        >
          {boardOrders.map((one) => (
            <option key={one} value={one}>
              {ORDER_WORDS[one]()}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2">
        {t`Worked on`}
        <select
          className="min-h-11 rounded-lg border border-rule bg-card px-2 text-base text-ink"
          value={day ?? ""}
          onChange={(event) => onChoose({ day: boardDays.find((one) => one === event.target.value) ?? null })}
        >
          <option value="">{t`any day`}</option>
          {boardDays.map((one) => (
            <option key={one} value={one}>
              {DAY_WORDS[one]()}
            </option>
          ))}
        </select>
      </label>
      {people.length > 0 && (
        <label className="flex items-center gap-2">
          {t`Who`}
          <select
            className="min-h-11 rounded-lg border border-rule bg-card px-2 text-base text-ink"
            value={person ?? ""}
            onChange={(event) => onChoose({ person: event.target.value || null })}
          >
            <option value="">{t`everybody`}</option>
            {people.map((one) => (
              <option key={one} value={one}>
                {one}
              </option>
            ))}
          </select>
        </label>
      )}
      <span className="ml-auto flex gap-4">
        {onExport && (
          <button type="button" className="min-h-11 underline" onClick={onExport}>
            {ngettext(msgid`export ${exported} job`, `export these ${exported} jobs`, exported)}
          </button>
        )}
        {onDeleteDemo && (
          <button type="button" className="min-h-11 underline" onClick={onDeleteDemo}>
            {t`delete the demo's jobs`}
          </button>
        )}
      </span>
    </div>
  );
}

const STATE_WORDS: Record<BoardState | "all", () => string> = {
  all: () => t`on the board`,
  open: () => t`open`,
  waiting: () => t`waiting`,
  proven: () => t`proven`,
  repaired: () => t`repaired`,
  archived: () => t`archived`,
};

const DAY_WORDS: Record<BoardDay, () => string> = {
  today: () => t`today`,
  yesterday: () => t`yesterday`,
  week: () => t`in the last seven days`,
};

const ORDER_WORDS: Record<BoardOrder, () => string> = {
  "worked-on": () => t`worked on last`,
  car: () => t`by car`,
  readings: () => t`most readings`,
};
