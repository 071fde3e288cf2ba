/** Linear equations: a symmetric matrix and the right-hand side. */
export interface Equations {
  matrix: number[][];
  right: number[];
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
