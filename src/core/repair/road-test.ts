/** What is seen on the road before the car goes back (the order of the trade). */
export const ROAD_TEST: readonly string[] = [
  "codes cleared with the scan tool",
  "lamp out, drive of at least half a kilometre",
  "all four speeds clean at every speed",
  "stops from low speed on dry ground: no buzz",
];
