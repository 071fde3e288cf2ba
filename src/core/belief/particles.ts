/** The candidates behind the hypotheses, to be read and never to be written: row by row, a hypothesis' rows together. */
export interface Particles {
  readonly count: number;
  readonly dimensions: number;
  readonly weight: ArrayLike<number>;
  readonly scores: ArrayLike<number>;
}
