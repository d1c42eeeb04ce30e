import { CoreError } from '@reach-plot/core'
import { exitCodes, usageError } from './io.js'
import type { Verb } from './verb.js'

/** Each is loaded only when it is asked for: some bring a lot along. */
const verbs: Readonly<Record<string, () => Promise<{ readonly verb: Verb }>>> = {
  reach: () => import('./commands/reach.js'),
  device: () => import('./commands/device.js'),
  chords: () => import('./commands/chords.js'),
  limits: () => import('./commands/limits.js'),
  fit: () => import('./commands/fit.js'),
  check: () => import('./commands/check.js'),
  places: () => import('./commands/places.js'),
  free: () => import('./commands/free.js'),
  displace: () => import('./commands/displace.js'),
  days: () => import('./commands/days.js'),
  practice: () => import('./commands/practice.js'),
  setup: () => import('./commands/setup.js'),
  keyfile: () => import('./commands/keyfile.js'),
  codes: () => import('./commands/codes.js'),
  page: () => import('./commands/page.js'),
  standard: () => import('./commands/standard.js'),
  diff: () => import('./commands/diff.js'),
  merge: () => import('./commands/merge.js'),
  edit: () => import('./commands/edit.js'),
  mnemonics: () => import('./commands/mnemonics.js'),
  solve: () => import('./commands/solve.js'),
  time: () => import('./commands/time.js'),
  compare: () => import('./commands/compare.js'),
  qap: () => import('./commands/qap.js'),
  lookup: () => import('./commands/lookup.js'),
  trace: () => import('./commands/trace.js'),
  bench: () => import('./commands/bench.js'),
  usage: () => import('./commands/usage.js'),
  labels: () => import('./commands/labels.js'),
  print: () => import('./commands/print.js'),
  csv: () => import('./commands/csv.js'),
  import: () => import('./commands/import.js'),
  next: () => import('./commands/next.js'),
  schema: () => import('./commands/schema.js'),
}

async function helpText(): Promise<string> {
  const loaded = await Promise.all(Object.values(verbs).map(async (load) => (await load()).verb))
  return [
    'reach-plot VERB … [--json]',
    ...loaded.map((v) => `  ${v.name.padEnd(11)}${v.summary}`),
    'reach-plot help VERB says what a verb takes.',
    'Exit codes: 0 done, 1 findings, 2 bad input.',
  ].join('\n')
}

async function verbOf(name: string): Promise<Verb> {
  const load = Object.hasOwn(verbs, name) ? verbs[name] : undefined
  if (load) return (await load()).verb
  throw usageError(
    `there is no verb "${name.slice(0, 40)}"`,
    `choose one of ${Object.keys(verbs).join(', ')}`,
  )
}

/** How a run of the command line ends, and what it says on either output. */
export interface Ended {
  readonly status: number
  readonly stdout: string
  readonly stderr: string
}

async function answer(args: readonly string[]): Promise<Ended> {
  const json = args.includes('--json')
  const [name = 'help', ...rest] = args.filter((a) => a !== '--json')
  const said = (stdout: string, status: number): Ended => ({ status, stdout: `${stdout}\n`, stderr: '' })
  if (name === 'help' || name === '--help') {
    const [about] = rest
    return said(about === undefined ? await helpText() : (await verbOf(about)).help, exitCodes.done)
  }
  const verb = await verbOf(name)
  if (rest.includes('--help')) return said(verb.help, exitCodes.done)
  const outcome = await verb.run(rest)
  return said(
    json ? JSON.stringify(outcome.value) : outcome.text,
    outcome.findings ? exitCodes.findings : exitCodes.done,
  )
}

/** Runs a verb with its options; bad input ends with status 2 and a line on the error output. */
export async function run(args: readonly string[]): Promise<Ended> {
  try {
    return await answer(args)
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    return { status: exitCodes.badInput, stdout: '', stderr: `${error.message}\n` }
  }
}
