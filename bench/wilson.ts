/** A share with its 95 % interval (E. B. Wilson, Journal of the American Statistical Association 22, 1927), in per cent. */
export function shareWithInterval(right: number, count: number): string {
  if (count === 0) return "none";
  const [low, high] = wilson(right, count);
  const percent = (share: number) => (100 * share).toFixed(1);
  return `${percent(right / count)} % (${right} of ${count}; 95 %: ${percent(low)}–${percent(high)})`;
}

export function wilson(right: number, count: number, z = 1.96): [low: number, high: number] {
  const share = right / count;
  const middle = share + (z * z) / (2 * count);
  const reach = z * Math.sqrt((share * (1 - share)) / count + (z * z) / (4 * count * count));
  const whole = 1 + (z * z) / count;
  return [Math.max(0, (middle - reach) / whole), Math.min(1, (middle + reach) / whole)];
}
