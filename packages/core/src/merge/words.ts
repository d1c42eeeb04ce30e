import type { Plan } from '../plan/index.js'
import { triggerName, type Naming, type Trigger } from '../triggers/index.js'
import type { Conflict } from './merge.js'
import type { Difference } from './diff.js'
import type { FactPath, Json } from './facts.js'

/** What kinds of differences there are, in the order in which they are shown. */
export const differenceKinds = [
  'placements',
  'commands',
  'programs',
  'devices',
  'benches',
  'labels',
  'rules',
  'settings',
] as const
/** What a difference is about. */
export type DifferenceKind = (typeof differenceKinds)[number]

/** What a difference is about, by where it stands. */
export function kindOf({ path }: Pick<Difference, 'path'>): DifferenceKind {
  const [head = ''] = path
  if (head === 'arrangements') return 'placements'
  if (head === 'routines') return 'commands'
  return differenceKinds.find((kind) => kind === head) ?? 'settings'
}

const text = (value: Json | undefined): string =>
  value === undefined
    ? 'nothing'
    : typeof value === 'string'
      ? `“${value}”`
      : JSON.stringify(value).slice(0, 120)

const triggersOf = (value: Json | undefined, naming: Naming): string => {
  const list = Array.isArray(value) ? (value as readonly { readonly trigger: Trigger }[]) : []
  return list.length === 0 ? 'no key' : list.map((p) => triggerName(p.trigger, naming)).join(' and ')
}

const nameIn = (
  plans: readonly Plan[],
  list: 'commands' | 'programs' | 'devices' | 'benches' | 'arrangements' | 'routines',
  id: string,
): string => {
  const plain = id.replaceAll('\u00a0', ' ')
  for (const plan of plans) {
    const found = (plan[list] as readonly { readonly id: string; readonly name: string }[]).find(
      (e) => e.id === plain,
    )
    if (found) return found.name
  }
  return plain
}

/** Whose and which a fact is, in words: `“Undo” in “Field season”`, `the keys of “Pad”`. */
export function factInWords(path: FactPath, plans: readonly Plan[]): string {
  const [list = '', id = '', ...rest] = path
  if (list === 'arrangements' && rest[0] === 'placements')
    return `“${nameIn(plans, 'commands', rest[1] ?? '')}” in “${nameIn(plans, 'arrangements', id)}”`
  const of = rest.filter((r) => r !== '[]' && r !== '{}').join(' › ')
  switch (list) {
    case 'commands':
    case 'programs':
    case 'devices':
    case 'benches':
    case 'arrangements':
    case 'routines':
      return `“${nameIn(plans, list, id)}”${of === '' ? '' : `, ${of}`}`
    default:
      return path.filter((r) => r !== '[]' && r !== '{}').join(' › ')
  }
}

/** A difference as one line. */
export function differenceInWords(difference: Difference, plans: readonly Plan[], naming: Naming): string {
  const { path, before, after } = difference
  const whose = factInWords(path, plans)
  return path[0] === 'arrangements' && path[2] === 'placements'
    ? `${whose}: ${triggersOf(before, naming)} → ${triggersOf(after, naming)}`
    : `${whose}: ${text(before)} → ${text(after)}`
}

/** A conflict as one line, with both sides. */
export function conflictInWords(conflict: Conflict, plans: readonly Plan[], naming: Naming): string {
  const { path, base, ours, theirs } = conflict
  const said = (value: Json | undefined): string =>
    path[0] === 'arrangements' && path[2] === 'placements' ? triggersOf(value, naming) : text(value)
  return `${factInWords(path, plans)}: was ${said(base)}, ours ${said(ours)}, theirs ${said(theirs)}`
}
