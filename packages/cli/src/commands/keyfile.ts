import { prepare, triggerName, type KeptKeyFile, type Plan } from '@reach-plot/core'
import { rewriteKeyFile } from '@reach-plot/core/carry'
import { spellerOf, textOf } from '@reach-plot/core/key-tables'
import { catalogues, loadPlan, readBytesFile, usageError, writeOut } from '../io.js'
import { arrangementOf, known } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

const maxBytes = 5_000_000

/** An arrangement written over a program's own key file, in its form and spelling. */
export const verb = defineVerb({
  name: 'keyfile',
  summary: 'an arrangement written over a program’s own key file, in its form',
  files: 'PLAN.json KEYFILE',
  options: {
    program: text('PROGRAM', 'whose keys they are, by id or name; the first of the plan where left out'),
    arrangement: text('ARRANGEMENT', 'what to write, by id or name; the one in front where left out'),
    kept: text('NAME', 'a key file that is kept with the plan, in place of KEYFILE'),
    out: text('NEW', 'the file to write; nothing is written without'),
  },
  run({ files, options }) {
    const plan = loadPlan(files[0])
    const program =
      options.program === undefined ? plan.programs[0] : known(plan.programs, options.program, 'program')
    if (!program) throw usageError('the plan has no program', 'add one first')
    const { arrangement, env } = prepare(plan, catalogues, {
      ...(options.arrangement !== undefined && { arrangement: arrangementOf(plan, options.arrangement) }),
    })
    const [, path] = files
    const { name, text: was } =
      path === undefined ? keptFile(plan, program.id, options.kept) : { name: path, text: readKeyFile(path) }
    const commands = plan.commands.filter((c) => c.programId === program.id)
    const written = rewriteKeyFile(was, name, commands, arrangement.placements, spellerOf(env))
    if (options.out !== undefined) writeOut(options.out, written.text)
    return {
      findings: written.unsaid.length > 0,
      value: {
        program: program.id,
        arrangement: arrangement.id,
        found: written.found,
        changes: written.changes,
        unsaid: written.unsaid.map((u) => ({
          command: u.command.id,
          key: triggerName(u.trigger, env),
          why: u.why,
        })),
      },
      text: [
        ...written.changes.flatMap(({ line, was: before, becomes }) => [
          ...(before === null ? [] : [`${line} - ${before}`]),
          ...(becomes === null ? [] : [`${line} + ${becomes}`]),
        ]),
        `${written.found} of ${commands.length} commands are in the file`,
        ...written.unsaid.map(
          (u) => `not in the file: ${u.command.name} on ${triggerName(u.trigger, env)}: ${u.why}`,
        ),
        ...(options.out === undefined ? [] : [`${options.out} written`]),
      ].join('\n'),
    }
  },
})

const decode = (bytes: Uint8Array, encoding: string): string => new TextDecoder(encoding).decode(bytes)
const readKeyFile = (path: string): string => textOf(readBytesFile(path, maxBytes), decode)

/** A key file that the plan keeps for a program. */
function keptFile(plan: Plan, programId: string, name: string | undefined): KeptKeyFile {
  const files = (plan.keyFiles ?? []).filter((f) => f.programId === programId)
  const found = files.find((f) => f.name === name)
  if (found) return found
  throw usageError(
    name === undefined ? 'the key file is missing' : `no key file “${name}” is kept for the program`,
    files.length === 0
      ? 'name it after the plan'
      : `name it after the plan, or give --kept with one of ${files.map((f) => f.name).join(', ')}`,
  )
}
