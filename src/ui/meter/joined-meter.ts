"use client";
import { useSyncExternalStore } from "react";
import { instrumentWords, quantityOf, type Instrument } from "@/core/checks/instruments";
import { parseReading } from "@/core/units/reading";
import { t } from "@/core/words/words";
import type { Heard, Meter } from "@/instruments/meter/meter";

/** What the meter shows, as typed, with its value where it is a number of what the check reads. */
export interface Shown {
  text: string;
  value: number | null;
}

/** The meter that is joined, what it said last, and the ends of what it has shown on this hook-up. */
export interface Joined {
  meter: Meter;
  /** What the check at hand reads, and whether the meter was set to it by wire. */
  wanted: Instrument | null;
  setByWire: boolean;
  shown: Shown | null;
  /** Why what came last is no reading of this check, or is none at all. */
  trouble: { kind: "refused" | "line" | "gone" | "set"; say: string } | null;
  /** Readings on end of something else than the check's. */
  astray: number;
  least: Shown | null;
  greatest: Shown | null;
}

/** One meter a page: it stays joined from check to check and from room to room. */
let joined: Joined | null = null;
const listeners = new Set<() => void>();

export function useJoinedMeter(): Joined | null {
  return useSyncExternalStore(subscribe, joinedMeter, () => null);
}

/** @returns how to stop listening */
export function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function joinedMeter(): Joined | null {
  return joined;
}

/** Joins a meter. @param open opens it, with what is to be told of all it says; rejects with a sentence to show */
export async function joinMeter(open: (heard: (one: Heard) => void) => Promise<Meter>): Promise<void> {
  await leaveMeter();
  const meter: Meter = await open((one) => joined && joined.meter === meter && hear(joined, one));
  set({ meter, ...NOTHING_SHOWN });
}

export async function leaveMeter(): Promise<void> {
  const meter = joined?.meter;
  set(null);
  await meter?.close();
}

/** Another hook-up: the meter is set to what it reads, and what was shown before is forgotten. */
export async function turnMeterTo(wanted: Instrument): Promise<void> {
  if (!joined) return;
  const { meter } = joined;
  set({ meter, ...NOTHING_SHOWN, wanted });
  const setByWire = await meter.set(wanted);
  if (joined?.meter === meter) set({ ...joined, setByWire });
}

const NOTHING_SHOWN = {
  wanted: null,
  setByWire: false,
  shown: null,
  trouble: null,
  astray: 0,
  least: null,
  greatest: null,
};
/** The first may have been under way while the meter was turned. */
const ASTRAY_TOLD = 2;

function hear(now: Joined, said: Heard): void {
  if (said.kind === "gone") return set({ ...now, trouble: { kind: "gone", say: said.say } });
  if (said.kind === "line") return set({ ...now, trouble: { kind: "line", say: said.text } });
  if (said.kind === "garbled") return set({ ...now, trouble: { kind: "refused", say: said.say } });
  if (said.instrument && now.wanted && said.instrument !== now.wanted) {
    const astray = now.astray + 1;
    const trouble =
      astray < ASTRAY_TOLD ? now.trouble : { kind: "set" as const, say: setOtherwise(said.instrument, now.wanted) };
    return set({ ...now, shown: null, trouble, astray });
  }
  const quantity = now.wanted === "continuity" ? "ohms" : now.wanted && quantityOf[now.wanted];
  if (!quantity) return set({ ...now, shown: { text: said.text, value: null }, trouble: null });
  const read = parseReading(said.text, quantity);
  if (!read.ok) return set({ ...now, shown: null, trouble: { kind: "refused", say: read.say } });
  const shown: Shown = { text: said.text, value: read.value.kind === "number" ? read.value.value : null };
  const isNumber = shown.value !== null;
  const { least, greatest } = now;
  set({
    ...now,
    shown,
    trouble: null,
    astray: 0,
    least: isNumber && (!least || shown.value! < least.value!) ? shown : least,
    greatest: isNumber && (!greatest || shown.value! > greatest.value!) ? shown : greatest,
  });
}

function setOtherwise(is: Instrument | "other", wanted: Instrument): string {
  if (is === "other")
    return t`The meter is set to something else; this check reads ${instrumentWords[wanted]}. Turn it there.`;
  return t`The meter is set to ${instrumentWords[is]}; this check reads ${instrumentWords[wanted]}. Turn it there.`;
}

function set(next: Joined | null): void {
  joined = next;
  listeners.forEach((tell) => tell());
}
