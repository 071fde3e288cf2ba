/** Linear equations: a symmetric matrix and the right-hand side. */
export interface Equations {
  matrix: number[][];
  right: number[];
}

/** One observation of a linear law: what was seen, and what each unknown is multiplied by in it. */
export interface Row {
  value: number;
  x: readonly number[];
}

/** The normal equations of least squares, each unknown held to nothing by its ridge (0 leaves it free). */
export function normalEquations(rows: readonly Row[], ridge: readonly number[]): Equations {
  const places = ridge.map((_, i) => i);
  const matrix = places.map((i) => places.map((j) => (i === j ? ridge[i]! : 0)));
  const right = places.map(() => 0);
  for (const { value, x } of rows)
    for (const i of places) {
      right[i]! += x[i]! * value;
      for (const j of places) matrix[i]![j]! += x[i]! * x[j]!;
    }
  return { matrix, right };
}

/** Gauss–Jordan elimination of the first `count` unknowns of a small, positive definite system. */
export function eliminated(
  matrix: readonly (readonly number[])[],
  right: readonly number[],
  count = matrix.length,
): Equations {
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  eliminate(rows, count);
  return { matrix: rows.map((row) => row.slice(0, -1)), right: rows.map((row) => row.at(-1)!) };
}

/** The inverse of a small, positive definite matrix. */
export function inverted(matrix: readonly (readonly number[])[]): number[][] {
  const rows = matrix.map((row, i) => [...row, ...row.map((_, j) => Number(i === j))]);
  eliminate(rows, rows.length);
  return rows.map((row) => row.slice(matrix.length));
}

function eliminate(rows: number[][], count: number): void {
  for (let column = 0; column < count; column++) {
    const pivot = rows[column]![column]!;
    rows[column] = rows[column]!.map((value) => value / pivot);
    rows.forEach((row, i) => {
      if (i === column) return;
      const by = row[column]!;
      rows[i] = row.map((value, j) => value - by * rows[column]![j]!);
    });
  }
}
