import {
  canBeLiveTogether,
  liveContexts,
  liveWithAny,
  livesEverywhere,
  type Command,
  type Context,
  type Program,
} from '../commands/index.js'
import { groupKey } from '../model/index.js'
import {
  actOf,
  acts,
  heldOf,
  modifierName,
  controlRefOf,
  triggerKey,
  withAct,
  type Act,
  type Trigger,
} from '../triggers/index.js'
import type { ClashKind } from './clash.js'
import type { Finding, Rule } from './finding.js'
import {
  barredWords,
  defaultLostWords,
  dragModifierWords,
  hiddenWords,
  opensPageWords,
  opensPopupWords,
  prefixWords,
  tapWaitsWords,
  twoCommandsWords,
  whileHeldWords,
} from './program-words.js'
import type { FindingWords } from './words.js'

/** Several commands that answer to one press. */
export const twoCommands: Rule = ({ trigger, program, commands }, { env }) => {
  const rivals = commands.filter((a) =>
    commands.some((b) => a !== b && canBeLiveTogether(a, b, program) && !isDecided(a, b, program)),
  )
  if (rivals.length < 2) return []
  return [
    {
      kind: 'two-commands',
      severity: 'ambiguous',
      stage: 'context',
      ...twoCommandsWords(trigger, env, program, rivals, ...sharedContexts(rivals, program)),
      evidence: 'plan',
      commands: rivals,
    },
  ]
}

/** Whether one of two commands answers for sure: a context's own before what lives everywhere. */
const isDecided = (a: Command, b: Command, program: Program): boolean =>
  program.contextsTie !== true && livesEverywhere(a, program) !== livesEverywhere(b, program)

/** A command that lives everywhere, on a key that a context has a command of its own on. */
export const hiddenInContext: Rule = ({ trigger, program, commands }, { env }) =>
  commands.flatMap((command): Finding[] => {
    if (!livesEverywhere(command, program) || program.contextsTie === true) return []
    const before = commands.filter(
      (c) => !livesEverywhere(c, program) && canBeLiveTogether(c, command, program),
    )
    if (before.length === 0) return []
    return [
      {
        kind: 'hidden-in-context',
        severity: 'shadows',
        stage: 'context',
        ...hiddenWords(command, trigger, env, program, before),
        evidence: 'plan',
        commands: [command],
      },
    ]
  })

/** The contexts that two of the commands share, and those in which any of them is live. */
function sharedContexts(rivals: readonly Command[], program: Program): [shared: Context[], live: Context[]] {
  const live = (context: Context): number =>
    rivals.filter((r) => liveContexts(r, program).includes(context.id)).length
  return [program.contexts.filter((c) => live(c) > 1), program.contexts.filter((c) => live(c) > 0)]
}

/** The control is taken by the device's own pages and pop-up sets. */
export const opens: Rule = ({ trigger, program, commands }, { stages, env }) => {
  const found = (kind: ClashKind, words: FindingWords): Finding => ({
    kind,
    severity: 'ambiguous',
    stage: 'context',
    ...words,
    evidence: 'plan',
    commands,
  })
  const page = stages.opensPage(trigger)
  const popup = stages.opensPopup(trigger, program.id)
  return [
    ...(page === undefined ? [] : [found('opens-page', opensPageWords(trigger, env, page))]),
    ...(popup ? [found('opens-popup', opensPopupWords(trigger, env, popup))] : []),
  ]
}

/** Acts that a shorter one has to be told from: a press from all, two taps from three and a hold, and so on. */
const longerThan = (act: Act): readonly Act[] => {
  if (act === 'press') return ['hold', 'during', 'tap2', 'tap3', 'tap4', 'tap5']
  if (act === 'hold') return ['during']
  return act.startsWith('tap') ? acts.slice(acts.indexOf(act) + 1).filter((a) => a.startsWith('tap')) : []
}

/** One key worked in several ways: the shorter one has to wait for the longer. */
export const tapsAndHolds: Rule = ({ trigger, program, commands }, { env, group }) => {
  return longerThan(actOf(trigger)).flatMap((act): Finding[] => {
    const other = withAct(trigger, act)
    if (other === trigger) return []
    const rivals = group(program.id, triggerKey(other))?.commands ?? []
    const waiting = liveWithAny(commands, rivals, program)
    if (waiting.length === 0) return []
    if (act === 'during')
      return [
        {
          kind: 'while-held',
          severity: 'ambiguous',
          stage: 'context',
          ...whileHeldWords(trigger, other, env, rivals),
          evidence: 'plan',
          commands: [...waiting, ...rivals],
        },
      ]
    const isHold = act === 'hold'
    const isSecond = act === 'tap2' && actOf(trigger) === 'press'
    const waitsFor = isHold ? 'a hold' : isSecond ? 'a second tap' : 'further taps'
    return [
      {
        kind: isHold ? 'tap-or-hold' : 'one-or-more-taps',
        severity: 'ambiguous',
        stage: 'context',
        ...tapWaitsWords(trigger, other, env, rivals, waitsFor),
        evidence: 'plan',
        commands: [...waiting, ...rivals],
      },
    ]
  })
}

/** What a trigger begins with that could be a trigger itself: the control held first, or the chords before the last. */
function beginningsOf(trigger: Trigger): Trigger[] {
  if (trigger.kind === 'sequence')
    return trigger.chords.slice(0, -1).map((first, i) => {
      const chords = trigger.chords.slice(0, i + 1)
      return chords.length === 1 ? first : { kind: 'sequence', chords }
    })
  if (trigger.kind !== 'button' || trigger.withId === undefined) return []
  const { withId, ...alone } = trigger
  return [{ ...alone, controlId: withId, act: 'press' }]
}

/** A press that is the beginning of another one, and does something of its own. */
export const prefix: Rule = ({ trigger, program, commands }, { env, group }) =>
  beginningsOf(trigger).flatMap((first): Finding[] => {
    const rivals = group(program.id, triggerKey(first))?.commands ?? []
    const both = liveWithAny(commands, rivals, program)
    if (both.length === 0) return []
    return [
      {
        kind: 'prefix',
        severity: 'ambiguous',
        stage: 'context',
        ...prefixWords(trigger, first, env, rivals),
        evidence: 'plan',
        commands: [...both, ...rivals],
      },
    ]
  })

/** A modifier that changes what a drag does, held for a command while the pointer drags. */
export const dragModifier: Rule = ({ trigger, program, commands }, { env }) => {
  if (trigger.kind === 'stroke') return []
  const isPointing = env.controls.some((c) => c.id === controlRefOf(trigger) && c.pointing === true)
  return (program.drags ?? []).flatMap((drag): Finding[] => {
    if (drag.modifier === null || !heldOf(trigger).includes(drag.modifier)) return []
    const concerned = commands.filter(
      (c) =>
        (isPointing || actOf(trigger) === 'during' || c.kind === 'held') &&
        (drag.contextId === null || liveContexts(c, program).includes(drag.contextId)),
    )
    if (concerned.length === 0) return []
    const key = modifierName(drag.modifier, env.systemId)
    return [
      {
        kind: 'drag-modifier',
        severity: 'caution',
        stage: 'context',
        ...dragModifierWords(trigger, env, program, key, drag.does),
        evidence: 'plan',
        commands: concerned,
      },
    ]
  })
}

/** A default of the program that is overwritten here and has no other place. */
export const defaultLost: Rule = ({ trigger, program, commands }, { env, isPlaced }) => {
  const lost = (env.defaults?.get(groupKey(program.id, triggerKey(trigger))) ?? []).filter(
    (c) =>
      !commands.some((o) => o.id === c.id) &&
      !isPlaced(c.id) &&
      commands.some((o) => canBeLiveTogether(o, c, program)),
  )
  if (lost.length === 0) return []
  return [
    {
      kind: 'default-lost',
      severity: 'caution',
      stage: 'context',
      ...defaultLostWords(trigger, env, program, lost),
      evidence: 'plan',
      commands: [...commands, ...lost],
    },
  ]
}

export const barred: Rule = ({ trigger, commands }, { env }) => {
  const place = controlRefOf(trigger)
  if (place === null || env.rules?.barredControls.includes(place) !== true) return []
  return [
    {
      kind: 'barred-key',
      severity: 'caution',
      stage: 'context',
      ...barredWords(trigger, env),
      evidence: 'plan',
      commands,
    },
  ]
}

export const programRules: readonly Rule[] = [
  twoCommands,
  hiddenInContext,
  opens,
  tapsAndHolds,
  prefix,
  dragModifier,
  defaultLost,
  barred,
]
