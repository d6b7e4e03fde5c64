import { describe, expect, it } from 'vitest';
import { cholesky } from './cholesky';

describe('Cholesky factors', () => {
  // The matrix of the usual worked example: [[4,12,-16],[12,37,-43],[-16,-43,98]] = L L' with L = [[2],[6,1],[-8,5,3]], determinant 36 (textbooks, from memory).
  const a = Float64Array.from([4, 12, -16, 12, 37, -43, -16, -43, 98]);

  it('solve a worked example', () => {
    const f = cholesky(a, 3);
    expect(Math.exp(f.logDet)).toBeCloseTo(36, 9);
    const x = f.solve([1, 2, 3]);
    const back = [0, 1, 2].map((i) => [0, 1, 2].reduce((s, j) => s + (a[i * 3 + j] ?? 0) * (x[j] ?? 0), 0));
    expect(back[0]).toBeCloseTo(1, 9);
    expect(back[1]).toBeCloseTo(2, 9);
    expect(back[2]).toBeCloseTo(3, 9);
    const inverse = f.inverse();
    expect([...f.inverseDiagonal()]).toEqual([inverse[0], inverse[4], inverse[8]]);
  });

  it('refuse a matrix that is not positive definite', () => {
    expect(() => cholesky(Float64Array.from([1, 2, 2, 1]), 2)).toThrow(/not positive definite at row 1/);
  });
});
