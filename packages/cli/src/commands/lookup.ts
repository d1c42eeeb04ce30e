import {
  activeArrangement,
  lookUp,
  readTrigger,
  surroundings,
  triggerKey,
  triggerName,
  typedInWords,
} from '@reach-plot/core'
import { catalogues, loadPlan, usageError, type Outcome } from '../io.js'
import { readOptions } from '../options.js'

export const help = 'lookup PLAN.json --keys Control+KeyK'

/** What a key or control does in each program and context, and in the system. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['keys'])
  const plan = loadPlan(files[0])
  const keys = options['keys']
  if (keys === undefined) throw usageError('--keys is missing', 'name a key, such as --keys Control+KeyK')
  const around = surroundings(plan, catalogues)
  const trigger = readTrigger(
    keys,
    around,
    around.controls.flatMap((c) => c.code ?? []),
  )
  const found = lookUp(trigger, activeArrangement(plan).placements, around)
  const typed = found.typed && typedInWords(found.typed)
  const programs = found.programs.map(({ program, contexts }) => ({
    program: program.name,
    contexts: contexts.map((c) => ({ context: c.name, commands: c.commands.map((x) => x.name) })),
  }))
  const relays = found.relays.map((r) => ({ trigger: triggerKey(r.trigger), command: r.command.name }))
  const text = [
    triggerName(trigger, around),
    found.lacks.length > 0 ? `  no device has ${found.lacks.join(' or ')}` : '',
    found.systemAction === null ? '' : `  ${around.system.name}: ${found.systemAction}`,
    typed === null ? '' : `  text: ${typed}`,
    ...programs.flatMap((p) =>
      p.contexts.map((c) => `  ${p.program}, ${c.context}: ${c.commands.join(', ') || 'nothing'}`),
    ),
    ...found.relays.map((r) => `  sent by ${triggerName(r.trigger, around)} for ${r.command.name}`),
  ]
  return {
    value: {
      trigger: triggerKey(trigger),
      lacks: found.lacks,
      system: found.systemAction,
      typed,
      programs,
      relays,
    },
    text: text.filter((line) => line !== '').join('\n'),
  }
}
