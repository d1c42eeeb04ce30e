import { CoreError } from '../errors.js'
import { parseJson } from '../json.js'
import { emptyPlan, migrate, planSchema, type Plan } from '../plan/index.js'
import { checkReferences } from './references.js'

/** A part of a plan that has to go so that the rest can be read. */
export interface DroppedPart {
  readonly where: readonly (string | number)[]
  readonly what: string
}

/** The rest of a plan that could not be read, and what of it is gone. */
export interface SalvagedPlan {
  readonly plan: Plan
  readonly dropped: readonly DroppedPart[]
}

/** Parts that are dropped before it is given up. Assumed. */
const mostDropped = 5000

type Path = readonly (string | number)[]

/** Parts that name one another: where one of them alone cannot be put back, they are put back together. */
const together: readonly (readonly string[])[] = [
  ['devices', 'benches', 'activeBenchId'],
  ['arrangements', 'activeArrangementId', 'setNowArrangementId'],
]

/** Parts of a plan without which it is none: a missing or unreadable one is put back as an empty plan has it. */
const startOf = (part: string): unknown => (emptyPlan() as Record<string, unknown>)[part]

/**
 * Reads as much of a plan as can be read: entries that are wrong are dropped one by one, the smallest that holds the
 * fault. The text itself is not changed.
 * @returns null when the text is no plan at all, or more is wrong than right
 */
export function salvagePlan(text: string): SalvagedPlan | null {
  const parsed = parseJson(text)
  if ('what' in parsed) return null
  const raw = parsed.value
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw)) return null
  const migrated = migrate(raw as Record<string, unknown>)
  const data = { ...emptyPlan(), ...structuredClone(migrated) } as Record<string, unknown>
  const dropped: DroppedPart[] = []
  const putBack = new Map<string, number>()
  while (dropped.length < mostDropped) {
    const read = faultOf(data)
    if ('plan' in read) return { plan: read.plan, dropped }
    // names that lead nowhere are many where a part is gone: the whole is only read again when none is left
    let fault: Faults | null = read
    for (; fault && dropped.length < mostDropped; fault = read.isByReference ? referenceFault(data) : null)
      for (const { path, what } of fault.faults) {
        const where = drop(data, path, putBack)
        if (where === null) return null
        dropped.push({ where, what })
      }
  }
  return null
}

interface Faults {
  readonly faults: readonly { readonly path: Path; readonly what: string }[]
  /** each part can be read, and one names what is not there */
  readonly isByReference: boolean
}

/** The first name that leads nowhere; null for none. */
function referenceFault(data: unknown): Faults | null {
  try {
    checkReferences(data as Plan, 'plan')
    return null
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    return {
      faults: [{ path: error.detail.where.slice(1), what: error.detail.what }],
      isByReference: true,
    }
  }
}

/** What is wrong with the data, or the plan that it is. */
function faultOf(data: Record<string, unknown>): Faults | { readonly plan: Plan } {
  const read = planSchema.safeParse(data)
  if (!read.success) {
    // from the end, so that what is dropped does not shift what is dropped next
    const issues = read.error.issues.map((issue) => ({
      path: (issue.code === 'unrecognized_keys' ? [...issue.path, issue.keys[0] ?? ''] : issue.path) as (
        string | number
      )[],
      what: issue.message,
    }))
    const one = issues.toSorted((a, b) => comparePaths(b.path, a.path))
    return {
      faults: one.filter((f, i) => i === 0 || !isWithin(one[i - 1]?.path ?? [], f.path)).slice(0, 200),
      isByReference: false,
    }
  }
  return referenceFault(read.data) ?? { plan: read.data }
}

function comparePaths(a: Path, b: Path): number {
  for (let i = 0; i < Math.min(a.length, b.length); i++) {
    const [x, y] = [a[i] as string | number, b[i] as string | number]
    if (x === y) continue
    if (typeof x === 'number' && typeof y === 'number') return x - y
    return String(x) < String(y) ? -1 : 1
  }
  return a.length - b.length
}

const isWithin = (inner: Path, outer: Path): boolean =>
  // two faults of one entry need it dropped once
  entryOf(inner).join('\n') === entryOf(outer).join('\n')

/** Lists of which one name can go without what is left meaning something else. */
const setsOfNames: ReadonlySet<unknown> = new Set([
  'contextIds',
  'siblingIds',
  'overlaps',
  'off',
  'lockedCommandIds',
  'lockedControls',
  'lockedProgramIds',
  'barredControls',
])

/** Lists whose entries are names or numbers that belong together, such as the modifiers of a chord: all of it goes. */
const wholeLists: ReadonlySet<unknown> = new Set([
  'modifiers',
  'sends',
  'chords',
  'then',
  'menu',
  'commandIds',
  'steps',
])

/** The path of the smallest entry of a list that can go by itself; the whole part where there is none. */
function entryOf(path: Path): Path {
  const isEntry = (step: string | number, i: number): boolean =>
    typeof step === 'number' && (setsOfNames.has(path[i - 1]) || !wholeLists.has(path[i - 1]))
  const last = path.findLastIndex(isEntry)
  return last === -1 ? path.slice(0, 1) : path.slice(0, last + 1)
}

/** Takes the entry out that holds the place; gives its path, or null where there is nothing left to take. */
function drop(data: Record<string, unknown>, path: Path, putBack: Map<string, number>): Path | null {
  const [part] = path
  if (typeof part !== 'string' || !Object.hasOwn(data, part)) return null
  const entry = entryOf(path)
  if (entry.length === 1) {
    const times = (putBack.get(part) ?? 0) + 1
    putBack.set(part, times)
    // what does not hold after it was put back with all that belongs to it never will
    if (times > 2) return null
    const group = times === 1 ? [part] : (together.find((names) => names.includes(part)) ?? [])
    for (const name of group) {
      const start = startOf(name)
      if (start === undefined) Reflect.deleteProperty(data, name)
      else data[name] = start
    }
    return group.length > 0 ? entry : null
  }
  let holder: unknown = data
  for (const step of entry.slice(0, -1)) holder = (holder as Record<string, unknown>)?.[step]
  const at = entry.at(-1) as number
  if (!Array.isArray(holder) || at >= holder.length) return null
  holder.splice(at, 1)
  return entry
}
