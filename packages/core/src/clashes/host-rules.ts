import { liveWithAny, type Command } from '../commands/index.js'
import type { StageTake } from '../hosts/index.js'
import { sentBy } from '../model/index.js'
import { chord, heldOf, triggerKey, type Trigger } from '../triggers/index.js'
import type { ClashStage } from './clash.js'
import type { CheckContext, Finding, Group, Rule } from './finding.js'
import { arrivesWithWords, numberBlockWords, onePressTwoChordsWords, takenWords } from './press-words.js'
import type { FindingWords } from './words.js'

const stageOf: Readonly<Record<StageTake['stage'], ClashStage>> = {
  system: 'system',
  'input method': 'input method',
  host: 'host',
  'text field': 'typing',
  program: 'context',
}

/** What takes a press on its way, in the order of the stages; after one that ends it nothing more is asked. */
function takesOf(
  trigger: Trigger,
  { program }: Pick<Group, 'program'>,
  { stages }: Pick<CheckContext, 'stages'>,
): StageTake[] {
  const out: StageTake[] = [...stages.pointer(trigger, program)]
  for (const one of sentBy(trigger)) {
    if (stages.systemTake(one) !== null) return out
    const method = stages.inputMethod(one)
    out.push(...(method ? [method] : []), ...stages.host(one, program))
  }
  const end = out.findIndex((take) => take.severity === 'blocks')
  return end === -1 ? out : out.slice(0, end + 1)
}

/** The input method, the browser, the terminal, and what the pointer does by itself. */
export const hosts: Rule = (group, context) => {
  const { trigger, commands, relays, program } = group
  const { stages, env } = context
  if (stages.device(trigger).length > 0) return []
  // what a relay sends is judged with the relay, command by command; its driver has taken the button itself
  const own = commands.filter((c) => !relays.some((r) => r.command.id === c.id))
  if (own.length === 0) return []
  const pressed = stages.pressed(trigger) ?? trigger
  return takesOf(pressed, group, context).map((take): Finding => ({
    kind: take.kind,
    severity: take.severity,
    stage: stageOf[take.stage],
    ...takenWords(pressed, env, take, program),
    evidence: take.evidence,
    ...(take.remedy !== null && { setting: take.remedy }),
    commands: own,
  }))
}

/** A finding for each chord that arrives as the same press as another one of the program, live together with it. */
function samePress(
  { trigger, program, commands }: Group,
  other: Trigger,
  { group }: CheckContext,
  how: Pick<Finding, 'stage' | 'evidence'>,
  words: (rival: readonly Command[]) => FindingWords,
): Finding[] {
  if (triggerKey(other) === triggerKey(trigger)) return []
  const rivals = group(program.id, triggerKey(other))?.commands ?? []
  const both = liveWithAny(commands, rivals, program)
  return both.length > 0
    ? [
        {
          kind: 'two-commands',
          severity: 'ambiguous',
          ...how,
          ...words(rivals),
          commands: [...both, ...rivals],
        },
      ]
    : []
}

/** Another chord of a program in a terminal that sends the same: Tab for Ctrl+I. */
export const sameInTerminal: Rule = (group, context) => {
  const { trigger, program } = group
  const { stages, env } = context
  if (program.host !== 'terminal' || trigger.kind !== 'chord') return []
  const arrives = stages.arrivesAs(trigger, program)
  if (!arrives || stages.host(trigger, program).some((take) => take.severity === 'blocks')) return []
  return samePress(group, arrives, context, { stage: 'host', evidence: 'catalogue' }, (rival) =>
    arrivesWithWords(trigger, arrives, env, rival),
  )
}

/** On Windows the third-level key is Ctrl with Alt, so that both chords are one press (from memory). */
export const controlAlt: Rule = (group, context) => {
  const { trigger } = group
  const { env } = context
  if (env.systemId !== 'windows' || !env.layout.altGraph || trigger.kind !== 'chord') return []
  const held = heldOf(trigger)
  if (!held.includes('AltGraph')) return []
  const other = chord(trigger.code, [...held.filter((m) => m !== 'AltGraph'), 'Control', 'Alt'])
  return samePress(group, other, context, { stage: 'context', evidence: 'from memory' }, (rival) =>
    onePressTwoChordsWords(trigger, other, env, rival),
  )
}

/** With NumLock on, Shift makes the number block send its cursor keys (from memory). */
export const numberBlock: Rule = ({ trigger, commands }, { env, stages }) => {
  if (trigger.kind !== 'chord' || !/^Numpad(\d|Decimal)$/.test(trigger.code)) return []
  if (!heldOf(trigger).includes('Shift') || stages.device(trigger).length > 0) return []
  return [
    {
      kind: 'number-block-shift',
      severity: 'caution',
      stage: 'input method',
      ...numberBlockWords(trigger, env),
      evidence: 'from memory',
      commands,
    },
  ]
}

export const hostRules: readonly Rule[] = [hosts, sameInTerminal, controlAlt, numberBlock]
