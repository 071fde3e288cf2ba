import { errorWords } from "../core/words/error-words";
import { Patience } from "./patience";

type Shelf = Pick<LocalForage, "getItem" | "setItem" | "removeItem" | "iterate" | "keys" | "length">;

/** A store silent for longer than this hangs: one record is read in milliseconds, a large capture written in seconds. */
const LONGEST_READ_MS = 8000;
const LONGEST_WRITE_MS = 60_000;

/** All places are in one store: where one hangs, none is waited for. */
const patience = new Patience();

let nothingKept: string | null = null;

/** Why this browser keeps nothing at all, in its own words: all is held while the page is open. Null where it keeps, or was not asked yet. */
export function whyNothingKept(): string | null {
  return nothingKept;
}

/** What a shelf is where the browser has none: a list, gone with the page. */
function heldShelf(): Shelf {
  const held = new Map<string, unknown>();
  return {
    getItem: async <T>(key: string) => structuredClone(held.get(key) ?? null) as T | null,
    setItem: async <T>(key: string, value: T) => {
      held.set(key, structuredClone(value));
      return value;
    },
    removeItem: async (key) => void held.delete(key),
    iterate: async <T, U>(each: (value: T, key: string, place: number) => U) => {
      let place = 0;
      for (const [key, value] of held) {
        const result = each(structuredClone(value) as T, key, ++place);
        if (result !== undefined) return result;
      }
      return undefined as U;
    },
    keys: async () => [...held.keys()],
    length: async () => held.size,
  };
}

/**
 * Pages and workers that each make a place at the same moment close the store to each other in the middle of it: they take
 * turns. One that hangs lets the others go on all the same.
 */
async function oneAtATime(open: () => Promise<void>): Promise<void> {
  if (typeof navigator === "undefined" || !("locks" in navigator)) return open();
  let opened: Promise<void> = Promise.resolve();
  await navigator.locks.request("tastatura-store", () => {
    opened = open();
    // Why it failed is told to whoever opened it, below.
    return Promise.race([opened, new Promise((go) => setTimeout(go, LONGEST_TURN_MS))]).catch(() => undefined);
  });
  return opened;
}

const LONGEST_TURN_MS = 3000;

/**
 * One named place in the browser's store, opened when first used: the package behind it is no part of the first view. A
 * store that does not answer rejects like one that refuses, so that the screen can say so.
 */
export function shelf(storeName: string): Shelf {
  let opened: Promise<Shelf> | null = null;
  const open = (localforage: LocalForage) =>
    (opened ??= (async () => {
      const store = localforage.createInstance({ name: "tastatura", storeName });
      try {
        await oneAtATime(() => store.ready());
        return store;
      } catch (error) {
        nothingKept = errorWords(error);
        return heldShelf();
      }
    })());
  const ask = async <T>(question: (store: Shelf, heard: () => void) => Promise<T>, withinMs: number) => {
    // A slow line is no store that hangs.
    const { default: localforage } = await import("localforage");
    return patience.answered((heard) => open(localforage).then((store) => question(store, heard)), withinMs);
  };
  return {
    getItem: <T>(key: string) => ask((store) => store.getItem<T>(key), LONGEST_READ_MS),
    setItem: <T>(key: string, value: T) => ask((store) => store.setItem(key, value), LONGEST_WRITE_MS),
    removeItem: (key) => ask((store) => store.removeItem(key), LONGEST_READ_MS),
    iterate: <T, U>(each: (value: T, key: string, place: number) => U) =>
      ask(
        (store, heard) =>
          store.iterate<T, U>((value, key, place) => {
            heard();
            return each(value, key, place);
          }),
        LONGEST_READ_MS,
      ),
    keys: () => ask((store) => store.keys(), LONGEST_READ_MS),
    length: () => ask((store) => store.length(), LONGEST_READ_MS),
  };
}
