/** Tongues there is a catalogue of (src/words). */
export const languages = ["en", "de"] as const;
export type Language = (typeof languages)[number];

/**
 * The language a visitor is shown: the one chosen, else the first of the browser's own that there is a catalogue of, else
 * English.
 * @param chosen as the settings keep it
 * @param accepted tags in order of liking, as browsers send and tell them: `de-AT,de;q=0.9,en;q=0.8`
 */
export function languageWanted(chosen: string | undefined, accepted: string | null): Language {
  const known = (tag: string | undefined) => languages.find((one) => one === tag);
  const liked = (accepted ?? "").split(",").map((one) => known(one.trim().slice(0, 2).toLowerCase()));
  return known(chosen) ?? liked.find((one) => one !== undefined) ?? "en";
}
