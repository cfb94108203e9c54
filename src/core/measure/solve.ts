/**
 * Solve a symmetric positive definite system and give the inverse's blocks on demand: Cholesky's factor, kept.
 * @param a The matrix, row by row; its lower triangle is replaced by the factor.
 * @throws when it is not positive definite.
 */
export function cholesky(a: Float64Array, n: number): { solve: (b: ArrayLike<number>) => Float64Array } {
  for (let j = 0; j < n; j++) {
    for (let i = j; i < n; i++) {
      let sum = a[i * n + j];
      for (let k = 0; k < j; k++) sum -= a[i * n + k] * a[j * n + k];
      if (i > j) a[i * n + j] = sum / a[j * n + j];
      else if (sum > 0) a[j * n + j] = Math.sqrt(sum);
      else throw new Error('not positive definite');
    }
  }
  return {
    solve: (b) => {
      const x = Float64Array.from(b);
      for (let i = 0; i < n; i++) {
        for (let k = 0; k < i; k++) x[i] -= a[i * n + k] * x[k];
        x[i] /= a[i * n + i];
      }
      for (let i = n - 1; i >= 0; i--) {
        for (let k = i + 1; k < n; k++) x[i] -= a[k * n + i] * x[k];
        x[i] /= a[i * n + i];
      }
      return x;
    },
  };
}
