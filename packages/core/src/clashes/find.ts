import {
  canBeLiveTogether,
  liveContexts,
  type Command,
  type Context,
  type Program,
} from '../commands/index.js'
import {
  actOf, characterLegend, holdWaitMs, tapWaitMs, triggerKey, triggerName, withAct, type Chord, type Trigger,
} from '../triggers/index.js' // prettier-ignore
import { severities, type Clash } from './clash.js'
import {
  lackInWords,
  pressLayers,
  sentBy,
  type Placed,
  type PressLayers,
  type Surroundings,
} from './layers.js'
import { relayFaults } from './relay.js'
import type { Typed } from './typing.js'

interface Group {
  readonly trigger: Trigger
  readonly program: Program
  readonly commands: Command[]
  readonly relays: { readonly command: Command; readonly sends: readonly Chord[] }[]
}

type Finding = Pick<Clash, 'severity' | 'layer' | 'message'> & { readonly commands: readonly Command[] }

/**
 * All clashes of an arrangement, most severe first, then by use. One pass over the placements, so that a plan of
 * thousands is checked at once. Placements of unknown commands are passed over.
 */
export function findClashes(placements: readonly Placed[], around: Surroundings): Clash[] {
  const layers = pressLayers(around)
  const groups = groupByTrigger(placements, around)
  const clashes: Clash[] = []
  for (const group of groups.values()) {
    const { trigger, program } = group
    const findings = [
      ...pressFindings(group, layers, around),
      ...relayFaults(group, groups, layers, around),
      ...programFindings(group, groups, layers, around),
    ]
    const ids = new Map<string, number>()
    for (const { commands, ...part } of findings) {
      const base = `${part.layer}:${program.id}:${triggerKey(trigger)}`
      const nth = ids.get(base) ?? 0
      ids.set(base, nth + 1)
      clashes.push({
        id: nth === 0 ? base : `${base}:${nth + 1}`,
        trigger,
        commandIds: commands.map((c) => c.id),
        ...part,
      })
    }
  }
  const uses = new Map(around.commands.map((c) => [c.id, c.usesPerHour]))
  const weight = (clash: Clash): number => clash.commandIds.reduce((s, id) => s + (uses.get(id) ?? 0), 0)
  return clashes.sort(
    (a, b) =>
      severities.indexOf(a.severity) - severities.indexOf(b.severity) ||
      weight(b) - weight(a) ||
      (a.id < b.id ? -1 : 1),
  )
}

/** Groups by `program trigger`. */
export type Groups = ReadonlyMap<string, Group>

function groupByTrigger(placements: readonly Placed[], around: Surroundings): Groups {
  const commands = new Map(around.commands.map((c) => [c.id, c]))
  const programs = new Map(around.programs.map((p) => [p.id, p]))
  const groups = new Map<string, Group>()
  for (const { commandId, trigger, sends } of placements) {
    const command = commands.get(commandId)
    const program = command && programs.get(command.programId)
    if (!program) continue
    const key = `${program.id} ${triggerKey(trigger)}`
    let group = groups.get(key)
    if (!group) groups.set(key, (group = { trigger, program, commands: [], relays: [] }))
    if (!group.commands.includes(command)) group.commands.push(command)
    if (sends) group.relays.push({ command, sends })
  }
  for (const group of groups.values())
    group.commands.sort((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1))
  return groups
}

/** What happens to the press before the program has it. */
function pressFindings(group: Group, layers: PressLayers, around: Surroundings): Finding[] {
  const { trigger, program, commands } = group
  const missing = layers.device(trigger)
  if (missing.length > 0) {
    const names = missing.map((lack) => lackInWords(lack, around))
    return [
      {
        severity: 'blocks',
        layer: 'device',
        message: `No device on this bench has ${names.join(' or ')}.`,
        commands,
      },
    ]
  }
  const findings: Finding[] = []
  // what a relay sends is judged with the relay, command by command
  const [sent] = sentBy(trigger)
  if (!sent) return findings
  const name = triggerName(sent, around)
  const action = layers.system(sent)
  if (action !== null) {
    const message = `${around.system.name} takes ${name} first: ${action}.`
    findings.push({ severity: 'blocks', layer: 'system', message, commands })
  }
  const typed = layers.input(sent)
  const inText = typed ? commands.filter((c) => typingContexts(c, program).length > 0) : []
  if (typed && inText.length > 0) {
    const where = [...new Set(inText.flatMap((c) => typingContexts(c, program)))].join(', ')
    const message = `${name} ${typedInWords(typed)} while text can be typed in ${program.name}, ${where}.`
    findings.push({ severity: 'shadows', layer: 'typing', message, commands: inText })
  }
  return findings
}

/** What the program, or the device's driver, cannot tell apart. */
function programFindings(group: Group, groups: Groups, layers: PressLayers, around: Surroundings): Finding[] {
  const { trigger, program, commands } = group
  const name = triggerName(trigger, around)
  const findings: Finding[] = []
  const add = (message: string, concerned: readonly Command[]): void =>
    void findings.push({ severity: 'ambiguous', layer: 'context', message, commands: concerned })
  const rivals = commands.filter((a) => commands.some((b) => a !== b && canBeLiveTogether(a, b, program)))
  if (rivals.length > 1) {
    const names = rivals.map((c) => `“${c.name}”`)
    add(
      `${name} means ${names.slice(0, -1).join(', ')} and ${names.at(-1)} at the same time in ${program.name}${sharedContexts(rivals, program)}.`,
      rivals,
    )
  }
  const page = layers.opensPage(trigger)
  if (page !== undefined)
    add(`${name} opens ${page === null ? 'the page before' : 'another page'} already.`, commands)
  const popup = layers.opensPopup(trigger)
  if (popup) add(`${name} brings up the pop-up set “${popup.name}” already.`, commands)
  if (actOf(trigger) === 'press') {
    for (const act of ['hold', 'tap2'] as const) {
      const other = withAct(trigger, act)
      if (other === trigger) continue
      const rival = groups.get(`${program.id} ${triggerKey(other)}`)
      const waiting = rival
        ? commands.filter((a) => rival.commands.some((b) => canBeLiveTogether(a, b, program)))
        : []
      if (!rival || waiting.length === 0) continue
      const wait =
        act === 'hold'
          ? `waits for the release, up to ${holdWaitMs} ms`
          : `waits ${tapWaitMs} ms for a second tap`
      add(`${name} ${wait}, since ${triggerName(other, around)} means “${rival.commands[0]?.name}”.`, [
        ...waiting,
        ...rival.commands,
      ])
    }
  }
  return findings
}

/** Names of the contexts in which a command is live and text can be typed. */
export const typingContexts = (command: Command, program: Program): string[] =>
  program.contexts.filter((c) => c.typing && liveContexts(command, program).includes(c.id)).map((c) => c.name)

/** What a chord does to text, in words: `types “ü”`. */
export function typedInWords(typed: Typed): string {
  switch (typed.kind) {
    case 'character':
      return typed.character === ' ' ? 'types a space' : `types “${typed.character}”`
    case 'accent':
      return `starts the accent ${characterLegend(typed.character)}`
    case 'edit':
      return 'edits the text or moves in it'
    case 'unknown':
      return 'types a character'
  }
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
