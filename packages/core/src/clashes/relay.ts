import { pagesOf } from '../bench/index.js'
import { canBeLiveTogether, liveContexts, type Command, type Program } from '../commands/index.js'
import { characterAt, heldOf, triggerKey, triggerName, type Chord, type Trigger } from '../triggers/index.js'
import type { Clash } from './clash.js'
import { type PressLayers, type Surroundings } from './layers.js'

interface Binding {
  readonly trigger: Trigger
  readonly program: Program
  readonly commands: readonly Command[]
  readonly relays: readonly { readonly command: Command; readonly sends: readonly Chord[] }[]
}
type Bindings = ReadonlyMap<string, Binding>
type Fault = Pick<Clash, 'severity' | 'layer' | 'message'> & { readonly commands: readonly Command[] }

/** Faults of the relays on one trigger, each with the whole way from the control to the program in its message. */
export function relayFaults(
  group: Binding,
  bindings: Bindings,
  layers: PressLayers,
  around: Surroundings,
): Fault[] {
  return group.relays.flatMap(({ command, sends }): Fault[] => {
    const way = `${triggerName(group.trigger, around)} sends ${sends.map((s) => triggerName(s, around)).join(', then ')} for “${command.name}”`
    const broken = brokenAt(command, sends, group.program, bindings, layers, around)
    if (broken)
      return [{ severity: 'blocks', layer: 'relay', message: `${way}, but ${broken}.`, commands: [command] }]
    const stray = otherFocus(group, command, sends, bindings, around)
    return stray === null
      ? []
      : [{ severity: 'caution', layer: 'relay', message: `${way}; ${stray}.`, commands: [command] }]
  })
}

/** Why the program does not run the command on what is sent, or null when it does. */
export function brokenAt(
  command: Command,
  sends: readonly Chord[],
  program: Program,
  bindings: Bindings,
  layers: PressLayers,
  around: Surroundings,
): string | null {
  for (const sent of sends) {
    const action = layers.system(sent)
    if (action !== null) return `${around.system.name} takes ${triggerName(sent, around)} first: ${action}`
  }
  const [first] = sends
  if (program.menuChord && first && triggerKey(first) === triggerKey(program.menuChord) && sends.length > 1)
    return menuFault(command, sends.slice(1), around)
  for (const [i, sent] of sends.entries()) {
    const last = i === sends.length - 1
    const fault = bindingFault(command, sent, program, bindings, around, last)
    if (fault !== null) return fault
  }
  return null
}

/** The commands before the last may be any that the program has: they are steps on the way. */
function bindingFault(
  command: Command,
  sent: Chord,
  program: Program,
  bindings: Bindings,
  around: Surroundings,
  isLast: boolean,
): string | null {
  const name = triggerName(sent, around)
  const bound = bindings.get(`${program.id} ${triggerKey(sent)}`)
  // a relay that stands for a chord is no binding of the program's own
  const commands = bound?.commands.filter((c) => !bound.relays.some((r) => r.command === c)) ?? []
  if (commands.length === 0) {
    const elsewhere = around.programs.filter(
      (p) => p.id !== program.id && bindings.has(`${p.id} ${triggerKey(sent)}`),
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
  group: Binding,
  command: Command,
  sends: readonly Chord[],
  bindings: Bindings,
  around: Surroundings,
): string | null {
  if (followsProgram(group.trigger, around)) return null
  for (const other of around.programs) {
    if (other.id === command.programId) continue
    // the control means something of its own there
    if (bindings.has(`${other.id} ${triggerKey(group.trigger)}`)) continue
    const stray = sends
      .map((sent) => bindings.get(`${other.id} ${triggerKey(sent)}`)?.commands[0])
      .find((c) => c !== undefined)
    if (stray) return `with ${other.name} in front it runs “${stray.name}” there`
  }
  return null
}

/** Whether the control's page is only up while its program is in front. */
function followsProgram(trigger: Trigger, around: Surroundings): boolean {
  if (!('pageId' in trigger) || trigger.pageId === undefined) return false
  const page = pagesOf(around.devices?.find((d) => d.id === trigger.deviceId)).find(
    (p) => p.id === trigger.pageId,
  )
  return page?.programId !== undefined
}
