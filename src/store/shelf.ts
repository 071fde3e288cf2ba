import { answered } from "./answered";

type Shelf = Pick<LocalForage, "getItem" | "setItem" | "removeItem" | "iterate" | "keys" | "length">;

/** A store that takes longer than this hangs: one record is read in milliseconds, a large capture written in seconds. */
const LONGEST_READ_MS = 15_000;
const LONGEST_WRITE_MS = 60_000;

/**
 * One named place in the browser's store, opened when first used: the package behind it is no part of the first view. A
 * store that does not answer rejects like one that refuses, so that the screen can say so.
 */
export function shelf(storeName: string): Shelf {
  let opened: Promise<LocalForage> | null = null;
  const open = () =>
    (opened ??= import("localforage").then(({ default: localforage }) =>
      localforage.createInstance({ name: "tastatura", storeName }),
    ));
  const ask = <T>(question: (store: LocalForage) => Promise<T>, withinMs: number) =>
    answered(open().then(question), withinMs);
  return {
    getItem: <T>(key: string) => ask((store) => store.getItem<T>(key), LONGEST_READ_MS),
    setItem: <T>(key: string, value: T) => ask((store) => store.setItem(key, value), LONGEST_WRITE_MS),
    removeItem: (key) => ask((store) => store.removeItem(key), LONGEST_READ_MS),
    iterate: <T, U>(each: (value: T, key: string, place: number) => U) =>
      ask((store) => store.iterate<T, U>(each), LONGEST_WRITE_MS),
    keys: () => ask((store) => store.keys(), LONGEST_READ_MS),
    length: () => ask((store) => store.length(), LONGEST_READ_MS),
  };
}
