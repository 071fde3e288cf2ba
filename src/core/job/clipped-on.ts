import { facePoints, parsePoint, pointText, signalPoint } from "../circuit/point";
import { signalConductors, type CornerSetup } from "../circuit/setup";
import { circuitStateSchema, type CircuitState } from "../circuit/state";
import { pointWords } from "../checks/instruction";
import { scopeAnswers } from "../checks/scope-answers";
import { pointLabel } from "../checks/words";
import { readingFrom } from "../observation/read-observation";
import type { Reading } from "../observation/reading";
import type { Corner } from "../units/corner";
import { isOfCorner } from "../waveform/other-side";
import { isUsable, isUsableAt } from "../waveform/usable";
import { t } from "../words/words";
import { standingReadings } from "./derive";
import type { Job } from "./schema";

/** A channel of a recording, as far as it can be told where its probe was clipped on. */
export interface ClippedChannel {
  name: string;
  /** The word it enters the log with. */
  leading: string;
  inVolts: boolean;
  undecided: boolean;
  isSupply: boolean;
  speedKmh: { median: number } | null;
}

/** A place a recorder's probe may have been on, as written in files and as it is said. */
export interface ProbePlace {
  point: string;
  say: string;
}

/** No wheel is turned faster by hand (common practice, no source: some three turns a second). */
const FASTEST_BY_HAND_KMH = 25;

/** Where a probe that shows the signal may be: both faces of every plug, on the wire that carries it, or may. */
export function probePlaces(setup: CornerSetup): ProbePlace[] {
  const wires = signalConductors(setup);
  return facePoints(setup).flatMap((point) => {
    const parsed = parsePoint(point, setup);
    const isSignal = parsed.ok && parsed.point.at === "face" && wires.includes(parsed.point.conductor);
    return isSignal ? [{ point, say: pointWords(parsed.point, setup) }] : [];
  });
}

/**
 * Where each channel was: as told, else by its name, else for the channel looked at where the job's last recording was
 * made, else at the sensor plug, unless another one was there. Null for one that nothing is known of: it is not used.
 * @param shown the channel looked at @param told by channel, null where it was told that it is not used
 */
export function placesOf(
  job: Pick<Job, "setup" | "entries">,
  channels: readonly ClippedChannel[],
  shown: number,
  told: ReadonlyMap<number, string | null> = new Map(),
): (string | null)[] {
  const { setup } = job;
  const known = channels.map((channel, i) => {
    if (!isOfCorner(channel.name, setup.corner) || channel.isSupply) return null;
    return told.has(i) ? told.get(i)! : namedPlace(channel.name, setup);
  });
  const one = channels[shown];
  const isOpen = one && isOfCorner(one.name, setup.corner) && !one.isSupply && !told.has(shown);
  if (!isOpen || known[shown] !== null) return known;
  const last = lastPlace(job);
  return known.includes(last) ? known : known.with(shown, last);
}

/**
 * What a recording says of the car, channel by channel. Where more than one is used they were read at one time, while the
 * same things happened, and are named after their recording.
 * @param places of each channel; null for one that is not used
 * @param watched whether it is a moment that a watch caught
 */
export function recordingReadings(
  setup: CornerSetup,
  channels: readonly ClippedChannel[],
  places: readonly (string | null)[],
  { id, watched = false }: { id: string; watched?: boolean },
): Reading[] {
  const used = usedChannels(setup.corner, channels, places);
  const moved = recordedState(used, watched);
  const state = used.length > 1 ? { ...moved, recording: id } : moved;
  return used.map(({ leading, place }) => {
    const parsed = place === null ? null : parsePoint(place, setup);
    const red = parsed?.ok ? parsed.point : signalPoint(setup, "plug");
    return readingFrom({ instrument: "scope", red, state }, leading);
  });
}

/** The channels that are used: those whose place is told; a supply that dips, where it stands alone, tells of the signal. */
export function usedChannels<C extends ClippedChannel>(
  corner: Corner,
  channels: readonly C[],
  places: readonly (string | null)[],
): (C & { place: string | null })[] {
  const placed = channels.flatMap((channel, i) =>
    places[i] != null && isUsableAt(corner, channel) ? [{ ...channel, place: places[i] }] : [],
  );
  if (placed.length > 0) return placed;
  return channels
    .filter((channel) => channel.isSupply && isUsable(channel))
    .slice(0, 1)
    .map((channel) => ({ ...channel, place: null }));
}

/** How the wheel moved in a recording: by hand, or driven where no hand turns it as fast. */
export function recordedState(channels: readonly Pick<ClippedChannel, "speedKmh">[], watched = false): CircuitState {
  const kmh = Math.max(0, ...channels.map(({ speedKmh }) => speedKmh?.median ?? 0));
  const driven = kmh > FASTEST_BY_HAND_KMH;
  return circuitStateSchema.parse({
    wheel: driven ? "driven" : "hand",
    speedKmh: driven ? Math.min(300, Math.round(kmh)) : 7,
    ...(watched ? { watched: true } : {}),
  });
}

/** What using a recording says of the car. */
export function wordsOfUse(used: readonly Pick<ClippedChannel, "name" | "leading">[]): string {
  const { say, short } = scopeAnswers();
  if (used.length > 1) {
    const all = used.map(({ name, leading }) => `${name}: ${short[leading] ?? leading}`).join(" · ");
    return t`Use as one recording: ${all}`;
  }
  const leading = used[0]?.leading ?? "";
  const said = say[leading] ?? leading;
  return leading === "flat" ? t`The wheel was turned: use “${said}”` : t`Use this result: ${said}`;
}

function namedPlace(name: string, setup: CornerSetup): string | null {
  const same = facePoints(setup).find((point) => {
    const parsed = parsePoint(point, setup);
    return parsed.ok && [point, pointLabel(parsed.point), pointWords(parsed.point, setup)].includes(name);
  });
  return same ?? null;
}

function lastPlace(job: Pick<Job, "setup" | "entries">): string {
  const last = standingReadings(job).findLast((entry) => entry.kind === "capture" && entry.reading.point !== undefined);
  const parsed = last?.reading.point === undefined ? null : parsePoint(last.reading.point, job.setup);
  return parsed?.ok && parsed.point.at === "face" ? pointText(parsed.point) : pointText(signalPoint(job.setup, "plug"));
}
