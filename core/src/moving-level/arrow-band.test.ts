import { determinant, inverse, Matrix } from 'ml-matrix';
import { chance } from '../clasp-curve/simulated-lifter.test-helper.ts';
import { arrowBand, factorArrow, invertArrow, solveArrow, type ArrowBand } from './arrow-band.ts';

/** A random positive definite system: what each row of a log adds is a square. */
function system(seed: number, size: number, edge: number): { band: ArrowBand; dense: Matrix } {
  const { uniform, normal } = chance(seed * 31 + 7);
  for (let i = 0; i < 20; i++) uniform();
  const total = size + edge;
  const dense = Matrix.eye(total, total).mul(0.5);
  for (let i = 0; i + 2 < size || i === 0; i++) {
    const row = Array.from({ length: total }, (_, j) =>
      (j >= i && j < Math.min(i + 3, size)) || j >= size ? normal() : 0,
    );
    const square = Matrix.columnVector(row).mmul(Matrix.rowVector(row));
    dense.add(square);
  }
  const band = arrowBand(size, edge);
  for (let i = 0; i < size; i++) {
    band.diagonal[i] = dense.get(i, i);
    if (i + 1 < size) band.first[i] = dense.get(i + 1, i);
    if (i + 2 < size) band.second[i] = dense.get(i + 2, i);
    for (let j = 0; j < edge; j++) band.border[i * edge + j] = dense.get(i, size + j);
  }
  for (let j = 0; j < edge; j++)
    for (let m = 0; m <= j; m++) band.corner[j * edge + m] = dense.get(size + j, size + m);
  return { band, dense };
}

it.each([
  [1, 2, 1],
  [2, 4, 2],
  [3, 10, 3],
  [4, 40, 5],
])('seed %d: solves, inverts and measures a system of %d and %d as a dense one', (seed, size, edge) => {
  const { band, dense } = system(seed, size, edge);
  const factor = factorArrow(band)!;
  expect(factor.logDeterminant).toBeCloseTo(Math.log(determinant(dense)), 8);
  const right = Float64Array.from({ length: size + edge }, (_, i) => Math.sin(i + seed));
  const solved = solveArrow(factor, right);
  const whole = inverse(dense);
  const expected = whole.mmul(Matrix.columnVector([...right])).to1DArray();
  expected.forEach((value, i) => expect(solved[i]).toBeCloseTo(value, 8));
  const found = invertArrow(factor);
  for (let i = 0; i < size; i++) {
    expect(found.diagonal[i]).toBeCloseTo(whole.get(i, i), 8);
    if (i + 1 < size) expect(found.first[i]).toBeCloseTo(whole.get(i + 1, i), 8);
    if (i + 2 < size) expect(found.second[i]).toBeCloseTo(whole.get(i + 2, i), 8);
    for (let j = 0; j < edge; j++) expect(found.border[i * edge + j]).toBeCloseTo(whole.get(i, size + j), 8);
  }
  for (let j = 0; j < edge; j++)
    for (let m = 0; m < edge; m++)
      expect(found.corner[j * edge + m]).toBeCloseTo(whole.get(size + j, size + m), 8);
});

it('a system that is not positive definite has no factor', () => {
  const { band } = system(5, 6, 2);
  band.diagonal[3] = -1;
  expect(factorArrow(band)).toBeUndefined();
});
