import { lookUp, readTrigger, triggerKey, triggerName, typedInWords } from '@reach-plot/core'
import { usageError } from '../io.js'
import { openPlan } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/** What a key or control does in each program and context, and in the system. */
export const verb = defineVerb({
  name: 'lookup',
  summary: 'what a key does in each program, context and in the system',
  files: 'PLAN.json',
  options: {
    keys: text('Control+KeyK', 'the key or combination'),
  },
  run({ files, options }) {
    const { env, arrangement } = openPlan(files[0]).model
    const keys = options.keys
    if (keys === undefined) throw usageError('--keys is missing', 'name a key, such as --keys Control+KeyK')
    const trigger = readTrigger(
      keys,
      env,
      env.controls.flatMap((c) => c.code ?? []),
    )
    const found = lookUp(trigger, arrangement.placements, env)
    const typed = found.typed && typedInWords(found.typed)
    const programs = found.programs.map(({ program, contexts }) => ({
      program: program.name,
      contexts: contexts.map((c) => ({ context: c.name, commands: c.commands.map((x) => x.name) })),
    }))
    const relays = found.relays.map((r) => ({ trigger: triggerKey(r.trigger), command: r.command.name }))
    const text = [
      triggerName(trigger, env),
      found.lacks.length > 0 ? `  no device has ${found.lacks.join(' or ')}` : '',
      found.systemAction === null ? '' : `  ${env.system.name}: ${found.systemAction}`,
      typed === null ? '' : `  text: ${typed}`,
      ...programs.flatMap((p) =>
        p.contexts.map((c) => `  ${p.program}, ${c.context}: ${c.commands.join(', ') || 'nothing'}`),
      ),
      ...found.relays.map((r) => `  sent by ${triggerName(r.trigger, env)} for ${r.command.name}`),
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
  },
})
