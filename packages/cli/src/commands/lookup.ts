import {
  lookUp,
  readTrigger,
  triggerKey,
  triggerName,
  typedInWords,
  whatHappened,
  type Command,
  type Environment,
  type Slipped,
} from '@reach-plot/core'
import { usageError } from '../io.js'
import { commandOf, openPlan } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/** What a key or control does in each program and context, and in the system. */
export const verb = defineVerb({
  name: 'lookup',
  summary: 'what a key does in each program, context and in the system',
  files: 'PLAN.json',
  options: {
    keys: text('Control+KeyK', 'the key or combination, in any spelling that the app shows'),
    seen: text(
      'ID-OR-NAME',
      'a command that ran by mistake, in place of --keys: which press can have done it',
    ),
    meant: text('ID-OR-NAME', 'what was meant instead'),
  },
  run({ files, options }) {
    const { plan, model } = openPlan(files[0])
    const { env, arrangement } = model
    if (options.seen !== undefined) {
      const seen = commandOf(plan, options.seen)
      const meantId = options.meant === undefined ? null : commandOf(plan, options.meant).id
      return slips(seen, whatHappened(seen, arrangement.placements, env, meantId), env)
    }
    const keys = options.keys
    if (keys === undefined) throw usageError('--keys is missing', 'name a key, such as --keys Control+KeyK')
    const trigger = readTrigger(
      keys,
      env,
      env.controls.flatMap((c) => c.code ?? []),
    )
    const found = lookUp(trigger, arrangement.placements, env)
    const typed = found.typed && typedInWords(found.typed)
    const programs = found.programs.map(({ program, takes, contexts }) => ({
      program: program.name,
      takes: takes.map(({ stage, severity, by, does }) => ({ stage, severity, by, does })),
      contexts: contexts.map((c) => ({ context: c.name, commands: c.commands.map((x) => x.name) })),
    }))
    const relays = found.relays.map((r) => ({ trigger: triggerKey(r.trigger), command: r.command.name }))
    const text = [
      triggerName(trigger, env),
      found.lacks.length > 0 ? `  no device has ${found.lacks.join(' or ')}` : '',
      found.systemAction === null ? '' : `  ${env.system.name}: ${found.systemAction}`,
      found.inputMethod === null ? '' : `  ${found.inputMethod.by}: ${found.inputMethod.does}`,
      typed === null ? '' : `  text: ${typed}`,
      ...programs.flatMap((p) => p.takes.map((t) => `  ${p.program}, ${t.by}: ${t.does} (${t.severity})`)),
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
        inputMethod: found.inputMethod?.does ?? null,
        typed,
        programs,
        relays,
      },
      text: text.filter((line) => line !== '').join('\n'),
    }
  },
})

/** The presses that can have run a command, the likeliest first. */
function slips(seen: Command, found: readonly Slipped[], env: Environment) {
  const way = seen.damage?.wayOut ?? ''
  return {
    value: {
      seen: seen.id,
      wayOut: way,
      presses: found.map((s) => ({
        pressed: triggerKey(s.pressed),
        meant: s.meant && { trigger: triggerKey(s.meant.trigger), command: s.meant.command.id },
        how: s.how,
        slipsPerHour: s.slipsPerHour,
      })),
    },
    text: [
      `${seen.name}${way === '' ? '' : `; the way out: ${way}`}`,
      ...found.map((s) =>
        s.meant === null
          ? `  ${triggerName(s.pressed, env)}, pressed unawares`
          : `  ${triggerName(s.pressed, env)} in place of ${triggerName(s.meant.trigger, env)} (${s.meant.command.name})`,
      ),
    ].join('\n'),
  }
}
