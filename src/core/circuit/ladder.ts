/**
 * A resistive network whose nodes, in order along a cable, touch only near neighbours.
 *
 * It is solved by star–mesh elimination (Rosen, 1924; the resistive form of Gaussian elimination): the node with
 * conductances g_k to its neighbours is removed by joining every pair of them with g_i·g_k / Σg. All terms are
 * positive and nothing is ever subtracted, so a 5 mΩ contact beside a 10 GΩ leak keeps full relative accuracy,
 * which a plain nodal matrix in double precision does not.
 */
export class Ladder {
  readonly size: number;
  /** How many nodes ahead a node may be joined to. */
  readonly reach: number;
  private readonly mesh: Float64Array;
  private readonly ground: Float64Array;
  private readonly source: Float64Array;
  private readonly total: Float64Array;
  /** toGround[node * (reach + 1) + k]: volts at `node` for an ampere pushed in at `node + k`; made when first asked for. */
  private readonly toGround: Float64Array;
  private hasToGround = false;
  /** Nodes in use: those behind are left out of every solve. */
  private used: number;

  /** @param size number of nodes, ground not counted @param reach largest distance between two joined nodes */
  constructor(size: number, reach: number) {
    this.size = size;
    this.reach = reach;
    this.mesh = new Float64Array(size * reach);
    this.ground = new Float64Array(size);
    this.source = new Float64Array(size);
    this.total = new Float64Array(size);
    this.toGround = new Float64Array(size * (reach + 1));
    this.used = size;
  }

  /** Empties the network for the next one of the same shape, with a leak of `leakS` siemens from every node to ground. */
  clear(leakS: number): void {
    this.mesh.fill(0);
    this.source.fill(0);
    this.ground.fill(leakS);
  }

  /** Joins two nodes with a conductance in siemens. @throws RangeError when they lie further apart than `reach` */
  join(node: number, other: number, siemens: number): void {
    const low = node < other ? node : other;
    const offset = node < other ? other - node : node - other;
    if (offset === 0 || offset > this.reach) throw new RangeError(`nodes ${node} and ${other} are out of reach`);
    this.mesh[low * this.reach + offset - 1]! += siemens;
  }

  /** Joins a node to a fixed potential (volts against ground) with a conductance. */
  joinPotential(node: number, siemens: number, volts: number): void {
    this.ground[node]! += siemens;
    this.source[node]! += siemens * volts;
  }

  /** Pushes a current in amperes into a node. */
  inject(node: number, amps: number): void {
    this.source[node]! += amps;
  }

  /**
   * Eliminates every node once; `solve` and `unit` then only substitute.
   * @param used so many of the nodes, the first, are in use
   */
  reduce(used = this.size): void {
    const { reach, mesh, ground, total } = this;
    this.used = used;
    this.hasToGround = false;
    for (let node = 0; node < used; node++) {
      const row = node * reach;
      const ahead = Math.min(reach, used - 1 - node);
      let sum = ground[node]!;
      for (let k = 0; k < ahead; k++) sum += mesh[row + k]!;
      total[node] = sum;
      for (let k = 0; k < ahead; k++) {
        const conductance = mesh[row + k]!;
        if (conductance === 0) continue;
        const share = conductance / sum;
        const neighbour = node + 1 + k;
        ground[neighbour]! += share * ground[node]!;
        const neighbourRow = neighbour * reach;
        for (let m = k + 1; m < ahead; m++) mesh[neighbourRow + m - k - 1]! += share * mesh[row + m]!;
      }
    }
  }

  /** Node potentials in volts for the network's own sources, written into `out`. Call `reduce` first. */
  solve(out: Float64Array): Float64Array {
    for (let node = 0; node < this.used; node++) out[node] = this.source[node]!;
    return this.substitute(out);
  }

  /** Node potentials for one ampere pushed in at `into` and drawn at `from` (-1 stands for ground), all other sources off. */
  unit(into: number, from: number, out: Float64Array): Float64Array {
    for (let node = 0; node < this.used; node++) out[node] = 0;
    if (into >= 0) out[into]! += 1;
    if (from >= 0) out[from]! -= 1;
    return this.substitute(out);
  }

  /**
   * Ohms from a node to ground, all sources off. The diagonal of the inverse of a banded matrix by backward recursion
   * (K. Takahashi, J. Fagan and M.-S. Chen, PICA Conference 1973): every node for the price of two substitutions.
   */
  ohmsToGround(node: number): number {
    if (!this.hasToGround) this.invertBand();
    return this.toGround[node * (this.reach + 1)]!;
  }

  private invertBand(): void {
    const { used, reach, mesh, total, toGround } = this;
    const wide = reach + 1;
    for (let node = used - 1; node >= 0; node--) {
      const row = node * reach;
      const ahead = Math.min(reach, used - 1 - node);
      const own = node * wide;
      for (let j = 1; j <= ahead; j++) {
        let sum = 0;
        for (let k = 1; k <= ahead; k++) {
          const near = k < j ? k : j;
          const far = k < j ? j : k;
          sum += mesh[row + k - 1]! * toGround[(node + near) * wide + far - near]!;
        }
        toGround[own + j] = sum / total[node]!;
      }
      let sum = 1;
      for (let k = 1; k <= ahead; k++) sum += mesh[row + k - 1]! * toGround[own + k]!;
      toGround[own] = sum / total[node]!;
    }
    this.hasToGround = true;
  }

  private substitute(values: Float64Array): Float64Array {
    const { used, reach, mesh, total } = this;
    for (let node = 0; node < used; node++) {
      const current = values[node]!;
      if (current === 0) continue;
      const row = node * reach;
      const ahead = Math.min(reach, used - 1 - node);
      const scaled = current / total[node]!;
      for (let k = 0; k < ahead; k++) values[node + 1 + k]! += mesh[row + k]! * scaled;
    }
    for (let node = used - 1; node >= 0; node--) {
      const row = node * reach;
      const ahead = Math.min(reach, used - 1 - node);
      let current = values[node]!;
      for (let k = 0; k < ahead; k++) current += mesh[row + k]! * values[node + 1 + k]!;
      values[node] = current / total[node]!;
    }
    return values;
  }
}
