import { roles, type Columns } from '@reach-plot/core/key-tables/roles'

const key = 'reach-plot-table-shapes'
/** So many kinds of files are remembered, the last ones. */
const most = 60

type Shapes = Readonly<Record<string, Columns>>

function read(): Shapes {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '{}') as Shapes
  } catch {
    return {}
  }
}

/** What the person has said the columns of such a file mean; null for a file of a new kind. */
export function rememberedColumns(shape: string, count: number): Columns | null {
  const found = Object.entries(read()).find(([name]) => name === shape)?.[1]
  return Array.isArray(found) && found.length === count && found.every((r) => roles.includes(r))
    ? found
    : null
}

/** Remembers what the columns of such a file mean. */
export function rememberColumns(shape: string, columns: Columns): void {
  const others = Object.entries(read()).filter(([name]) => name !== shape)
  try {
    localStorage.setItem(key, JSON.stringify(Object.fromEntries([...others, [shape, columns]].slice(-most))))
  } catch {
    // they are guessed the next time, too
  }
}
