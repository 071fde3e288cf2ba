import { openDiagnosis } from "../../src/core/bench/diagnose-file";
import type { Part } from "../../src/core/faults/parts/parts";

/** What is expected of a verdict on one story from the bench. */
export interface Story {
  /** What happened, in a line. */
  tells: string;
  corner: object;
  /** The leading part is one of these. */
  leads?: readonly Part[];
  /** It is proven, or nothing is. */
  proven?: Part | "nothing";
  /** Parts that must hold at most, or at least, such a share. */
  most?: Partial<Record<Part, number>>;
  least?: Partial<Record<Part, number>>;
  /** Readings, by number from 0, that say nothing for this corner. */
  unread?: readonly number[];
}

/** What a verdict on a story gets wrong, in words; empty when it is as expected. */
export function wrongIn({ corner, leads, proven, most = {}, least = {}, unread = [] }: Story): string[] {
  const { diagnosing, readings } = openDiagnosis(JSON.stringify(corner), "story.json");
  const unreadHere = readings.flatMap((reading) => diagnosing.read(reading) ?? []);
  const { parts } = diagnosing.ranking();
  const share = (part: string) => parts.find((one) => one.part === part)?.share ?? 0;
  const percent = (part: string) => `${part} ${(100 * share(part)).toFixed(1)} %`;
  const top = parts[0]!;
  const said = parts.find(({ verdict }) => verdict === "proven")?.part ?? "nothing";
  const wrong: string[] = [];
  if (leads && !leads.includes(top.part))
    wrong.push(`${percent(top.part)} leads, not ${leads.map(percent).join(" or ")}`);
  if (proven && said !== proven) wrong.push(`${said} is proven, not ${proven}`);
  for (const [part, limit] of Object.entries(most))
    if (share(part) > limit * (1 + BY_LUCK)) wrong.push(`${percent(part)} is over ${limit}`);
  for (const [part, limit] of Object.entries(least))
    if (share(part) < limit - BY_LUCK * (1 - limit)) wrong.push(`${percent(part)} is under ${limit}`);
  if (unreadHere.map(({ entryId }) => entryId).join() !== unread.join())
    wrong.push(`unread are ${unreadHere.map(({ entryId, say }) => `${entryId}: ${say}`).join("; ") || "none"}`);
  return wrong;
}

/** Another draw of the candidates moves a share by so much of what it or its rest is (`belief/luck.test.ts`). */
const BY_LUCK = 0.15;

const PATH = [
  { station: "module", accessMin: 40 },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1", accessMin: 4 },
  { spanM: 3.4, mm2: 0.5 },
  { station: "plug", accessMin: 7 },
];

/** A corner as a file has it. */
export function corner(family: string, readings: object[], more: object = {}): object {
  return { tastatura: "diagnose/1", corner: "RR", family, path: PATH, readings, ...more };
}

const DEAD = { key: "off", batteryOff: true };
export const still = { key: "on" };
export const creep = { key: "on", wheel: "creep" };
export const hand = { key: "on", wheel: "hand" };

export const volts = (red: string, value: string, state: object = still, black = "battery.negative") => ({
  instrument: "volts-dc",
  red,
  black,
  state,
  value,
});
export const acVolts = (red: string, black: string, value: string, state: object = hand) => ({
  instrument: "volts-ac",
  red,
  black,
  state,
  value,
});
export const hertz = (red: string, value: string, black = "battery.negative") => ({
  instrument: "hertz",
  red,
  black,
  state: hand,
  value,
});
export const ohms = (red: string, black: string, value: string, ...unplugged: string[]) => ({
  instrument: "ohms",
  red,
  black,
  state: { ...DEAD, unplugged },
  value,
});
export const lamp = (red: string, black: string, value: string, ...unplugged: string[]) => ({
  instrument: "lamp",
  red,
  black,
  state: { ...DEAD, unplugged },
  value,
});
export const beep = (red: string, black: string, value: string, ...unplugged: string[]) => ({
  instrument: "continuity",
  red,
  black,
  state: { ...DEAD, unplugged },
  value,
});
export const seen = (instrument: string, look: string, value: string, state: object = { key: "off" }) => ({
  instrument,
  look,
  state,
  value,
});
export const capture = (point: string, finding: string) => ({ instrument: "scope", point, state: hand, finding });
/** The current into the sensor, in series at its plug. */
export const amps = (value: string, state: object = still) => ({
  instrument: "amps-dc",
  red: "plug.in.supply",
  black: "plug.out.supply",
  state,
  value,
});
/** Ohms from a coil's leg to the body, its plug undone. */
export const insulated = (red: string, value: string) => ohms(red, "body", value, "plug");
export const gauge = (look: string, value: string) => seen("gauge", look, value);
