/**
 * Give each row a column of its own so that the costs add up to the least possible.
 * Source: H. W. Kuhn, "The Hungarian method for the assignment problem", 1955, in the form with potentials and shortest augmenting
 * paths (R. Jonker and A. Volgenant, 1987); rows times rows times columns steps.
 * @param costs Row by row; every row as long, and at least as many columns as rows.
 * @returns the column of each row.
 */
export function assigned(costs: readonly (readonly number[])[]): number[] {
  const rows = costs.length;
  const columns = costs[0]?.length ?? 0;
  if (rows > columns) throw new Error('more rows than columns');
  const [ofRow, ofColumn] = [new Float64Array(rows + 1), new Float64Array(columns + 1)];
  /** The row that has each column, from 1; 0 for none. */
  const taken = new Int32Array(columns + 1);
  const way = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++) {
    taken[0] = row;
    let column = 0;
    const least = new Float64Array(columns + 1).fill(Infinity);
    const seen = new Uint8Array(columns + 1);
    do {
      seen[column] = 1;
      const from = taken[column];
      let [delta, next] = [Infinity, 0];
      for (let j = 1; j <= columns; j++) {
        if (seen[j]) continue;
        const cost = costs[from - 1][j - 1] - ofRow[from] - ofColumn[j];
        if (cost < least[j]) {
          least[j] = cost;
          way[j] = column;
        }
        if (least[j] < delta) [delta, next] = [least[j], j];
      }
      for (let j = 0; j <= columns; j++)
        if (seen[j]) {
          ofRow[taken[j]] += delta;
          ofColumn[j] -= delta;
        } else least[j] -= delta;
      column = next;
    } while (taken[column] !== 0);
    do {
      const before = way[column];
      taken[column] = taken[before];
      column = before;
    } while (column !== 0);
  }
  const out = new Array<number>(rows).fill(-1);
  for (let j = 1; j <= columns; j++) if (taken[j] > 0) out[taken[j] - 1] = j - 1;
  return out;
}
