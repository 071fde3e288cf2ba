import { describe, expect, it } from "vitest";
import { findPulses, rhythmOf, type Pulse } from "./pulses";
import { signalShape } from "./signal";
import { evenPeriods } from "./ring-speed";

const N = 44;
/** Teeth of uneven pitch, up to a tenth off; one turn is N pitches all the same. */
const pitches = Array.from({ length: N }, (_, i) => 1 + 0.1 * Math.sin(7 * i) * Math.cos(3 * i));
const share = pitches.map((pitch) => (pitch * N) / pitches.reduce((sum, one) => sum + one, 0));

/** Places of pulses, in samples, of a wheel whose speed falls by the same amount each pitch: v = v₀ − a·θ. */
function run(turns: number, perPitch: number, fall: number): { pulses: Pulse[]; trueAt: (i: number) => number } {
  let angle = 0;
  const angles = [0];
  for (let i = 0; i < turns * N; i++) angles.push((angle += share[i % N]!));
  // dt = dθ / v, so t = −ln(1 − a·θ)/a · T₀, with T₀ samples a pitch at the start.
  const time = (theta: number) => (fall === 0 ? perPitch * theta : (-perPitch * Math.log(1 - fall * theta)) / fall);
  return {
    pulses: angles.map((theta) => ({ at: time(theta), heightV: 1, duty: 0.5 }) as Pulse),
    trueAt: (i) => perPitch / (1 - (fall * (angles[i]! + angles[i + 1]!)) / 2),
  };
}

describe("periods freed of the ring's own pitch errors", () => {
  it.each([
    ["at even speed", 5, 0],
    ["running down to half its speed", 5, 0.5 / (5 * N)],
    ["in barely more than two turns", 2.3, 0.2 / (2.3 * N)],
  ])("%s are those of an even ring at the same speed", (_, turns, fall) => {
    const { pulses, trueAt } = run(turns, 90, fall);
    const rhythm = rhythmOf(pulses);
    const even = evenPeriods(pulses, rhythm, N);
    const errors = [...even].map((period, i) => Math.abs(period / trueAt(i) - 1)).slice(6, -6);
    const before = [...rhythm.periods].map((period, i) => Math.abs(period / trueAt(i) - 1)).slice(6, -6);
    expect(Math.max(...before)).toBeGreaterThan(0.05);
    expect(Math.max(...errors)).toBeLessThan(0.012);
    const middle = errors.reduce((sum, one) => sum + one, 0) / errors.length;
    expect(middle).toBeLessThan(0.004);
  });

  it("too few turns leave the periods a ring gives", () => {
    const { pulses } = run(1.5, 90, 0);
    const rhythm = rhythmOf(pulses);
    const even = evenPeriods(pulses, rhythm, N);
    expect(even).toHaveLength(rhythm.periods.length);
    expect(even.every(Number.isFinite)).toBe(true);
  });

  it("a hard-cut signal whose edges fall on whole samples still gives its true frequency", () => {
    const rate = 5000;
    const samples = Float32Array.from({ length: 6 * rate }, (_, i) => (((i * 61.5) / rate) % 1 < 0.5 ? 1.6 : 0.8));
    const pulses = findPulses(samples, signalShape(samples));
    const even = [...evenPeriods(pulses, rhythmOf(pulses), 48)].sort((a, b) => a - b);
    expect(rate / even[even.length >> 1]!).toBeCloseTo(61.5, 0);
    expect(Math.abs(rate / even[even.length >> 1]! / 61.5 - 1)).toBeLessThan(0.002);
  });
});
