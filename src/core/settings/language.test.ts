import { expect, it } from "vitest";
import { languageWanted } from "./language";

it.each([
  ["de", "en-GB,en", "de", "chosen before what the browser likes"],
  [undefined, "de-AT,de;q=0.9,en;q=0.8", "de", "the first the browser likes"],
  [undefined, "fr-FR,fr;q=0.9,de;q=0.5", "de", "the first of those there is a catalogue of"],
  [undefined, "pl-PL,pl", "en", "English where there is none"],
  ["xx", null, "en", "English for what is no language of ours"],
  ["", "DE-de", "de", "tags in capitals"],
] as const)("%s, %s: %s, %s", (chosen, accepted, language, why) => {
  expect(languageWanted(chosen, accepted), why).toBe(language);
});
