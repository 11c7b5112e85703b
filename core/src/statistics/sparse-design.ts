/** A design matrix by its entries that are not 0: row i has those from `starts[i]` up to `starts[i + 1]`. */
export interface SparseDesign {
  readonly starts: Int32Array;
  readonly columns: Uint8Array;
  readonly values: Float64Array;
}

/** Reads a design matrix, row after row of `terms` numbers; most effects are absent from most holds. */
export function sparseDesign(design: Float64Array, terms: number): SparseDesign {
  const count = design.length / terms;
  const starts = new Int32Array(count + 1);
  const columns: number[] = [];
  const values: number[] = [];
  for (let i = 0; i < count; i++) {
    for (let j = 0; j < terms; j++) {
      const x = design[i * terms + j]!;
      if (x === 0) continue;
      columns.push(j);
      values.push(x);
    }
    starts[i + 1] = columns.length;
  }
  return { starts, columns: Uint8Array.from(columns), values: Float64Array.from(values) };
}
