import { t } from "../words/words";
/** What is seen on the road before the car goes back (the order of the trade). */
export const ROAD_TEST: () => readonly string[] = () => [
  t`codes cleared with the scan tool`,
  t`lamp out, drive of at least half a kilometre`,
  t`all four speeds clean at every speed`,
  t`stops from low speed on dry ground: no buzz`,
];
