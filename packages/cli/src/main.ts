import { CoreError } from '@reach-plot/core'
import { exitCodes, usageError, type Outcome } from './io.js'

interface Verb {
  readonly help: string
  run(args: readonly string[]): Outcome | Promise<Outcome>
}
/** Each is loaded only when it is asked for: some bring a lot along. */
const verbs: Readonly<Record<string, () => Promise<Verb>>> = {
  reach: () => import('./commands/reach.js'),
  chords: () => import('./commands/chords.js'),
  fit: () => import('./commands/fit.js'),
  check: () => import('./commands/check.js'),
  places: () => import('./commands/places.js'),
  free: () => import('./commands/free.js'),
  displace: () => import('./commands/displace.js'),
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
  schema: () => import('./commands/schema.js'),
}

async function helpText(): Promise<string> {
  const loaded = await Promise.all(Object.values(verbs).map((load) => load()))
  return [
    'reach-plot VERB … [--json]',
    ...loaded.map((v) => `  ${v.help}`),
    'Exit codes: 0 done, 1 findings, 2 bad input.',
  ].join('\n')
}

async function main(args: readonly string[]): Promise<number> {
  const json = args.includes('--json')
  const [name = 'help', ...rest] = args.filter((a) => a !== '--json')
  if (name === 'help' || name === '--help') {
    console.log(await helpText())
    return exitCodes.done
  }
  const load = Object.hasOwn(verbs, name) ? verbs[name] : undefined
  if (!load)
    throw usageError(
      `there is no verb "${name.slice(0, 40)}"`,
      `choose one of ${Object.keys(verbs).join(', ')}`,
    )
  const verb = await load()
  const outcome = await verb.run(rest)
  console.log(json ? JSON.stringify(outcome.value) : outcome.text)
  return outcome.findings ? exitCodes.findings : exitCodes.done
}

try {
  process.exitCode = await main(process.argv.slice(2))
} catch (error) {
  if (!(error instanceof CoreError)) throw error
  console.error(error.message)
  process.exitCode = exitCodes.badInput
}
