"use client";
import { useEffect, useRef } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { Instrument } from "@/core/checks/instruments";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";
import { followMeter } from "./follow";
import { joinedMeter, leaveMeter, subscribe, turnMeterTo, useJoinedMeter } from "./joined-meter";

/** What the joined meter shows, live beside the needle. */
export function MeterBar({
  hookupId,
  instrument,
  toggles,
  typed,
  onType,
  onLog,
}: {
  /** Another hook-up is another reading: the ends seen so far are forgotten. */
  hookupId: string;
  instrument: Instrument;
  /** The reading may be two levels: the ends seen can be taken. */
  toggles: boolean;
  typed: string;
  onType: (text: string) => void;
  onLog: () => void;
}) {
  const joined = useJoinedMeter();
  const follow = useRef(followMeter());
  const newest = useRef({ typed, onType });
  useEffect(() => {
    newest.current = { typed, onType };
  });
  const meter = joined?.meter;
  useEffect(() => {
    follow.current = followMeter();
    void turnMeterTo(instrument);
  }, [meter, hookupId, instrument]);
  useEffect(
    () =>
      subscribe(() => {
        const now = joinedMeter();
        // Unplugged, the last it showed may still be logged; set to something else, it may not.
        if (!now || now.trouble?.kind === "gone") return;
        const next = follow.current.next(newest.current.typed, now.shown?.text ?? null);
        if (next !== null) newest.current.onType(next);
      }),
    [],
  );
  const { shown = null, trouble = null, least = null, greatest = null, setByWire = false } = joined ?? {};
  const both = toggles && least && greatest && least.text !== greatest.text ? `${least.text} / ${greatest.text}` : null;
  const takeBoth = () => both && onType(both);
  useHotkeys("m", () => (both ? takeBoth() : shown && onType(shown.text)), { enabled: joined !== null });
  // With both hands at the probes one key is enough, wherever the cursor is; a button with the focus keeps it.
  useHotkeys("enter", () => !(document.activeElement instanceof HTMLButtonElement) && onLog(), {
    enabled: joined !== null,
  });
  if (!joined) return null;
  return (
    <section
      aria-label={t`Meter`}
      className={`mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 rounded-xl border px-3 py-1 ${joined.meter.simulated ? "border-plum" : "border-rule"}`}
    >
      <span className="text-sm text-muted">{joined.meter.name}</span>
      <output className="min-w-36 text-right font-mono text-2xl" aria-live="off">
        {shown?.text ?? "– – –"}
      </output>
      {both && <Cap legend="M" onClick={takeBoth}>{t`take both: ${both}`}</Cap>}
      {trouble ? (
        <span role="alert" className="text-sm text-brick">
          {trouble.kind === "line" ? t`Not understood: “${trouble.say.slice(0, 60)}”` : trouble.say}
        </span>
      ) : (
        !setByWire && <span className="text-sm text-muted">{t`Set it at its knob.`}</span>
      )}
      <button
        type="button"
        className="ml-auto min-h-11 text-sm underline"
        onClick={() => void leaveMeter()}
      >{t`disconnect the meter`}</button>
    </section>
  );
}
