import { CoreError } from '../errors.js'

/** A least-cost assignment of rows to columns, with the dual values that prove it. */
export interface Assignment {
  /** column of each row */
  readonly columnOf: Int32Array
  readonly cost: number
  /** dual values: `rowDual[i] + columnDual[j] <= cost(i, j)`, equal where i is assigned to j; free columns have 0 */
  readonly rowDual: Float64Array
  readonly columnDual: Float64Array
}

/**
 * The linear assignment problem by shortest augmenting paths (Jonker and Volgenant 1987, after Dijkstra). Rows that can
 * have the least of their costs without a quarrel take it first, so that only the others are searched for.
 * @param costs  row-major, `rows * columns` finite numbers
 * @throws CoreError `ASSIGNMENT_SHAPE` with more rows than columns, or a number of costs that does not fit
 */
export function assign(costs: Float64Array, rows: number, columns: number): Assignment {
  if (rows > columns || costs.length !== rows * columns) {
    throw new CoreError('ASSIGNMENT_SHAPE', {
      where: ['costs'],
      what: `${rows} rows, ${columns} columns and ${costs.length} costs do not fit together`,
      mend: 'give one cost for each row and column, and at least as many columns as rows',
    })
  }
  const rowDual = new Float64Array(rows)
  const columnDual = new Float64Array(columns)
  const columnOf = new Int32Array(rows).fill(-1)
  const rowOf = new Int32Array(columns).fill(-1)
  takeLeast(costs, rows, columns, rowDual, columnOf, rowOf)

  const distance = new Float64Array(columns)
  const from = new Int32Array(columns)
  const open = new Int32Array(columns)
  for (let start = 0; start < rows; start++) {
    if (columnOf[start] !== -1) continue
    // columns 0 to `settled` of `open` have their final distance, those from there on wait
    let settled = 0
    for (let j = 0; j < columns; j++) {
      open[j] = j
      distance[j] =
        (costs[start * columns + j] as number) - (rowDual[start] as number) - (columnDual[j] as number)
      from[j] = start
    }
    let end = -1
    let reach = 0
    while (end === -1) {
      let nearest = settled
      for (let k = settled + 1; k < columns; k++)
        if ((distance[open[k] as number] as number) < (distance[open[nearest] as number] as number))
          nearest = k
      const j = open[nearest] as number
      open[nearest] = open[settled] as number
      open[settled++] = j
      reach = distance[j] as number
      const row = rowOf[j] as number
      if (row === -1) {
        end = j
        break
      }
      const base = row * columns
      const through =
        reach - ((costs[base + j] as number) - (rowDual[row] as number) - (columnDual[j] as number))
      const dual = rowDual[row] as number
      for (let k = settled; k < columns; k++) {
        const other = open[k] as number
        const d = through + (costs[base + other] as number) - dual - (columnDual[other] as number)
        if (d < (distance[other] as number)) {
          distance[other] = d
          from[other] = row
        }
      }
    }
    // duals along the tree keep all reduced costs at 0 or more
    rowDual[start] = (rowDual[start] as number) + reach
    for (let k = 0; k < settled - 1; k++) {
      const j = open[k] as number
      const slack = reach - (distance[j] as number)
      columnDual[j] = (columnDual[j] as number) - slack
      const row = rowOf[j] as number
      rowDual[row] = (rowDual[row] as number) + slack
    }
    for (let j = end; ;) {
      const row = from[j] as number
      const before = columnOf[row] as number
      rowOf[j] = row
      columnOf[row] = j
      if (row === start) break
      j = before
    }
  }
  let cost = 0
  for (let i = 0; i < rows; i++) cost += costs[i * columns + (columnOf[i] as number)] as number
  return { columnOf, cost, rowDual, columnDual }
}

/** Every row's dual is its least cost; it takes that column where nobody has it yet. Columns keep the dual 0. */
function takeLeast(
  costs: Float64Array,
  rows: number,
  columns: number,
  rowDual: Float64Array,
  columnOf: Int32Array,
  rowOf: Int32Array,
): void {
  for (let i = 0; i < rows; i++) {
    let best = 0
    for (let j = 1; j < columns; j++)
      if ((costs[i * columns + j] as number) < (costs[i * columns + best] as number)) best = j
    rowDual[i] = costs[i * columns + best] as number
    if (rowOf[best] === -1) {
      rowOf[best] = i
      columnOf[i] = best
    }
  }
}
