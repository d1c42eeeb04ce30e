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

/** Cheapest columns of a row that are kept in order; the free ones among them are found without a scan. */
const cacheSize = 16

/** The state of the search. Columns that are taken have a number, and their costs lie together, row by row. */
interface Search {
  readonly costs: Float64Array
  readonly rows: number
  readonly columns: number
  readonly rowDual: Float64Array
  /** number of a column among the taken ones, or -1 */
  readonly takenAs: Int32Array
  /** the taken columns, their rows and duals, by number */
  readonly taken: Int32Array
  readonly rowOf: Int32Array
  readonly dual: Float64Array
  /** rows x rows: costs of the taken columns */
  readonly compact: Float64Array
  /** rows x cacheSize: columns in the order of cost; how many there are, and how many of them are known to be taken */
  readonly cache: Int32Array
  readonly cached: Int32Array
  readonly passed: Int32Array
  /** number of the column of each row */
  readonly numberOf: Int32Array
  count: number
}

/**
 * The linear assignment problem by shortest augmenting paths (Jonker and Volgenant 1987, after Dijkstra). A free column
 * has the dual 0, so of all free columns a row only ever takes its cheapest: the paths run over the taken columns,
 * whose costs are kept together, and end at the cheapest free column of one of their rows.
 * @param costs  row-major, `rows * columns` finite numbers
 * @throws CoreError `ASSIGNMENT_SHAPE` with more rows than columns, or a number of costs that does not fit
 */
export function assign(costs: Float64Array, rows: number, columns: number): Assignment {
  if (rows > columns || costs.length !== rows * columns) {
    throw new CoreError('ASSIGNMENT_SHAPE', {
      where: ['costs'],
      what: `${rows} rows, ${columns} columns and ${costs.length} costs do not fit together`,
      remedy: 'give one cost for each row and column, and at least as many columns as rows',
    })
  }
  const search: Search = {
    costs,
    rows,
    columns,
    rowDual: new Float64Array(rows),
    takenAs: new Int32Array(columns).fill(-1),
    taken: new Int32Array(rows),
    rowOf: new Int32Array(rows).fill(-1),
    dual: new Float64Array(rows),
    compact: new Float64Array(rows * rows),
    cache: new Int32Array(rows * cacheSize),
    cached: new Int32Array(rows),
    passed: new Int32Array(rows),
    numberOf: new Int32Array(rows).fill(-1),
    count: 0,
  }
  const waiting = takeLeast(search)
  const path: Path = {
    distance: new Float64Array(rows),
    from: new Int32Array(rows),
    open: new Int32Array(rows),
  }
  for (const start of waiting) augment(search, path, start)
  const columnOf = new Int32Array(rows)
  const columnDual = new Float64Array(columns)
  let cost = 0
  for (let k = 0; k < search.count; k++) {
    const column = search.taken[k] as number
    const row = search.rowOf[k] as number
    columnOf[row] = column
    columnDual[column] = search.dual[k] as number
  }
  for (let i = 0; i < rows; i++) cost += costs[i * columns + (columnOf[i] as number)] as number
  return { columnOf, cost, rowDual: search.rowDual, columnDual }
}

/** Every row's dual is its least cost; it takes that column where nobody has it yet. Gives the rows that have none. */
function takeLeast(search: Search): number[] {
  const { rows, cache, rowDual, costs, columns, takenAs } = search
  const waiting: number[] = []
  for (let i = 0; i < rows; i++) {
    fillCache(search, i)
    const best = cache[i * cacheSize] as number
    rowDual[i] = costs[i * columns + best] as number
    if (takenAs[best] === -1) take(search, best, i)
    else waiting.push(i)
  }
  return waiting
}

/** The cheapest free columns of a row, in order. */
function fillCache({ costs, columns, cache, cached, passed, takenAs, count }: Search, row: number): void {
  const base = row * columns
  const slot = row * cacheSize
  let size = 0
  let last = Infinity
  for (let j = 0; j < columns; j++) {
    const cost = costs[base + j] as number
    if (size === cacheSize && cost >= last) continue
    // before anything is taken there is nothing to look up
    if (count > 0 && takenAs[j] !== -1 && passed[row] !== 0) continue
    let k = size < cacheSize ? size++ : cacheSize - 1
    while (k > 0 && (costs[base + (cache[slot + k - 1] as number)] as number) > cost) {
      cache[slot + k] = cache[slot + k - 1] as number
      k--
    }
    cache[slot + k] = j
    if (size === cacheSize) last = costs[base + (cache[slot + cacheSize - 1] as number)] as number
  }
  cached[row] = size
  passed[row] = 0
}

/** The cheapest free column of a row, or -1. */
function freeOf(search: Search, row: number): number {
  const { cache, cached, passed, takenAs } = search
  for (let round = 0; round < 2; round++) {
    let k = passed[row] as number
    const slot = row * cacheSize
    while (k < (cached[row] as number) && takenAs[cache[slot + k] as number] !== -1) k++
    passed[row] = k
    if (k < (cached[row] as number)) return cache[slot + k] as number
    // passed is not 0 here, so that taken columns are left out
    fillCache(search, row)
    if (cached[row] === 0) return -1
  }
  return -1
}

function take(search: Search, column: number, row: number): void {
  const k = search.count++
  search.takenAs[column] = k
  search.taken[k] = column
  search.rowOf[k] = row
  search.numberOf[row] = k
  const { costs, rows, columns, compact } = search
  for (let i = 0; i < rows; i++) compact[i * rows + k] = costs[i * columns + column] as number
}

interface Path {
  readonly distance: Float64Array
  readonly from: Int32Array
  readonly open: Int32Array
}

/** Gives `start` a column along the shortest path of exchanges to a free one. */
function augment(search: Search, { distance, from, open }: Path, start: number): void {
  const { rows, compact, rowDual, rowOf, dual, costs, columns, count } = search
  let settled = 0
  let freeColumn = -1
  let freeReach = Infinity
  let freeRow = -1
  for (let k = 0; k < count; k++) {
    open[k] = k
    distance[k] = Infinity
  }
  let row = start
  let reach = 0
  for (;;) {
    const through = reach - (rowDual[row] as number)
    const free = freeOf(search, row)
    if (free !== -1) {
      const d = through + (costs[row * columns + free] as number)
      if (d < freeReach) {
        freeReach = d
        freeColumn = free
        freeRow = row
      }
    }
    const base = row * rows
    let nearest = -1
    let least = Infinity
    for (let k = settled; k < count; k++) {
      const column = open[k] as number
      const d = through + (compact[base + column] as number) - (dual[column] as number)
      let known = distance[column] as number
      if (d < known) {
        distance[column] = d
        from[column] = row
        known = d
      }
      if (known < least) {
        least = known
        nearest = k
      }
    }
    if (freeReach <= least) break
    const column = open[nearest] as number
    open[nearest] = open[settled] as number
    open[settled++] = column
    reach = least
    row = rowOf[column] as number
  }
  // duals along the tree keep all reduced costs at 0 or more
  rowDual[start] = (rowDual[start] as number) + freeReach
  for (let k = 0; k < settled; k++) {
    const column = open[k] as number
    const slack = freeReach - (distance[column] as number)
    dual[column] = (dual[column] as number) - slack
    const holder = rowOf[column] as number
    rowDual[holder] = (rowDual[holder] as number) + slack
  }
  // the rows along the path trade their columns, from the free one back to the start
  let gained = -1
  for (let r = freeRow; ;) {
    const before = r === start ? -1 : (search.numberOf[r] as number)
    if (gained === -1) take(search, freeColumn, r)
    else {
      rowOf[gained] = r
      search.numberOf[r] = gained
    }
    if (r === start) return
    gained = before
    r = from[before] as number
  }
}
