import { hush, speak, type Catalogue } from "../words/tongue";

/** Has this worker make its sentences in a language from here on; English when there is no catalogue of it. */
export async function speakIn(tag: string): Promise<void> {
  if (tag === "en") return hush();
  const answer = await fetch(`/words/${tag}.json`);
  if (answer.ok) speak((await answer.json()) as Catalogue);
  else hush();
}
