import { CoreError } from '@reach-plot/core'
import * as bench from './commands/bench.js'
import * as check from './commands/check.js'
import * as chords from './commands/chords.js'
import * as compare from './commands/compare.js'
import * as csv from './commands/csv.js'
import * as displace from './commands/displace.js'
import * as fit from './commands/fit.js'
import * as free from './commands/free.js'
import * as labels from './commands/labels.js'
import * as lookup from './commands/lookup.js'
import * as mnemonics from './commands/mnemonics.js'
import * as places from './commands/places.js'
import * as qap from './commands/qap.js'
import * as reach from './commands/reach.js'
import * as schema from './commands/schema.js'
import * as solve from './commands/solve.js'
import * as time from './commands/time.js'
import * as trace from './commands/trace.js'
import * as usage from './commands/usage.js'
import { exitCodes, usageError, type Outcome } from './io.js'

interface Verb {
  readonly help: string
  run(args: readonly string[]): Outcome | Promise<Outcome>
}
const verbs: Readonly<Record<string, Verb>> = {
  reach,
  chords,
  fit,
  check,
  places,
  free,
  displace,
  mnemonics,
  solve,
  time,
  compare,
  qap,
  lookup,
  trace,
  bench,
  usage,
  labels,
  csv,
  schema,
}

const helpText = (): string =>
  [
    'reach-plot VERB … [--json]',
    ...Object.values(verbs).map((v) => `  ${v.help}`),
    'Exit codes: 0 done, 1 findings, 2 bad input.',
  ].join('\n')

async function main(args: readonly string[]): Promise<number> {
  const json = args.includes('--json')
  const [name = 'help', ...rest] = args.filter((a) => a !== '--json')
  if (name === 'help' || name === '--help') {
    console.log(helpText())
    return exitCodes.done
  }
  const verb = Object.hasOwn(verbs, name) ? verbs[name] : undefined
  if (!verb)
    throw usageError(
      `there is no verb "${name.slice(0, 40)}"`,
      `choose one of ${Object.keys(verbs).join(', ')}`,
    )
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
