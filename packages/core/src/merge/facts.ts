import type { Plan } from '../plan/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'

/** A value of a plan's file. */
export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json }

/** Where a fact of a plan stands: names of parts, and what tells the entries of a list from each other. */
export type FactPath = readonly string[]

/**
 * What a plan says, fact by fact, by the text of its path: settings, parts of a device, fields of a command, all triggers of a command in
 * an arrangement as one fact. Lists whose entries have an identity are told apart by it, so that their order is no difference.
 */
export type Facts = ReadonlyMap<string, { readonly path: FactPath; readonly value: Json }>

/** What tells the entries of a list from each other, by where the list stands; a list that is not here is one fact. */
const identities: readonly (readonly [RegExp, (entry: Readonly<Record<string, Json>>) => string])[] = [
  [/^(devices|benches|programs|commands|routines|arrangements|keyFiles)$/, (e) => String(e['id'])],
  [/^devices \S+ (controls|pages|layers)$/, (e) => String(e['id'])],
  [/^devices \S+ tapHolds$/, (e) => String(e['controlId'])],
  [/^devices \S+ pages \S+ opens$/, (e) => String(e['controlId'])],
  [/^devices \S+ layers \S+ (openedBy|keys)$/, (e) => String(e['controlId'])],
  [/^benches \S+ devices$/, (e) => String(e['deviceId'])],
  [/^benches \S+ probes$/, (e) => `${String(e['system'])}:${String(e['chord'])}`],
  [/^programs \S+ contexts$/, (e) => String(e['id'])],
  [/^arrangements \S+ popups$/, (e) => String(e['id'])],
  [/^arrangements \S+ accepted$/, (e) => String(e['clashId'])],
  [/^standard (keys|deviations)$/, (e) => String(e['commandId'])],
  [/^labels keys$/, (e) => String(e['controlId'])],
]

/** Lists of ids of which each is a fact of its own. */
const sets = /^rules \S+$/

const identityOf = (path: FactPath): ((entry: Readonly<Record<string, Json>>) => string) | undefined =>
  identities.find(([where]) => where.test(path.join(' ')))?.[1]

const isRecord = (value: Json | undefined): value is { readonly [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Names of parts in a path hold no blanks: blanks of ids would split them. */
const part = (name: string): string => name.replaceAll(' ', '\u00a0')

export const pathText = (path: FactPath): string => path.join(' ')

/** The facts of a plan. */
export function factsOf(plan: Plan): Facts {
  const facts = new Map<string, { path: FactPath; value: Json }>()
  const add = (path: FactPath, value: Json): void => void facts.set(pathText(path), { path, value })
  const walk = (path: FactPath, value: Json): void => {
    if (Array.isArray(value)) return walkList(path, value as readonly Json[])
    if (!isRecord(value)) return add(path, value)
    const entries = Object.entries(value)
    // what has no parts is a fact by itself, so that it is not lost
    if (entries.length === 0) return add([...path, '{}'], {})
    for (const [key, inner] of entries) walk([...path, part(key)], inner)
  }
  const walkList = (path: FactPath, list: readonly Json[]): void => {
    if (isPlacements(path)) return walkPlacements(path, list)
    const identity = identityOf(path)
    const names = identity && list.every(isRecord) ? list.map((entry) => identity(entry)) : []
    // entries that cannot be told apart stay one fact
    const isKeyed =
      identity !== undefined && names.length === list.length && new Set(names).size === list.length
    if (!isKeyed && !sets.test(pathText(path))) return add(path, list)
    // an empty list is told from one that is left out
    add([...path, '[]'], [])
    for (const entry of list)
      if (isKeyed && isRecord(entry)) walk([...path, part(identity(entry))], entry)
      else add([...path, part(String(entry))], entry)
  }
  const walkPlacements = (path: FactPath, list: readonly Json[]): void => {
    add([...path, '[]'], [])
    const byCommand = new Map<string, Json[]>()
    for (const placed of list) {
      const id = isRecord(placed) ? String(placed['commandId']) : ''
      byCommand.set(id, [...(byCommand.get(id) ?? []), placed])
    }
    for (const [id, placed] of byCommand)
      add(
        [...path, part(id)],
        placed.toSorted((a, b) => placementText(a).localeCompare(placementText(b))),
      )
  }
  walk([], plan as unknown as Json)
  return facts
}

/** Whether a path is that of an arrangement's list of placements. */
export const isPlacements = (path: FactPath): boolean =>
  path.length === 3 && path[0] === 'arrangements' && path[2] === 'placements'

/** A placement as a text that is the same for the same trigger and contexts. */
export function placementText(placed: Json): string {
  if (!isRecord(placed)) return ''
  const contexts = Array.isArray(placed['contextIds']) ? placed['contextIds'].join() : ''
  return `${triggerKey(placed['trigger'] as unknown as Trigger)} ${contexts}`
}

/**
 * A plan made of facts, in the order of another plan as far as its entries are there too; what is new comes last.
 * @param like  the plan whose order of fields and entries is kept
 */
export function planOf(facts: Facts, like: Plan): Json {
  const tree = new Map<string, Branch>()
  for (const { path, value } of facts.values()) grow(tree, path, value)
  return shaped({ parts: tree }, like as unknown as Json, [])
}

interface Branch {
  readonly parts?: Map<string, Branch>
  readonly value?: Json
}

function grow(tree: Map<string, Branch>, path: FactPath, value: Json): void {
  const [head = '', ...rest] = path
  if (rest.length === 0) {
    tree.set(head, { value })
    return
  }
  let branch = tree.get(head)
  if (!branch?.parts) tree.set(head, (branch = { parts: new Map() }))
  grow(branch.parts as Map<string, Branch>, rest, value)
}

function shaped({ parts, value }: Branch, like: Json | undefined, path: FactPath): Json {
  if (!parts) return value as Json
  const isList = parts.has('[]')
  const names = [...parts.keys()].filter((name) => name !== '[]' && name !== '{}')
  const inner = (name: string, beside: Json | undefined): Json =>
    shaped(parts.get(name) as Branch, beside, [...path, name])
  if (isList) {
    const before = Array.isArray(like) ? (like as readonly Json[]) : []
    return isPlacements(path) ? shapedPlacements(parts, before) : shapedList(names, before, path, inner)
  }
  const beside = isRecord(like) ? like : {}
  const ordered = inOrder(
    names,
    Object.keys(beside).map((key) => part(key)),
  )
  return Object.fromEntries(
    ordered.map((name) => [
      name.replaceAll('\u00a0', ' '),
      inner(name, beside[name.replaceAll('\u00a0', ' ')]),
    ]),
  )
}

function shapedList(
  names: readonly string[],
  before: readonly Json[],
  path: FactPath,
  inner: (name: string, beside: Json | undefined) => Json,
): Json[] {
  const identity = identityOf(path)
  const nameOf = (entry: Json): string => part(identity && isRecord(entry) ? identity(entry) : String(entry))
  const entryOf = new Map(before.map((entry) => [nameOf(entry), entry]))
  return inOrder(names, [...entryOf.keys()]).map((name) => inner(name, entryOf.get(name)))
}

/** Placements stand where they stood, each command's as they are now; those of others come last. */
function shapedPlacements(parts: ReadonlyMap<string, Branch>, before: readonly Json[]): Json[] {
  const left = new Map<string, Json[]>(
    [...parts].flatMap(([name, { value }]) =>
      name === '[]' || !Array.isArray(value) ? [] : [[name, [...(value as readonly Json[])]] as const],
    ),
  )
  const out: Json[] = []
  for (const placed of before) {
    const list = left.get(part(isRecord(placed) ? String(placed['commandId']) : ''))
    if (!list || list.length === 0) continue
    const same = list.findIndex((p) => placementText(p) === placementText(placed))
    // a trigger that has changed takes the rank of the one that it stands for
    const [now] = list.splice(same === -1 ? 0 : same, 1)
    if (now !== undefined) out.push(now)
  }
  return [...out, ...[...left.values()].flat()]
}

const inOrder = (names: readonly string[], before: readonly string[]): string[] => {
  const known = new Set(names)
  const kept = before.filter((name) => known.has(name))
  const seen = new Set(kept)
  return [...kept, ...names.filter((name) => !seen.has(name))]
}
