/**
 * Lower triangle L of a small symmetric positive definite matrix, a = L·Lᵀ.
 * @param a n rows of n; only read
 * @returns n rows of n, or null when the matrix is not positive definite
 */
export function cholesky(a: readonly (readonly number[])[]): number[][] | null {
  const n = a.length;
  const l = a.map((row) => row.map(() => 0));
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = a[i]![j]!;
      for (let k = 0; k < j; k += 1) sum -= l[i]![k]! * l[j]![k]!;
      if (i === j && !(sum > 0)) return null;
      l[i]![j] = i === j ? Math.sqrt(sum) : sum / l[j]![j]!;
    }
  return l;
}

/**
 * Inverse of a small symmetric positive definite matrix, by Cholesky.
 * @param a n rows of n; only read
 * @returns the inverse, or null when the matrix is not positive definite
 */
export function invertSpd(a: readonly (readonly number[])[]): number[][] | null {
  const l = cholesky(a);
  if (!l) return null;
  const n = a.length;
  const inverse = a.map((row) => row.map(() => 0));
  for (let c = 0; c < n; c += 1) {
    const y = new Array<number>(n).fill(0);
    for (let i = 0; i < n; i += 1) {
      let sum = i === c ? 1 : 0;
      for (let k = 0; k < i; k += 1) sum -= l[i]![k]! * y[k]!;
      y[i] = sum / l[i]![i]!;
    }
    for (let i = n - 1; i >= 0; i -= 1) {
      let sum = y[i]!;
      for (let k = i + 1; k < n; k += 1) sum -= l[k]![i]! * inverse[k]![c]!;
      inverse[i]![c] = sum / l[i]![i]!;
    }
  }
  return inverse;
}
