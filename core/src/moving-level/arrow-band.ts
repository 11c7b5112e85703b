/**
 * A symmetric positive definite system whose matrix is a band with a border: each unknown of the band meets only the
 * two before and after it, and the few of the border meet everybody. Levels and day effects in the order of the days
 * make the band, what is the same on every day makes the border; solving takes a time linear in days.
 */
export interface ArrowBand {
  /** Unknowns of the band. */
  readonly size: number;
  /** Unknowns of the border. */
  readonly edge: number;
  /** The band's diagonal, and its entries one and two below it: `first[i]` is row i + 1, column i. */
  readonly diagonal: Float64Array;
  readonly first: Float64Array;
  readonly second: Float64Array;
  /** Row i of the band against each unknown of the border, row after row. */
  readonly border: Float64Array;
  /** The border against itself, its lower triangle filled. */
  readonly corner: Float64Array;
}

/** An empty system. */
export function arrowBand(size: number, edge: number): ArrowBand {
  return {
    ...{ size, edge },
    diagonal: new Float64Array(size),
    first: new Float64Array(size),
    second: new Float64Array(size),
    border: new Float64Array(size * edge),
    corner: new Float64Array(edge * edge),
  };
}

/** The Cholesky factor of an {@link ArrowBand}, in the same shape. */
export interface ArrowFactor extends ArrowBand {
  /** ln of the determinant of the factored matrix. */
  readonly logDeterminant: number;
}

/** The Cholesky factor; undefined where the matrix is not positive definite. */
export function factorArrow(system: ArrowBand): ArrowFactor | undefined {
  const { size, edge } = system;
  const { diagonal, first, second, border, corner } = arrowBand(size, edge);
  corner.set(system.corner);
  let logDeterminant = 0;
  for (let i = 0; i < size; i++) {
    const one = i > 0 ? first[i - 1]! : 0;
    const two = i > 1 ? second[i - 2]! : 0;
    const pivot = system.diagonal[i]! - one * one - two * two;
    if (!(pivot > 0)) return undefined;
    const root = Math.sqrt(pivot);
    const share = 1 / root;
    diagonal[i] = root;
    logDeterminant += Math.log(pivot);
    const before = i > 0 ? second[i - 1]! : 0;
    first[i] = (system.first[i]! - before * one) * share;
    second[i] = system.second[i]! * share;
    const line = i * edge;
    for (let j = 0; j < edge; j++) {
      const at = line + j;
      let value = system.border[at]!;
      if (one !== 0) value -= one * border[at - edge]!;
      if (two !== 0) value -= two * border[at - 2 * edge]!;
      border[at] = value * share;
    }
  }
  takeFromCorner(corner, border, edge);
  for (let j = 0; j < edge; j++) {
    for (let m = 0; m <= j; m++) {
      let value = corner[j * edge + m]!;
      for (let k = 0; k < m; k++) value -= corner[j * edge + k]! * corner[m * edge + k]!;
      if (m < j) corner[j * edge + m] = value / corner[m * edge + m]!;
      else {
        if (!(value > 0)) return undefined;
        corner[j * edge + j] = Math.sqrt(value);
        logDeterminant += Math.log(value);
      }
    }
  }
  return { size, edge, diagonal, first, second, border, corner, logDeterminant };
}

/** Rows of the border that are read together: as many as stay near the processor. */
const ROWS_AT_ONCE = 64;

/** Takes the border's square from the corner's lower triangle. */
function takeFromCorner(corner: Float64Array, border: Float64Array, edge: number): void {
  const block = ROWS_AT_ONCE * edge;
  for (let from = 0; from < border.length; from += block) {
    const to = Math.min(from + block, border.length);
    for (let j = 0; j < edge; j++) {
      for (let m = 0; m <= j; m++) {
        let sum = 0;
        for (let line = from; line < to; line += edge) sum += border[line + j]! * border[line + m]!;
        corner[j * edge + m]! -= sum;
      }
    }
  }
}

/** Solves the factored system for one right side of `size + edge` numbers. */
export function solveArrow(factor: ArrowFactor, right: Float64Array): Float64Array {
  const { size, edge, diagonal, first, second, border, corner } = factor;
  const x = new Float64Array(right);
  for (let i = 0; i < size; i++) {
    if (i > 0) x[i]! -= first[i - 1]! * x[i - 1]!;
    if (i > 1) x[i]! -= second[i - 2]! * x[i - 2]!;
    x[i]! /= diagonal[i]!;
    for (let j = 0; j < edge; j++) x[size + j]! -= border[i * edge + j]! * x[i]!;
  }
  for (let j = 0; j < edge; j++) {
    for (let m = 0; m < j; m++) x[size + j]! -= corner[j * edge + m]! * x[size + m]!;
    x[size + j]! /= corner[j * edge + j]!;
  }
  for (let j = edge - 1; j >= 0; j--) {
    for (let m = j + 1; m < edge; m++) x[size + j]! -= corner[m * edge + j]! * x[size + m]!;
    x[size + j]! /= corner[j * edge + j]!;
  }
  for (let i = size - 1; i >= 0; i--) {
    for (let j = 0; j < edge; j++) x[i]! -= border[i * edge + j]! * x[size + j]!;
    if (i + 1 < size) x[i]! -= first[i]! * x[i + 1]!;
    if (i + 2 < size) x[i]! -= second[i]! * x[i + 2]!;
    x[i]! /= diagonal[i]!;
  }
  return x;
}

/** The entries of the inverse that a fit reads: the band's own, and everything that touches the border. */
export interface ArrowInverse {
  /** Entries (i, i), (i + 1, i) and (i + 2, i) of the inverse. */
  readonly diagonal: Float64Array;
  readonly first: Float64Array;
  readonly second: Float64Array;
  /** Row i of the band against each unknown of the border. */
  readonly border: Float64Array;
  /** The border's own block, whole. */
  readonly corner: Float64Array;
}

/** Those entries of the inverse, without the rest of it: time linear in days. Source: the Takahashi recursion. */
export function invertArrow(factor: ArrowFactor): ArrowInverse {
  const { size, edge, diagonal, first, second } = factor;
  const inverse = {
    diagonal: new Float64Array(size),
    first: new Float64Array(size),
    second: new Float64Array(size),
    border: new Float64Array(size * edge),
    corner: invertedCorner(factor),
  };
  // The band alone, from its last row back.
  for (let i = size - 1; i >= 0; i--) {
    const root = diagonal[i]!;
    const [one, two] = [first[i]! / root, second[i]! / root];
    const next = i + 1 < size ? inverse.diagonal[i + 1]! : 0;
    const across = i + 2 < size ? inverse.first[i + 1]! : 0;
    const after = i + 2 < size ? inverse.diagonal[i + 2]! : 0;
    inverse.first[i] = -(one * next + two * across);
    inverse.second[i] = -(one * across + two * after);
    inverse.diagonal[i] = 1 / (root * root) - one * inverse.first[i]! - two * inverse.second[i]!;
  }
  const spread = towardsBorder(factor);
  for (let i = 0; i < size; i++) {
    for (let j = 0; j < edge; j++) {
      let value = 0;
      for (let m = 0; m < edge; m++) value -= spread[i * edge + m]! * inverse.corner[m * edge + j]!;
      inverse.border[i * edge + j] = value;
    }
  }
  const added = (i: number, k: number): number => {
    let value = 0;
    for (let j = 0; j < edge; j++) value -= inverse.border[i * edge + j]! * spread[k * edge + j]!;
    return value;
  };
  for (let i = 0; i < size; i++) {
    inverse.diagonal[i]! += added(i, i);
    if (i + 1 < size) inverse.first[i]! += added(i + 1, i);
    if (i + 2 < size) inverse.second[i]! += added(i + 2, i);
  }
  return inverse;
}

/** The band's inverse times the border's columns, row after row. */
function towardsBorder({ size, edge, diagonal, first, second, border }: ArrowFactor): Float64Array {
  const spread = new Float64Array(border);
  for (let i = size - 1; i >= 0; i--) {
    for (let j = 0; j < edge; j++) {
      const at = i * edge + j;
      if (i + 1 < size) spread[at]! -= first[i]! * spread[at + edge]!;
      if (i + 2 < size) spread[at]! -= second[i]! * spread[at + 2 * edge]!;
      spread[at]! /= diagonal[i]!;
    }
  }
  return spread;
}

function invertedCorner({ edge, corner }: ArrowFactor): Float64Array {
  const inverse = new Float64Array(edge * edge);
  for (let column = 0; column < edge; column++) {
    const x = new Float64Array(edge);
    x[column] = 1;
    for (let j = 0; j < edge; j++) {
      for (let m = 0; m < j; m++) x[j]! -= corner[j * edge + m]! * x[m]!;
      x[j]! /= corner[j * edge + j]!;
    }
    for (let j = edge - 1; j >= 0; j--) {
      for (let m = j + 1; m < edge; m++) x[j]! -= corner[m * edge + j]! * x[m]!;
      x[j]! /= corner[j * edge + j]!;
    }
    for (let j = 0; j < edge; j++) inverse[j * edge + column] = x[j]!;
  }
  return inverse;
}
