/**
 * Lower Cholesky factor of a small symmetric positive definite matrix; `ridge` is added to the diagonal.
 * @throws RangeError when the matrix is not positive definite.
 */
export function cholesky(matrix: readonly (readonly number[])[], ridge = 0): number[][] {
  const n = matrix.length;
  const lower = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i]![j]! + (i === j ? ridge : 0);
      for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!;
      if (i !== j) lower[i]![j] = sum / lower[j]![j]!;
      else if (sum > 0) lower[i]![i] = Math.sqrt(sum);
      else throw new RangeError('matrix is not positive definite');
    }
  }
  return lower;
}

/** Solves L·x = b for a lower triangular L. */
export function solveLower(lower: readonly (readonly number[])[], b: readonly number[]): number[] {
  const x: number[] = [];
  for (let i = 0; i < b.length; i++) {
    let sum = b[i]!;
    for (let k = 0; k < i; k++) sum -= lower[i]![k]! * x[k]!;
    x.push(sum / lower[i]![i]!);
  }
  return x;
}

/** Inverse of a small symmetric positive definite matrix through its Cholesky factor. */
export function invertSymmetric(matrix: readonly (readonly number[])[]): number[][] {
  const n = matrix.length;
  const lower = cholesky(matrix);
  const columns = Array.from({ length: n }, (_, c) =>
    solveLower(
      lower,
      Array.from({ length: n }, (_unused, i) => (i === c ? 1 : 0)),
    ),
  );
  return Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_unused, j) => {
      let sum = 0;
      for (let k = 0; k < n; k++) sum += columns[i]![k]! * columns[j]![k]!;
      return sum;
    }),
  );
}
