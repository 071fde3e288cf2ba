import { t } from "../words/words";

/** What is seen on the road before the car goes back (the order of the trade): each with the name its tick is kept by. */
export const roadTest: readonly { id: string; words: () => string }[] = [
  { id: "road:codes-cleared", words: () => t`codes cleared with the scan tool` },
  { id: "road:lamp-out", words: () => t`lamp out, drive of at least half a kilometre` },
  { id: "road:four-speeds", words: () => t`all four speeds clean at every speed` },
  { id: "road:no-buzz", words: () => t`stops from low speed on dry ground: no buzz` },
];

/** What puts the lamp out, and what does not (common practice). */
export const howLampsGoOut = () =>
  t`Some lamps go out by themselves within five minutes of driving; others need the scan tool. Taking the battery off seldom clears them.`;

/** Whether the car was driven and its lamp stayed out: without it nothing is called fixed. */
export function isRoadTested(ticked: ReadonlySet<string>): boolean {
  return ticked.has("road:lamp-out");
}

/** A ticked item as it is read: steps of a repair are kept in words, those of the road test by name. */
export function tickWords(item: string): string {
  return roadTest.find(({ id }) => id === item)?.words() ?? item;
}
