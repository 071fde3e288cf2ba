/** How far off a hand meter's display still is, one update after another, as a share of the reading. */
const OFF = [0.4, 0.09, -0.025, 0.006] as const;

/** What a display shows on its way to a reading; nothing on the way to a word or OL. @param shown the settled reading, `11.2 V` */
export function settling(shown: string): string[] {
  const match = /^(-?)(\d+)(?:\.(\d+))?(.*)$/.exec(shown);
  if (!match) return [];
  const [, sign, whole, fraction = "", unit] = match;
  const value = Number(`${whole}.${fraction || "0"}`);
  return OFF.map((off) => `${sign}${(value * (1 + off)).toFixed(fraction.length)}${unit}`);
}
