import type { Command } from '../commands/index.js'
import { triggerKey, triggerName, type Naming } from '../triggers/index.js'
import type { Arrangement, Placement, Plan } from './plan.js'

/** Names of the parts of a plan, for a change that has no words of its own: every part has one, so that Undo always says what it is about. */
const partWords: Readonly<
  Record<Exclude<keyof Plan, 'format' | 'version' | 'id' | 'hoursSaid' | 'arrangements'>, string>
> = {
  name: 'name of the plan',
  system: 'system',
  layoutId: 'national layout',
  otherLayoutId: 'other national layout',
  ownSystemKeys: 'own system keys',
  inputMethod: 'input method',
  composeCode: 'Compose key',
  devices: 'devices',
  benches: 'desk',
  programs: 'programs',
  commands: 'commands',
  routines: 'routines',
  hoursPerDay: 'hours of work',
  menusKnown: 'how well menus are known',
  payBackDays: 'days of pay-back',
  own: 'your own figures',
  keyFiles: 'key files that are kept',
  standard: 'the standard that is followed',
  usage: 'log of use',
  rules: 'what is locked',
  weights: 'weights',
  memory: 'ideas and opposites',
  labels: 'labels',
  activeBenchId: 'bench in use',
  activeArrangementId: 'arrangement in use',
  setNowArrangementId: 'what is set now',
}
const partNames = new Map(Object.entries(partWords) as [keyof typeof partWords, string][])

const quoted = (name: string): string => `“${name}”`
const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`

/**
 * What changed between two states of a plan, in a few words: `“Hide shape” on H`, `12 commands changed`.
 * @param naming names the keys of the later state
 */
export function changeInWords(before: Plan, after: Plan, naming: Naming): string {
  if (before.id !== after.id) return `another plan, ${quoted(after.name)}`
  const parts = [...partNames.keys()].filter((part) => before[part] !== after[part])
  const said =
    arrangementsInWords(before, after, naming) ??
    // an edit of commands may touch much else: what names them, what is locked
    (parts.includes('commands') ? commandsInWords(before.commands, after.commands) : null) ??
    listInWords(before, after)
  if (said !== null) return said
  const named = parts.map((part) => partNames.get(part) as string)
  return named.length === 0 ? 'nothing' : named.slice(0, 3).join(', ')
}

function arrangementsInWords(before: Plan, after: Plan, naming: Naming): string | null {
  const { added, gone } = entries(before.arrangements, after.arrangements)
  const [one] = added
  if (one) return `arrangement ${quoted(one.name)} added`
  if (gone[0]) return `arrangement ${quoted(gone[0].name)} deleted`
  if (before.arrangements === after.arrangements || before.commands.length !== after.commands.length)
    return before.activeArrangementId === after.activeArrangementId
      ? null
      : `${quoted(nameOf(after.arrangements, after.activeArrangementId))} in use`
  for (const arrangement of after.arrangements) {
    const earlier = before.arrangements.find((a) => a.id === arrangement.id)
    if (!earlier || earlier === arrangement) continue
    return arrangementInWords(earlier, arrangement, after.commands, naming)
  }
  return null
}

function arrangementInWords(
  before: Arrangement,
  after: Arrangement,
  commands: readonly Command[],
  naming: Naming,
): string | null {
  if (before.name !== after.name) return `arrangement renamed to ${quoted(after.name)}`
  if (before.popups !== after.popups) return 'pop-up sets'
  if (before.accepted !== after.accepted) return 'accepted clashes'
  const keyOf = (p: Placement): string => `${p.commandId}\n${triggerKey(p.trigger)}`
  const were = new Set(before.placements.map(keyOf))
  const are = new Set(after.placements.map(keyOf))
  const added = after.placements.filter((p) => !were.has(keyOf(p)))
  const gone = before.placements.filter((p) => !are.has(keyOf(p)))
  const nameOfCommand = (id: string): string => quoted(nameOf(commands, id))
  const ids = new Set([...added, ...gone].map((p) => p.commandId))
  if (ids.size > 1) {
    const placed = new Set(added.map((p) => p.commandId))
    const removed = [...ids].filter((id) => !placed.has(id)).length
    const parts = [
      ...(placed.size > 0 ? [`${count(placed.size, 'command')} placed`] : []),
      ...(removed > 0 ? [`${removed} removed`] : []),
    ]
    return parts.join(', ')
  }
  const [put] = added
  if (put) return `${nameOfCommand(put.commandId)} on ${triggerName(put.trigger, naming)}`
  const [taken] = gone
  if (taken) return `${nameOfCommand(taken.commandId)} off ${triggerName(taken.trigger, naming)}`
  return before.placements === after.placements ? null : 'what keys send'
}

/** Fields of a command, as the screens call them. */
const fieldNames: ReadonlyMap<string, string> = new Map([
  ['name', 'name'],
  ['programId', 'program'],
  ['contextIds', 'contexts'],
  ['menu', 'menu'],
  ['usesPerHour', 'uses an hour'],
  ['kind', 'kind'],
  ['damage', 'harm of a slip'],
  ['label', 'short label'],
  ['note', 'note'],
  ['hints', 'links'],
  ['oppositeId', 'opposite'],
  ['siblingIds', 'family'],
  ['parameter', 'variant'],
])

function commandsInWords(before: readonly Command[], after: readonly Command[]): string | null {
  const { added, gone, changed } = entries(before, after)
  if (added.length > 0 && gone.length === 0)
    return added.length === 1 && added[0]
      ? `${quoted(added[0].name)} added`
      : `${added.length} commands added`
  if (gone.length > 0)
    return gone.length === 1 && gone[0]
      ? `${quoted(gone[0].name)} deleted`
      : `${gone.length} commands deleted`
  if (changed.length === 0) return null
  const [one] = changed
  if (changed.length > 1 || !one) return `${changed.length} commands changed`
  const [was, is] = one as readonly [Record<string, unknown> & Command, Record<string, unknown> & Command]
  const fields = [...fieldNames].filter(([field]) => was[field] !== is[field]).map(([, name]) => name)
  return `${quoted(was.name)}: ${fields.slice(0, 2).join(', ') || 'details'}`
}

/** Programs, devices, benches and routines that were added, deleted or changed. */
function listInWords(before: Plan, after: Plan): string | null {
  const lists = [
    ['program', before.programs, after.programs],
    ['bench', before.benches, after.benches],
    ['routine', before.routines, after.routines],
    ['device', before.devices.map(named), after.devices.map(named)],
  ] as const
  for (const [what, were, are] of lists) {
    const { added, gone, changed } = entries(were as readonly Named[], are as readonly Named[])
    if (added[0]) return `${what} ${quoted(added[0].name)} added`
    if (gone[0]) return `${what} ${quoted(gone[0].name)} deleted`
    if (what !== 'device' && changed[0]) return `${what} ${quoted(changed[0][1].name)}`
  }
  const device = after.devices.find((d) => !before.devices.includes(d))
  return device ? `device ${quoted(device.name)}` : null
}

interface Named {
  readonly id: string
  readonly name: string
}
const named = ({ id, name }: Named): Named => ({ id, name })
const nameOf = (list: readonly Named[], id: string): string => list.find((e) => e.id === id)?.name ?? id

/** Entries of two lists, by their ids. */
function entries<T extends Named>(
  before: readonly T[],
  after: readonly T[],
): {
  readonly added: readonly T[]
  readonly gone: readonly T[]
  readonly changed: readonly (readonly [T, T])[]
} {
  if (before === after) return { added: [], gone: [], changed: [] }
  const were = new Map(before.map((e) => [e.id, e]))
  const are = new Set(after.map((e) => e.id))
  return {
    added: after.filter((e) => !were.has(e.id)),
    gone: before.filter((e) => !are.has(e.id)),
    changed: after.flatMap((e) => {
      const was = were.get(e.id)
      return was && was !== e ? [[was, e] as const] : []
    }),
  }
}
