type Shelf = Pick<LocalForage, "getItem" | "setItem" | "removeItem" | "iterate" | "keys" | "length">;

/** One named place in the browser's store, opened when first used: the package behind it is no part of the first view. */
export function shelf(storeName: string): Shelf {
  let opened: Promise<LocalForage> | null = null;
  const open = () =>
    (opened ??= import("localforage").then(({ default: localforage }) =>
      localforage.createInstance({ name: "tastatura", storeName }),
    ));
  return {
    getItem: async <T>(key: string) => (await open()).getItem<T>(key),
    setItem: async <T>(key: string, value: T) => (await open()).setItem(key, value),
    removeItem: async (key) => (await open()).removeItem(key),
    iterate: async <T, U>(each: (value: T, key: string, place: number) => U) => (await open()).iterate<T, U>(each),
    keys: async () => (await open()).keys(),
    length: async () => (await open()).length(),
  };
}
