import type { Control } from '../bench/index.js'
import {
  canBeLiveTogether,
  liveContexts,
  type Command,
  type Context,
  type Program,
} from '../commands/index.js'
import {
  characterLegend,
  modifierCodes,
  modifierName,
  triggerKey,
  triggerName,
  type Modifier,
  type NationalLayout,
  type SystemId,
  type Trigger,
} from '../triggers/index.js'
import { severities, type Clash } from './clash.js'
import { systemActions, type SystemKeys } from './system-keys.js'
import { typedBy, type Typed } from './typing.js'

/** What stands around an arrangement: programs, commands, the system, the layout and the keys that are there. */
export interface Surroundings {
  readonly programs: readonly Program[]
  readonly commands: readonly Command[]
  readonly systemId: SystemId
  readonly system: SystemKeys
  readonly layout: NationalLayout
  /** controls on the bench */
  readonly controls: readonly Control[]
}

interface Group {
  readonly trigger: Trigger
  readonly program: Program
  readonly commands: Command[]
}

/**
 * All clashes of an arrangement, most severe first, then by use. One pass over the placements, so that a plan of
 * thousands is checked at once. Placements of unknown commands are passed over.
 */
export function findClashes(
  placements: readonly { readonly commandId: string; readonly trigger: Trigger }[],
  around: Surroundings,
): Clash[] {
  const taken = systemActions(around.system, around.layout)
  const codes = new Set(around.controls.map((c) => c.code))
  const clashes: Clash[] = []
  for (const group of groupByTrigger(placements, around)) {
    const { trigger, program } = group
    const key = triggerKey(trigger)
    const name = triggerName(trigger, around.layout, around.systemId)
    const add = (part: Pick<Clash, 'severity' | 'layer' | 'message'>, commands: readonly Command[]): void => {
      clashes.push({
        id: `${part.layer}:${program.id}:${key}`,
        trigger,
        commandIds: commands.map((c) => c.id),
        ...part,
      })
    }
    const missing = missingKeys(trigger, codes, around.layout.altGraph)
    if (missing.length > 0) {
      const names = missing.map((m) =>
        m === trigger.code ? m : modifierName(m as Modifier, around.systemId),
      )
      add(
        {
          severity: 'blocks',
          layer: 'device',
          message: `No device on this bench has the key ${names.join(' or ')}.`,
        },
        group.commands,
      )
      continue
    }
    const action = taken.get(key)
    if (action !== undefined) {
      add(
        {
          severity: 'blocks',
          layer: 'system',
          message: `${around.system.name} takes ${name} first: ${action}.`,
        },
        group.commands,
      )
    }
    const typed = typedBy(trigger, around.layout, around.systemId)
    if (typed) {
      const inText = group.commands.filter((c) => typingContexts(c, program).length > 0)
      if (inText.length > 0)
        add(
          { severity: 'shadows', layer: 'typing', message: typingMessage(name, typed, inText, program) },
          inText,
        )
    }
    const rivals = group.commands.filter((a) =>
      group.commands.some((b) => a !== b && canBeLiveTogether(a, b, program)),
    )
    if (rivals.length > 1) {
      const names = rivals.map((c) => `“${c.name}”`)
      add(
        {
          severity: 'ambiguous',
          layer: 'context',
          message: `${name} means ${names.slice(0, -1).join(', ')} and ${names.at(-1)} at the same time in ${program.name}${sharedContexts(rivals, program)}.`,
        },
        rivals,
      )
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

function groupByTrigger(
  placements: readonly { readonly commandId: string; readonly trigger: Trigger }[],
  around: Surroundings,
): Iterable<Group> {
  const commands = new Map(around.commands.map((c) => [c.id, c]))
  const programs = new Map(around.programs.map((p) => [p.id, p]))
  const groups = new Map<string, Group>()
  for (const { commandId, trigger } of placements) {
    const command = commands.get(commandId)
    const program = command && programs.get(command.programId)
    if (!program) continue
    const key = `${program.id} ${triggerKey(trigger)}`
    let group = groups.get(key)
    if (!group) groups.set(key, (group = { trigger, program, commands: [] }))
    if (!group.commands.includes(command)) group.commands.push(command)
  }
  for (const group of groups.values())
    group.commands.sort((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1))
  return groups.values()
}

/** The key code and the modifiers of a trigger that no device has. */
function missingKeys(trigger: Trigger, codes: ReadonlySet<string | null>, altGraph: boolean): string[] {
  const missing: string[] = trigger.modifiers.filter(
    (m) => !modifierCodes(m, altGraph).some((code) => codes.has(code)),
  )
  if (!codes.has(trigger.code)) missing.push(trigger.code)
  return missing
}

/** Names of the contexts in which a command is live and text can be typed. */
export const typingContexts = (command: Command, program: Program): string[] =>
  program.contexts.filter((c) => c.typing && liveContexts(command, program).includes(c.id)).map((c) => c.name)

function typingMessage(name: string, typed: Typed, commands: readonly Command[], program: Program): string {
  const where = [...new Set(commands.flatMap((c) => typingContexts(c, program)))].join(', ')
  const what = {
    character:
      'character' in typed && typed.character === ' '
        ? 'types a space'
        : `types “${'character' in typed ? typed.character : ''}”`,
    accent: `starts the accent ${'character' in typed ? characterLegend(typed.character) : ''}`,
    edit: 'edits the text or moves in it',
    unknown: 'types a character',
  }[typed.kind]
  return `${name} ${what} while text can be typed in ${program.name}, ${where}.`
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
