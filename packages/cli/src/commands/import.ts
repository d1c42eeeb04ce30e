import {
  activeArrangement,
  environmentOf,
  dayHours,
  foresight,
  prepare,
  severityWords,
  takeModes,
  triggerName,
  writePlan,
} from '@reach-plot/core'
import {
  entriesOf,
  formNames,
  missingKeys,
  mostBytes,
  readTables,
  roles,
  spellerOf,
  takeTable,
  type Columns,
  type KeyTable,
  type Role,
} from '@reach-plot/core/key-tables'
import { catalogues, loadPlan, readBytesFile, usageError, writeOut } from '../io.js'
import { choiceOr, defineVerb, text } from '../verb.js'

/** A person's own table of commands and keys taken into a copy of a plan: any form, any spelling. */
export const verb = defineVerb({
  name: 'import',
  summary: 'a table of commands and keys, in any form, into a plan',
  files: 'FILE',
  options: {
    plan: text('PLAN.json', 'the plan that takes it'),
    out: text('NEW.json', 'the plan file to write; nothing is written without'),
    program: text('NAME', 'the program of rows that name none; the file’s name where left out'),
    as: choiceOr(
      ['arrangement', 'defaults'],
      'arrangement',
      'into the arrangement in front, or as the programs’ own keys',
    ),
    how: choiceOr(
      takeModes,
      'merge',
      'keys in place of a command’s own, as further ones, or of all in the program',
    ),
    columns: text('command=Action,keys=Shortcut', 'what columns mean, by their headings'),
  },
  async run({ files: [file], options }) {
    if (file === undefined) throw usageError('the file is missing', 'name the file to read')
    if (options.plan === undefined) throw usageError('--plan is missing', 'name the plan that takes it')
    const plan = loadPlan(options.plan)
    const speller = spellerOf(environmentOf(plan, catalogues))
    const decode = (bytes: Uint8Array, encoding: string): string => new TextDecoder(encoding).decode(bytes)
    const [found] = await readTables(readBytesFile(file, mostBytes), file, speller, decode)
    // reading fails where there is no table
    const { table, columns: guessed } = found!
    const columns = options.columns === undefined ? guessed : given(options.columns, table, guessed)
    const read = entriesOf(table, columns, speller, dayHours(plan).hours)
    const programName = options.program ?? nameOf(file)
    const taken = takeTable(plan, read, { programName, mode: options.how, as: options.as })
    if (taken.commands.length === 0)
      throw usageError(`nothing of ${file} can be read`, 'name the columns with --columns command=…,keys=…')
    const count = (status: string): number => taken.commands.filter((c) => c.status === status).length
    const { brings, ends } = foresight(prepare(plan, catalogues), prepare(taken.plan, catalogues))
    const env = environmentOf(taken.plan, catalogues)
    const onDevices = new Set(plan.devices.length > 0 ? speller.codes : [])
    const missing = missingKeys(taken, onDevices)
    if (options.out !== undefined) writeOut(options.out, writePlan(taken.plan))
    const value = {
      form: table.form,
      columns: Object.fromEntries(table.columns.map((name, i) => [name, columns[i]])),
      rows: table.rows.length,
      commands: { new: count('new'), changed: count('changed'), same: count('same') },
      keys: { read: taken.keysRead, unreadable: taken.unreadable },
      programs: taken.newPrograms,
      contexts: taken.newContexts,
      held: taken.held.map(({ commandId, trigger }) => ({
        command: commandId,
        trigger: triggerName(trigger, env),
      })),
      missing: missing.map(({ code, commandIds }) => ({ code, commands: commandIds })),
      brings,
      ends,
      arrangement: activeArrangement(taken.plan).id,
    }
    return {
      value,
      findings: taken.unreadable.length > 0,
      text: [
        `${formNames[table.form]}: ${table.rows.length} rows; ${table.columns
          .flatMap((name, i) => (columns[i] === 'ignore' ? [] : [`${name} → ${columns[i] ?? ''}`]))
          .join(', ')}`,
        `commands: ${count('new')} new, ${count('changed')} changed, ${count('same')} as they are; ${taken.keysRead} keys read`,
        ...taken.unreadable.map(
          (u) => `line ${u.line}: ${u.why.includes(u.text) ? '' : `${u.text}: `}${u.why}`,
        ),
        ...taken.held.map((p) => `stays as it is, since it is locked: ${triggerName(p.trigger, env)}`),
        ...missing.map((m) => `no device here has the key ${m.code}`),
        `${brings.length} clashes come, ${ends.length} go`,
        ...brings.map((c) => `${severityWords[c.severity]}: ${c.message}`),
        ...(options.out === undefined ? [] : [`${options.out} written`]),
      ].join('\n'),
    }
  },
})

/** A program's name from that of its file. */
const nameOf = (file: string): string =>
  (file.split(/[/\\]/).at(-1) ?? file)
    .replace(/\.[a-z0-9]{1,5}$/i, '')
    .replace(/[_-]+/g, ' ')
    .trim() || 'Program'

/** Columns as they are named on the command line; the others as they are guessed, but for roles that are given. */
function given(text: string, table: KeyTable, guessed: Columns): Columns {
  const named = new Map<number, Role>()
  for (const part of text.split(/,(?=\s*\w+\s*=)/)) {
    const [role = '', ...rest] = part.split('=')
    const heading = rest.join('=').trim()
    const found = roles.find((r) => r === role.trim())
    if (!found) throw usageError(`--columns: “${role}” is no meaning of a column`, `use ${roles.join(', ')}`)
    const at = table.columns.findIndex((name) => name.toLowerCase() === heading.toLowerCase())
    if (at < 0)
      throw usageError(`--columns: there is no column “${heading}”`, `it has ${table.columns.join(', ')}`)
    named.set(at, found)
  }
  const taken = new Set(named.values())
  return guessed.map((role, i) => named.get(i) ?? (taken.has(role) ? 'ignore' : role))
}
