/** The solver against plain Gaussian elimination with pivoting, and against networks a textbook solves by hand. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Ladder } from "./ladder";

interface Net {
  size: number;
  joins: [number, number, number][];
  ties: [number, number, number][];
  injected: [number, number][];
}
const REACH = 4;

const nets = fc
  .integer({ min: 2, max: 12 })
  .chain((size) =>
    fc.record({
      size: fc.constant(size),
      joins: fc.array(
        fc.tuple(fc.nat(size - 1), fc.integer({ min: 1, max: REACH }), fc.double({ min: -4, max: 2, noNaN: true })),
        { minLength: size, maxLength: 3 * size },
      ),
      ties: fc.array(
        fc.tuple(
          fc.nat(size - 1),
          fc.double({ min: -3, max: 2, noNaN: true }),
          fc.double({ min: -15, max: 15, noNaN: true }),
        ),
        { minLength: 1, maxLength: size },
      ),
      injected: fc.array(fc.tuple(fc.nat(size - 1), fc.double({ min: -0.1, max: 0.1, noNaN: true })), { maxLength: 3 }),
    }),
  )
  .map(({ size, joins, ties, injected }): Net => ({
    size,
    joins: joins.flatMap(([node, ahead, decades]) =>
      node + ahead < size ? [[node, node + ahead, 10 ** decades]] : [],
    ),
    ties: ties.map(([node, decades, volts]) => [node, 10 ** decades, volts]),
    injected,
  }));
const LEAK = 1e-6;

function laddered({ size, joins, ties, injected }: Net): Ladder {
  const ladder = new Ladder(size, REACH);
  ladder.clear(LEAK);
  for (const [a, b, siemens] of joins) ladder.join(a, b, siemens);
  for (const [node, siemens, volts] of ties) ladder.joinPotential(node, siemens, volts);
  for (const [node, amps] of injected) ladder.inject(node, amps);
  ladder.reduce();
  return ladder;
}

/** Nodal analysis by Gaussian elimination with partial pivoting. */
function dense({ size, joins, ties, injected }: Net): number[] {
  const matrix = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size + 1 }, (_, j) => (i === j ? LEAK : 0)),
  );
  for (const [a, b, g] of joins) {
    matrix[a]![a]! += g;
    matrix[b]![b]! += g;
    matrix[a]![b]! -= g;
    matrix[b]![a]! -= g;
  }
  for (const [node, g, volts] of ties) {
    matrix[node]![node]! += g;
    matrix[node]![size]! += g * volts;
  }
  for (const [node, amps] of injected) matrix[node]![size]! += amps;
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let row = column + 1; row < size; row++)
      if (Math.abs(matrix[row]![column]!) > Math.abs(matrix[pivot]![column]!)) pivot = row;
    [matrix[column], matrix[pivot]] = [matrix[pivot]!, matrix[column]!];
    for (let row = column + 1; row < size; row++) {
      const factor = matrix[row]![column]! / matrix[column]![column]!;
      for (let k = column; k <= size; k++) matrix[row]![k]! -= factor * matrix[column]![k]!;
    }
  }
  const out = new Array<number>(size).fill(0);
  for (let row = size - 1; row >= 0; row--) {
    let sum = matrix[row]![size]!;
    for (let k = row + 1; k < size; k++) sum -= matrix[row]![k]! * out[k]!;
    out[row] = sum / matrix[row]![row]!;
  }
  return out;
}

describe("the ladder of a cable", () => {
  it("gives the potentials of plain Gaussian elimination, on any network of its shape (property)", () => {
    fc.assert(
      fc.property(nets, (net) => {
        const solved = laddered(net).solve(new Float64Array(net.size));
        const largest = Math.max(1, ...dense(net).map(Math.abs));
        dense(net).forEach((volts, node) => expect(Math.abs(solved[node]! - volts) / largest).toBeLessThan(1e-6));
      }),
      { numRuns: 300 },
    );
  });

  it("one ampere in at a and out at b raises c as one in at c … would raise a: reciprocity (Lorentz; any circuits text)", () => {
    fc.assert(
      fc.property(nets, (net) => {
        const ladder = laddered(net);
        const [a, c] = [0, net.size - 1];
        const fromA = ladder.unit(a, -1, new Float64Array(net.size))[c]!;
        const fromC = ladder.unit(c, -1, new Float64Array(net.size))[a]!;
        expect(fromA).toBeCloseTo(fromC, 9);
      }),
    );
  });

  it("sources superpose (Helmholtz): together they give the sum of what each gives alone", () => {
    fc.assert(
      fc.property(nets, (net) => {
        const whole = laddered(net).solve(new Float64Array(net.size));
        const quiet = {
          ...net,
          injected: [],
          ties: net.ties.map(([node, g]): [number, number, number] => [node, g, 0]),
        };
        const sum = new Float64Array(net.size);
        const add = (part: Net) =>
          laddered(part)
            .solve(new Float64Array(net.size))
            .forEach((volts, i) => (sum[i]! += volts));
        net.ties.forEach((_, i) =>
          add({ ...quiet, ties: net.ties.map(([node, g, volts], k) => [node, g, k === i ? volts : 0]) }),
        );
        for (const one of net.injected) add({ ...quiet, injected: [one] });
        whole.forEach((volts, node) => expect(sum[node]!).toBeCloseTo(volts, 6));
      }),
    );
  });

  it("a divider of three equal resistors from 12 V stands at 8 and 4 V", () => {
    const ladder = new Ladder(2, 1);
    ladder.clear(0);
    ladder.joinPotential(0, 1 / 100, 12);
    ladder.join(0, 1, 1 / 100);
    ladder.joinPotential(1, 1 / 100, 0);
    ladder.reduce();
    const [first, second] = ladder.solve(new Float64Array(2));
    expect(first).toBeCloseTo(8, 12);
    expect(second).toBeCloseTo(4, 12);
  });

  it("a 5 mΩ contact beside a 10 GΩ leak keeps its microvolts", () => {
    const ladder = new Ladder(2, 1);
    ladder.clear(1e-10);
    ladder.joinPotential(0, 1 / 1e-6, 12);
    ladder.join(0, 1, 1 / 0.005);
    ladder.inject(1, -0.01);
    ladder.reduce();
    const [near, far] = ladder.solve(new Float64Array(2));
    // 10 mA through 5 mΩ: 50 µV (Ohm).
    expect((near! - far!) / 50e-6).toBeCloseTo(1, 5);
  });

  it("refuses nodes that lie too far apart for its band", () => {
    const ladder = new Ladder(6, 2);
    ladder.clear(LEAK);
    expect(() => ladder.join(0, 3, 1)).toThrow(RangeError);
    expect(() => ladder.join(1, 1, 1)).toThrow(RangeError);
  });
});
