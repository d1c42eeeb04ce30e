import {
  canBeLiveTogether,
  liveContexts,
  type Command,
  type Context,
  type Program,
} from '../commands/index.js'
import {
  actOf,
  acts,
  heldOf,
  holdWaitMs,
  modifierName,
  spotOf,
  tapWaitMs,
  triggerKey,
  triggerName,
  withAct,
  type Act,
} from '../triggers/index.js'
import type { ClashKind } from './clash.js'
import type { Finding, Rule } from './finding.js'

const quoted = (commands: readonly Command[]): string[] => commands.map((c) => `“${c.name}”`)

/** Several commands that answer to one press. */
export const twoCommands: Rule = ({ trigger, program, commands }, { around }) => {
  const rivals = commands.filter((a) => commands.some((b) => a !== b && canBeLiveTogether(a, b, program)))
  if (rivals.length < 2) return []
  const names = quoted(rivals)
  return [
    {
      kind: 'two-commands',
      severity: 'ambiguous',
      layer: 'context',
      message: `${triggerName(trigger, around)} means ${names.slice(0, -1).join(', ')} and ${names.at(-1)} at the same time in ${program.name}${sharedContexts(rivals, program)}.`,
      cause: `Keys of ${program.name} mean several commands at once.`,
      evidence: 'plan',
      commands: rivals,
    },
  ]
}

/** The contexts that two of the commands share, or else those that are live together. */
function sharedContexts(rivals: readonly Command[], program: Program): string {
  const live = (context: Context): number =>
    rivals.filter((r) => liveContexts(r, program).includes(context.id)).length
  const shared = program.contexts.filter((c) => live(c) > 1)
  if (shared.length > 0) return `, ${shared.map((c) => c.name).join(', ')}`
  return `, ${program.contexts
    .filter((c) => live(c) > 0)
    .map((c) => c.name)
    .join(' together with ')}`
}

/** The control is taken by the device's own pages and pop-up sets. */
export const opens: Rule = ({ trigger, commands }, { layers, around }) => {
  const name = triggerName(trigger, around)
  const found = (kind: ClashKind, what: string): Finding => ({
    kind,
    severity: 'ambiguous',
    layer: 'context',
    message: `${name} ${what} already.`,
    cause: `${name} ${what} already.`,
    evidence: 'plan',
    commands,
  })
  const page = layers.opensPage(trigger)
  const popup = layers.opensPopup(trigger)
  return [
    ...(page === undefined
      ? []
      : [found('opens-page', `opens ${page === null ? 'the page before' : 'another page'}`)]),
    ...(popup ? [found('opens-popup', `brings up the pop-up set “${popup.name}”`)] : []),
  ]
}

/** Acts that a shorter one has to be told from: a press from all, two taps from three and a hold, and so on. */
const longerThan = (act: Act): readonly Act[] => {
  if (act === 'press') return ['hold', 'tap2', 'tap3', 'tap4', 'tap5']
  return act.startsWith('tap') ? acts.slice(acts.indexOf(act) + 1).filter((a) => a.startsWith('tap')) : []
}

/** One key worked in several ways: the shorter one has to wait for the longer. */
export const tapsAndHolds: Rule = ({ trigger, program, commands }, { around, group }) => {
  const name = triggerName(trigger, around)
  return longerThan(actOf(trigger)).flatMap((act): Finding[] => {
    const other = withAct(trigger, act)
    if (other === trigger) return []
    const rival = group(program.id, triggerKey(other))
    const waiting = rival
      ? commands.filter((a) => rival.commands.some((b) => canBeLiveTogether(a, b, program)))
      : []
    if (!rival || waiting.length === 0) return []
    const isHold = act === 'hold'
    const wait = isHold
      ? `waits for the release, up to ${holdWaitMs} ms`
      : `waits ${tapWaitMs} ms for ${act === 'tap2' && actOf(trigger) === 'press' ? 'a second tap' : 'further taps'}`
    return [
      {
        kind: isHold ? 'tap-or-hold' : 'one-or-more-taps',
        severity: 'ambiguous',
        layer: 'context',
        message: `${name} ${wait}, since ${triggerName(other, around)} means “${rival.commands[0]?.name}”.`,
        cause: isHold
          ? `A tap waits to be told from a hold, ${holdWaitMs} ms.`
          : `A tap waits for further ones, ${tapWaitMs} ms.`,
        evidence: 'plan',
        commands: [...waiting, ...rival.commands],
      },
    ]
  })
}

/** A control that is held first, and does something of its own when it goes down. */
export const prefix: Rule = ({ trigger, program, commands }, { around, group }) => {
  if (trigger.kind !== 'button' || trigger.withId === undefined) return []
  const { withId, ...alone } = trigger
  const first = { ...alone, controlId: withId, act: 'press' } as const
  const rival = group(program.id, triggerKey(first))
  const both = rival
    ? commands.filter((a) => rival.commands.some((b) => canBeLiveTogether(a, b, program)))
    : []
  if (!rival || both.length === 0) return []
  return [
    {
      kind: 'prefix',
      severity: 'ambiguous',
      layer: 'context',
      message: `${triggerName(trigger, around)} begins with ${triggerName(first, around)}, which means “${rival.commands[0]?.name}” by itself.`,
      cause: 'A press that is the beginning of another one runs a command of its own.',
      evidence: 'plan',
      commands: [...both, ...rival.commands],
    },
  ]
}

/** A modifier that changes what a drag does, held for a command while the pointer drags. */
export const dragModifier: Rule = ({ trigger, program, commands }, { around }) => {
  if (trigger.kind === 'stroke') return []
  const isPointing = around.controls.some((c) => c.id === spotOf(trigger) && c.pointing === true)
  return (program.drags ?? []).flatMap((drag): Finding[] => {
    if (drag.modifier === null || !heldOf(trigger).includes(drag.modifier)) return []
    const concerned = commands.filter(
      (c) =>
        (isPointing || actOf(trigger) === 'during' || c.kind === 'held') &&
        (drag.contextId === null || liveContexts(c, program).includes(drag.contextId)),
    )
    if (concerned.length === 0) return []
    const key = modifierName(drag.modifier, around.systemId)
    return [
      {
        kind: 'drag-modifier',
        severity: 'caution',
        layer: 'context',
        message: `${triggerName(trigger, around)} holds ${key}, which while dragging in ${program.name} ${drag.does}.`,
        cause: `${key} ${drag.does} while dragging in ${program.name}.`,
        evidence: 'plan',
        commands: concerned,
      },
    ]
  })
}

/** A default of the program that is overwritten here and has no other place. */
export const defaultLost: Rule = ({ trigger, program, commands }, { around, isPlaced }) => {
  const lost = (around.defaults?.get(`${program.id} ${triggerKey(trigger)}`) ?? []).filter(
    (c) => !commands.includes(c) && !isPlaced(c.id) && commands.some((o) => canBeLiveTogether(o, c, program)),
  )
  if (lost.length === 0) return []
  return [
    {
      kind: 'default-lost',
      severity: 'caution',
      layer: 'context',
      message: `${triggerName(trigger, around)} was ${quoted(lost).join(' and ')} by default, which no key reaches any more.`,
      cause: `Defaults of ${program.name} that no key reaches any more.`,
      evidence: 'plan',
      commands: [...commands, ...lost],
    },
  ]
}

export const barred: Rule = ({ trigger, commands }, { around }) => {
  const place = spotOf(trigger)
  if (place === null || around.rules?.barredSpots.includes(place) !== true) return []
  return [
    {
      kind: 'barred-key',
      severity: 'caution',
      layer: 'context',
      message: `${triggerName(trigger, around)} is on a key that you have said must not be used.`,
      cause: 'Keys that must not be used carry commands.',
      evidence: 'plan',
      commands,
    },
  ]
}

export const programRules: readonly Rule[] = [
  twoCommands,
  opens,
  tapsAndHolds,
  prefix,
  dragModifier,
  defaultLost,
  barred,
]
