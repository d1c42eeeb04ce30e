import type { Plan } from '../plan/index.js'
import { sameValue } from './diff.js'
import { factsOf, pathText, planOf, type FactPath, type Facts, type Json } from './facts.js'

/** A fact that both sides have changed, each in its own way. */
export interface Conflict {
  readonly path: FactPath
  readonly base: Json | undefined
  readonly ours: Json | undefined
  readonly theirs: Json | undefined
  /** which side is proposed: what is changed over what is gone, else ours */
  readonly proposal: 'ours' | 'theirs'
}

/** A plan of which two people had a copy, made one again. */
export interface Merge {
  /** the merged plan, not yet checked; conflicts keep ours */
  readonly plan: Json
  readonly conflicts: readonly Conflict[]
  /** facts that only theirs has changed, and that are in the plan now */
  readonly taken: number
}

/**
 * Merges two plans that were the same once, fact by fact: what one side changed is taken, what both changed alike is taken once, and what
 * both changed differently is a conflict and stays as ours has it. What one side took away while the other goes on using it stays.
 */
export function mergePlans(base: Plan, ours: Plan, theirs: Plan): Merge {
  const [was, mine, other] = [factsOf(base), factsOf(ours), factsOf(theirs)]
  const merged = new Map(mine)
  const conflicts: Conflict[] = []
  let taken = 0
  const all = new Map([...was, ...mine, ...other].map(([text, { path }]) => [text, path]))
  for (const [text, path] of all) {
    const [b, o, t] = [was.get(text)?.value, mine.get(text)?.value, other.get(text)?.value]
    if (sameValue(o, t) || sameValue(b, t)) continue
    if (sameValue(b, o)) {
      taken++
      if (t === undefined) merged.delete(text)
      else merged.set(text, { path, value: t })
    } else
      conflicts.push({
        path,
        base: b,
        ours: o,
        theirs: t,
        proposal: o === undefined && t !== undefined ? 'theirs' : 'ours',
      })
  }
  restoreUsed(merged, [mine, other, was])
  return { plan: planOf(merged, ours), conflicts, taken }
}

/** What is still named brings back what was taken away on one side only: a command that is placed, a program that has commands. */
function restoreUsed(merged: Map<string, { path: FactPath; value: Json }>, sources: readonly Facts[]): void {
  const has = (list: string, id: string): boolean => merged.has(pathText([list, id, 'id']))
  const restore = (list: string, id: string): void => {
    const from = sources.find((facts) => facts.has(pathText([list, id, 'id'])))
    for (const [text, fact] of from ?? [])
      if (fact.path[0] === list && fact.path[1] === id && !merged.has(text)) merged.set(text, fact)
  }
  // a command first, then the program that it needs
  for (const [list, idsOf] of needed)
    for (const fact of [...merged.values()])
      for (const id of idsOf(fact.path, fact.value)) if (!has(list, id)) restore(list, id)
  dropOrphans(merged)
  // what is locked and not there any more is no lock
  for (const [text, { path }] of [...merged])
    if (
      path[0] === 'rules' &&
      path[2] !== '[]' &&
      lockedLists[path[1] ?? ''] &&
      !has(lockedLists[path[1] ?? ''] as string, path[2] ?? '')
    )
      merged.delete(text)
}

/** Rules that name entries of a list. */
const lockedLists: Readonly<Record<string, string>> = {
  lockedCommandIds: 'commands',
  lockedProgramIds: 'programs',
  devicesLeftOut: 'devices',
}

const idIn = (value: Json, field: string): string[] =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && field in value
    ? [String((value as Readonly<Record<string, Json>>)[field])]
    : []

/** Lists whose entries others name, with what names them. */
const needed: readonly (readonly [string, (path: FactPath, value: Json) => readonly string[]])[] = [
  [
    'commands',
    (path, value) =>
      path[0] === 'arrangements' && path[2] === 'placements' && path[3] !== '[]' && Array.isArray(value)
        ? (value as readonly Json[]).flatMap((placed) => idIn(placed, 'commandId'))
        : [],
  ],
  [
    'benches',
    (path, value) =>
      path[0] === 'arrangements' && path[2] === 'placements' && path[3] !== '[]' && Array.isArray(value)
        ? (value as readonly Json[]).flatMap((placed) => idIn(placed, 'benchId'))
        : [],
  ],
  [
    'programs',
    (path, value) =>
      (path[0] === 'commands' || path[0] === 'keyFiles') && path[2] === 'programId' ? [String(value)] : [],
  ],
  ['devices', (path, value) => (path[0] === 'benches' && path[4] === 'deviceId' ? [String(value)] : [])],
]

/** An entry of which only parts are left, since one side took it away and the other changed a part, is whole or gone. */
function dropOrphans(merged: Map<string, { path: FactPath; value: Json }>): void {
  const lists = new Set([
    'commands',
    'programs',
    'devices',
    'benches',
    'routines',
    'arrangements',
    'keyFiles',
  ])
  for (const [text, { path }] of [...merged])
    if (
      lists.has(path[0] ?? '') &&
      path[1] !== '[]' &&
      !merged.has(pathText([path[0] as string, path[1] as string, 'id']))
    )
      merged.delete(text)
}
