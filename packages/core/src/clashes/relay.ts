import { canBeLiveTogether, liveContexts, type Command, type Program } from '../commands/index.js'
import type { Environment } from '../model/index.js'
import { characterAt, heldOf, triggerKey, triggerName, type Chord } from '../triggers/index.js'
import type { CheckContext, Finding, Group, Rule } from './finding.js'
import { pageProgram } from './press-rules.js'
import { relayBrokenWords, relayElsewhereWords, relayWay, type RelayFault } from './relay-words.js'
import type { FindingWords } from './words.js'

/** Faults of the relays on one trigger, each with the whole way from the control to the program in its message. */
export const relays: Rule = (group, context) => {
  const { env } = context
  return group.relays.flatMap(({ command, sends, then = [] }): Finding[] => {
    const way = relayWay(group.trigger, env, sends, command)
    const found = (kind: 'relay-broken' | 'relay-elsewhere', words: FindingWords): Finding => ({
      kind,
      severity: kind === 'relay-broken' ? 'blocks' : 'caution',
      stage: 'relay',
      ...words,
      evidence: 'plan',
      sends,
      commands: [command],
    })
    const broken: RelayFault | null =
      then.length > 0 && 'code' in group.trigger
        ? { kind: 'count', text: 'a plain key of a keyboard cannot send other keys' }
        : then.length > 0
          ? brokenChain([command, ...then], sends, context)
          : brokenAt(command, sends, group.program, context)
    if (broken) return [found('relay-broken', relayBrokenWords(way, broken))]
    const stray = otherFocus(group, command, sends, context)
    return stray === null ? [] : [found('relay-elsewhere', relayElsewhereWords(way, stray))]
  })
}

/** Why a chain does not run, or null when each chord reaches the command that it stands for. */
function brokenChain(
  run: readonly Command[],
  sends: readonly Chord[],
  context: Pick<CheckContext, 'env' | 'stages' | 'group'>,
): RelayFault | null {
  if (sends.length !== run.length)
    return {
      kind: 'count',
      text: `it sends ${sends.length} ${sends.length === 1 ? 'combination' : 'combinations'} for ${run.length} commands`,
    }
  for (const [i, command] of run.entries()) {
    const program = context.env.programs.find((p) => p.id === command.programId)
    const fault = program && brokenAt(command, [sends[i] as Chord], program, context)
    if (fault) return { ...fault, text: `for “${command.name}” ${fault.text}` }
  }
  return null
}

/** Why the program does not run the command on what is sent, or null when it does. */
export function brokenAt(
  command: Command,
  sends: readonly Chord[],
  program: Program,
  context: Pick<CheckContext, 'env' | 'stages' | 'group'>,
): RelayFault | null {
  const { env, stages } = context
  for (const sent of sends) {
    const name = triggerName(sent, env)
    const action = stages.system(sent)
    if (action !== null) return { kind: 'system', text: `${env.system.name} takes ${name} first: ${action}` }
    const take = stages.inputMethod(sent) ?? stages.host(sent, program).find((t) => t.severity === 'blocks')
    if (take) return { kind: 'host', text: `${take.by} takes ${name} first: ${take.does}` }
  }
  const [first] = sends
  if (program.menuChord && first && triggerKey(first) === triggerKey(program.menuChord) && sends.length > 1)
    return asMenuFault(menuFault(command, sends.slice(1), env))
  for (const [i, sent] of sends.entries()) {
    const last = i === sends.length - 1
    const fault = bindingFault(command, sent, program, context, last)
    if (fault !== null) return fault
  }
  return null
}

const asMenuFault = (text: string | null): RelayFault | null =>
  text === null ? null : { kind: 'menu', text }

/** The commands before the last may be any that the program has: they are steps on the way. */
function bindingFault(
  command: Command,
  sent: Chord,
  program: Program,
  { env, stages, group }: Pick<CheckContext, 'env' | 'stages' | 'group'>,
  isLast: boolean,
): RelayFault | null {
  const name = triggerName(sent, env)
  const arrives = stages.arrivesAs(sent, program)
  const bound =
    group(program.id, triggerKey(sent)) ?? (arrives ? group(program.id, triggerKey(arrives)) : undefined)
  // a relay that stands for a chord is no binding of the program's own
  const commands = bound?.commands.filter((c) => !bound.relays.some((r) => r.command.id === c.id)) ?? []
  if (commands.length === 0) {
    const elsewhere = env.programs.filter(
      (p) => p.id !== program.id && group(p.id, triggerKey(sent)) !== undefined,
    )
    return {
      kind: 'unused',
      text:
        elsewhere.length > 0
          ? `${name} is not used by ${program.name}, only by ${elsewhere.map((p) => p.name).join(' and ')}`
          : `${name} is not used by ${program.name}`,
    }
  }
  if (commands.some((c) => c.id === command.id)) return null
  const live = commands.filter((c) => canBeLiveTogether(c, command, program))
  if (live.length === 0) {
    const where = commands.flatMap((c) => liveContexts(c, program))
    const names = program.contexts.filter((c) => where.includes(c.id)).map((c) => c.name)
    return {
      kind: 'context',
      text: `${program.name} has ${name} in ${names.join(', ')} only, as “${commands[0]?.name}”`,
    }
  }
  return isLast ? { kind: 'other', text: `${program.name} has “${live[0]?.name}” on ${name}` } : null
}

/** A menu is walked by the first letters of the entries on the command's menu path. Common practice, no source. */
export function menuFault(command: Command, walk: readonly Chord[], env: Environment): string | null {
  if (command.menu.length === 0) return `“${command.name}” is in no menu`
  if (walk.length !== command.menu.length)
    return `its menu path ${command.menu.join(' › ')} takes ${command.menu.length} keys, not ${walk.length}`
  for (const [i, entry] of command.menu.entries()) {
    const sent = walk[i] as Chord
    const letter = characterAt(env.layout, sent.code, 1)
    if (heldOf(sent).length > 0 || letter?.toLowerCase() !== entry.slice(0, 1).toLowerCase())
      return `the menu entry “${entry}” needs its letter ${entry.slice(0, 1).toUpperCase()}, not ${triggerName(sent, env)}`
  }
  return null
}

/** What the relay does while another program is in front, or null when it is at rest then or does nothing there. */
function otherFocus(
  group: Group,
  command: Command,
  sends: readonly Chord[],
  { env, group: groupOf }: CheckContext,
): string | null {
  // a page that is only up while its program is in front
  if (pageProgram(group.trigger, env) !== undefined) return null
  for (const other of env.programs) {
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
