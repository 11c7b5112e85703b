/** Rows of several lifters, those of each together, in their order. */
export function byLifter<Row extends { readonly lifterId: string }>(
  rows: readonly Row[],
): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const group = groups.get(row.lifterId);
    if (group) group.push(row);
    else groups.set(row.lifterId, [row]);
  }
  return groups;
}
