import { errorWords } from "../../core/words/error-words";
import type { Capture, Channel } from "@/core/capture/capture";
import { t } from "@/core/words/words";
import type { LiveSource } from "../live-source";
import { introduced } from "../wire/introduced";
import type { BytePort } from "../wire/port";
import { scpiNumber } from "../wire/scpi";
import { Talk } from "../wire/talk";
import { samplesOf } from "./samples-of";
import { channelsOf, type ScopeDialect } from "./scope-dialect";

/** Between one screen and the next, in milliseconds, so that its knobs stay usable. */
const REST_MS = 200;
/** A screen may take so long to fill: ten divisions of five seconds. */
const ACQUIRED_MS = 60_000;

/**
 * An oscilloscope that hands out its screens by SCPI, one after another: each is asked for, and shown until the next.
 * @throws Error with a sentence where nothing answers, or its first screen cannot be read
 */
export async function scpiScope(port: BytePort, dialect: ScopeDialect): Promise<LiveSource> {
  const talk = new Talk(port);
  const began = performance.now();
  let stopped = false;
  let name: string;
  const source = {
    name: "",
    channels: channelsOf(dialect) as readonly string[],
    perUnit: Infinity,
    simulated: false,
    isScreens: true,
    lostS: 0,
    ended: null as string | null,
    waiting: null as string | null,
    // A screen is whole, however long: a part of it would be another recording.
    last: (): Capture | null => screen,
    stop() {
      stopped = true;
      void port.close();
    },
  };
  let screen: Capture | null = null;
  const fetch = async () => {
    const fetched = await screenOf(talk, dialect, name, (say) => (source.waiting = say));
    const endS = (performance.now() - began) / 1000;
    screen = { ...fetched, startS: endS - lengthOf(fetched) * fetched.sampleS };
    source.waiting = null;
  };
  try {
    name = await introduced(talk, dialect, t`oscilloscope`);
    source.name = name;
    if (dialect.format) await talk.tell(dialect.format);
    await fetch();
  } catch (error) {
    await port.close();
    throw error;
  }
  void (async () => {
    while (!stopped) {
      await new Promise((resolve) => setTimeout(resolve, REST_MS));
      try {
        if (!stopped) await fetch();
      } catch (error) {
        if (!stopped) source.ended = errorWords(error);
        return;
      }
    }
  })();
  return source;
}

function lengthOf({ channels }: Capture): number {
  return channels[0]!.samples.length;
}

/** @throws Error with a sentence for an answer that cannot be read */
async function screenOf(
  talk: Talk,
  dialect: ScopeDialect,
  name: string,
  told: (say: string) => void,
): Promise<Omit<Capture, "startS"> & { startS: 0 }> {
  if (dialect.acquire) {
    told(t`The oscilloscope is taking a screen…`);
    if (dialect.acquire.includes("?")) await answered(talk.ask(dialect.acquire, ACQUIRED_MS));
    else await talk.tell(dialect.acquire);
  }
  const channels: Channel[] = [];
  for (const called of channelsOf(dialect)) {
    const asked = (text: string) => text.replaceAll("{channel}", called);
    const data = await answered(
      talk.askData(asked(dialect.data), ({ came, of }) =>
        told(of === null ? t`${came} bytes so far` : t`${came} of ${of} bytes of ${called}`),
      ),
    );
    const raw = samplesOf(data, dialect.encoding, dialect.lowByteFirst);
    if (!raw)
      throw new Error(
        t`What came for ${called} is no recording. Set under its commands how samples are written, and in which order of bytes.`,
      );
    const scale = await numberOf(talk, asked(dialect.scale));
    const zero = (await numberOf(talk, asked(dialect.offset))) ?? 0;
    channels.push({
      name: called,
      unit: "V",
      ...(scale === null && isCounted(dialect) ? { scale: "unknown" as const } : {}),
      samples: scale === null && zero === 0 ? raw : raw.map((value) => (value - zero) * (scale ?? 1)),
    });
  }
  if (channels.length === 0) throw new Error(t`No channel is named: put one under its commands, such as CH1.`);
  const sampleS = await numberOf(talk, dialect.interval);
  if (sampleS === null || !(sampleS > 0) || !Number.isFinite(sampleS))
    throw new Error(
      t`It does not say the time from sample to sample. Put that under its commands, in seconds: 1e-4 for 10,000 a second.`,
    );
  const shortest = Math.min(...channels.map(({ samples }) => samples.length));
  return {
    name,
    sampleS,
    startS: 0,
    channels: channels.map((one) => ({ ...one, samples: one.samples.subarray(0, shortest) })),
  };
}

/** A number written into the dialect itself, or asked for by it; null where there is none. */
async function numberOf(talk: Talk, text: string): Promise<number | null> {
  if (text === "") return null;
  if (!text.includes("?")) return scpiNumber(text);
  return scpiNumber(await answered(talk.ask(text)));
}

function isCounted({ encoding }: ScopeDialect): boolean {
  return encoding !== "ascii" && !encoding.startsWith("real");
}

async function answered<T>(answer: Promise<T>): Promise<T> {
  return answer.catch((error: unknown) => {
    throw new Error(
      error instanceof RangeError
        ? t`What came says it is longer than any screen. Is the speed (baud) the same on both?`
        : t`The oscilloscope no longer answers: unplugged, switched off, or one of its commands is not known to it.`,
      { cause: error },
    );
  });
}
