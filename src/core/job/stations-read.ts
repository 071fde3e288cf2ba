import type { StationId } from "../circuit/setup";
import type { Job } from "./schema";

/** Every connector the log names, whether it is still on the path or not: its name is not given to another. */
export function stationsRead({ entries }: Pick<Job, "entries">): Set<StationId> {
  const named = entries.flatMap((entry) => {
    if (!("reading" in entry)) return [];
    const { red, black, point, look, state } = entry.reading;
    return [red, black, point, look, ...state.unplugged].map((text) => /\bc[1-9]\d?\b/.exec(text ?? "")?.[0]);
  });
  return new Set(named.filter((one): one is StationId => one !== undefined));
}
