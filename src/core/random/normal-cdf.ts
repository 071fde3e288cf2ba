/** Normal distribution function by the logistic-cubic fit of Page (Applied Statistics 26, 1977), error under 1.5e-4. */
export function normalCdf(z: number): number {
  const y = 0.7988 * z * (1 + 0.04417 * z * z);
  return y > 30 ? 1 : y < -30 ? 0 : 1 / (1 + Math.exp(-2 * y));
}
