import { canBeLiveTogether, liveContexts, type Command, type Program } from '../commands/index.js'
import type { Surroundings } from '../model/index.js'
import { characterAt, heldOf, triggerKey, triggerName, type Chord } from '../triggers/index.js'
import type { CheckContext, Finding, Group, Rule } from './finding.js'
import { pageProgram } from './press-rules.js'

/** Faults of the relays on one trigger, each with the whole way from the control to the program in its message. */
export const relays: Rule = (group, context) => {
  const { around } = context
  return group.relays.flatMap(({ command, sends }): Finding[] => {
    const way = `${triggerName(group.trigger, around)} sends ${sends.map((s) => triggerName(s, around)).join(', then ')} for “${command.name}”`
    const found = (kind: 'relay-broken' | 'relay-elsewhere', message: string, cause: string): Finding => ({
      kind,
      severity: kind === 'relay-broken' ? 'blocks' : 'caution',
      layer: 'relay',
      message,
      cause,
      evidence: 'plan',
      commands: [command],
    })
    const broken = brokenAt(command, sends, group.program, context)
    if (broken)
      return [found('relay-broken', `${way}, but ${broken}.`, 'Controls send what reaches no command.')]
    const stray = otherFocus(group, command, sends, context)
    return stray === null
      ? []
      : [
          found(
            'relay-elsewhere',
            `${way}; ${stray}.`,
            'Controls send keys that mean something else in another program.',
          ),
        ]
  })
}

/** Why the program does not run the command on what is sent, or null when it does. */
export function brokenAt(
  command: Command,
  sends: readonly Chord[],
  program: Program,
  context: Pick<CheckContext, 'around' | 'layers' | 'group'>,
): string | null {
  const { around, layers } = context
  for (const sent of sends) {
    const action = layers.system(sent)
    if (action !== null) return `${around.system.name} takes ${triggerName(sent, around)} first: ${action}`
  }
  const [first] = sends
  if (program.menuChord && first && triggerKey(first) === triggerKey(program.menuChord) && sends.length > 1)
    return menuFault(command, sends.slice(1), around)
  for (const [i, sent] of sends.entries()) {
    const last = i === sends.length - 1
    const fault = bindingFault(command, sent, program, context, last)
    if (fault !== null) return fault
  }
  return null
}

/** The commands before the last may be any that the program has: they are steps on the way. */
function bindingFault(
  command: Command,
  sent: Chord,
  program: Program,
  { around, group }: Pick<CheckContext, 'around' | 'group'>,
  isLast: boolean,
): string | null {
  const name = triggerName(sent, around)
  const bound = group(program.id, triggerKey(sent))
  // a relay that stands for a chord is no binding of the program's own
  const commands = bound?.commands.filter((c) => !bound.relays.some((r) => r.command === c)) ?? []
  if (commands.length === 0) {
    const elsewhere = around.programs.filter(
      (p) => p.id !== program.id && group(p.id, triggerKey(sent)) !== undefined,
    )
    return elsewhere.length > 0
      ? `${program.name} has nothing on ${name}; only ${elsewhere.map((p) => p.name).join(' and ')} has`
      : `${program.name} has nothing on ${name}`
  }
  if (commands.includes(command)) return null
  const live = commands.filter((c) => canBeLiveTogether(c, command, program))
  if (live.length === 0) {
    const where = commands.flatMap((c) => liveContexts(c, program))
    const names = program.contexts.filter((c) => where.includes(c.id)).map((c) => c.name)
    return `${program.name} has ${name} in ${names.join(', ')} only, as “${commands[0]?.name}”`
  }
  return isLast ? `${program.name} has “${live[0]?.name}” on ${name}` : null
}

/** A menu is walked by the first letters of the entries on the command's menu path. Common practice, no source. */
export function menuFault(command: Command, walk: readonly Chord[], around: Surroundings): string | null {
  if (command.menu.length === 0) return `“${command.name}” is in no menu`
  if (walk.length !== command.menu.length)
    return `its menu path ${command.menu.join(' › ')} takes ${command.menu.length} keys, not ${walk.length}`
  for (const [i, entry] of command.menu.entries()) {
    const sent = walk[i] as Chord
    const letter = characterAt(around.layout, sent.code, 1)
    if (heldOf(sent).length > 0 || letter?.toLowerCase() !== entry.slice(0, 1).toLowerCase())
      return `the menu entry “${entry}” needs its letter ${entry.slice(0, 1).toUpperCase()}, not ${triggerName(sent, around)}`
  }
  return null
}

/** What the relay does while another program is in front, or null when it is at rest then or does nothing there. */
function otherFocus(
  group: Group,
  command: Command,
  sends: readonly Chord[],
  { around, group: groupOf }: CheckContext,
): string | null {
  // a page that is only up while its program is in front
  if (pageProgram(group.trigger, around) !== undefined) return null
  for (const other of around.programs) {
    if (other.id === command.programId) continue
    // the control means something of its own there
    if (groupOf(other.id, triggerKey(group.trigger))) continue
    const stray = sends
      .map((sent) => groupOf(other.id, triggerKey(sent))?.commands[0])
      .find((c) => c !== undefined)
    if (stray) return `with ${other.name} in front it runs “${stray.name}” there`
  }
  return null
}
