// Solution of symmetric positive definite systems by Cholesky's factors (Golub & Van Loan, Matrix Computations, section 4.2).

/** A factored system. */
export interface Factored {
  /** Solves A x = b. */
  solve(b: ArrayLike<number>): Float64Array;
  /** Diagonal of the inverse of A. */
  inverseDiagonal(): Float64Array;
  /** The inverse of A, row by row. */
  inverse(): Float64Array;
  /** Natural logarithm of the determinant of A. */
  readonly logDet: number;
}

/**
 * Factors a matrix of n rows, given row by row; only its lower half is read.
 * Throws RangeError when it is not positive definite.
 */
export function cholesky(a: Float64Array, n: number): Factored {
  const l = Float64Array.from(a);
  let logDet = 0;
  for (let j = 0; j < n; j++) {
    const row = j * n;
    let d = at(l, row + j);
    for (let k = 0; k < j; k++) d -= at(l, row + k) ** 2;
    if (!(d > 0)) throw new RangeError(`cholesky: the matrix is not positive definite at row ${j}`);
    const root = Math.sqrt(d);
    l[row + j] = root;
    logDet += 2 * Math.log(root);
    for (let i = j + 1; i < n; i++) {
      let s = at(l, i * n + j);
      for (let k = 0; k < j; k++) s -= at(l, i * n + k) * at(l, row + k);
      l[i * n + j] = s / root;
    }
  }
  const solve = (b: ArrayLike<number>): Float64Array => {
    const x = Float64Array.from(b);
    for (let i = 0; i < n; i++) {
      let s = at(x, i);
      for (let k = 0; k < i; k++) s -= at(l, i * n + k) * at(x, k);
      x[i] = s / at(l, i * n + i);
    }
    for (let i = n - 1; i >= 0; i--) {
      let s = at(x, i);
      for (let k = i + 1; k < n; k++) s -= at(l, k * n + i) * at(x, k);
      x[i] = s / at(l, i * n + i);
    }
    return x;
  };
  const inverse = (): Float64Array => {
    const out = new Float64Array(n * n);
    const unit = new Float64Array(n);
    for (let j = 0; j < n; j++) {
      unit[j] = 1;
      const column = solve(unit);
      unit[j] = 0;
      for (let i = 0; i < n; i++) out[i * n + j] = at(column, i);
    }
    return out;
  };
  return {
    solve,
    inverse,
    inverseDiagonal: () => {
      const all = inverse();
      return Float64Array.from({ length: n }, (_, i) => at(all, i * n + i));
    },
    logDet,
  };
}

const at = (v: Float64Array, i: number): number => v[i] ?? Number.NaN;
