import { Command, CommanderError } from 'commander'
import { usageError, type Outcome } from './io.js'

/** One option of a verb: how it is written, what it means, and how its text is read. */
export interface OptionSpec<T> {
  /** what stands for the value in the help: `ID-OR-NAME` */
  readonly hint: string
  readonly what: string
  readonly fallback: T
  /** more than one value may follow */
  readonly isList?: boolean
  /** @throws CoreError `USAGE` for a value that the option does not take */
  read(name: string, given: string): T
}

type Specs = Readonly<Record<string, OptionSpec<unknown>>>
type Values<O extends Specs> = { readonly [K in keyof O]: O[K]['fallback'] }

/** What a verb of the command line is, said once: its help and the reading of its options come of it. */
export interface VerbSpec<O extends Specs> {
  readonly name: string
  /** what it does, in one line */
  readonly summary: string
  /** the files that it takes, as they stand in the help: `PLAN.json` */
  readonly files: string
  readonly options: O
  run(given: { readonly files: readonly string[]; readonly options: Values<O> }): Outcome | Promise<Outcome>
}

export interface Verb {
  readonly name: string
  readonly summary: string
  /** `places PLAN.json`, with all that can be added */
  readonly help: string
  run(args: readonly string[]): Promise<Outcome>
}

/** An option that is any text; undefined where it is left out. */
export const text = (hint: string, what: string): OptionSpec<string | undefined> => ({
  hint,
  what,
  fallback: undefined,
  read: (_name, given) => given,
})

/** Several texts after one option. */
export const texts = (hint: string, what: string): OptionSpec<readonly string[]> => ({
  hint,
  what,
  fallback: [],
  isList: true,
  read: (_name, given) => [given],
})

/** One of a fixed set of words; undefined where it is left out. */
export const choice = <const T extends string>(
  allowed: readonly T[],
  what: string,
): OptionSpec<T | undefined> => ({
  hint: allowed.length > 8 ? allowed[0]! : allowed.join('|'),
  what,
  fallback: undefined,
  read(name, given) {
    const found = allowed.find((a) => a === given)
    if (found === undefined)
      throw usageError(
        `--${name} "${given.slice(0, 40)}" is not known`,
        `choose one of ${allowed.join(', ')}`,
      )
    return found
  },
})

/** One of a fixed set of words, with the one that counts where it is left out. */
export const choiceOr = <const T extends string>(
  allowed: readonly T[],
  fallback: T,
  what: string,
): OptionSpec<T> => ({ ...(choice(allowed, what) as OptionSpec<T>), fallback })

/** A number within bounds; undefined where it is left out. */
export const number = (least: number, most: number, what: string): OptionSpec<number | undefined> => ({
  hint: 'N',
  what: `${what}, ${least} to ${most}`,
  fallback: undefined,
  read(name, given) {
    const value = Number(given)
    if (given.trim() === '' || !(value >= least && value <= most))
      throw usageError(
        `--${name} "${given.slice(0, 40)}" is no number from ${least} to ${most}`,
        'correct it',
      )
    return value
  },
})

/** A number within bounds, with the one that counts where it is left out. */
export const numberOr = (
  fallback: number,
  least: number,
  most: number,
  what: string,
): OptionSpec<number> => ({ ...(number(least, most, what) as OptionSpec<number>), fallback })

/** `--mirror yes`; undefined where it is left out. */
export const yesNo = (what: string): OptionSpec<boolean | undefined> => ({
  hint: 'yes|no',
  what,
  fallback: undefined,
  read: (name, given) => choice(['yes', 'no'], what).read(name, given) === 'yes',
})

/** An option without a value; false where it is left out. */
export const flag = (what: string): OptionSpec<boolean> => ({
  hint: '',
  what,
  fallback: false,
  read: () => true,
})

/** Makes a verb of what is said of it. */
export function defineVerb<const O extends Specs>(spec: VerbSpec<O>): Verb {
  return {
    name: spec.name,
    summary: spec.summary,
    get help() {
      return commandOf(spec).helpInformation().trimEnd()
    },
    run: async (args) => spec.run(read(spec, args)),
  }
}

const dashed = (name: string): string => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)

function commandOf<O extends Specs>({ name, summary, files, options }: VerbSpec<O>): Command {
  const command = new Command(name)
    .description(summary)
    .usage(`${files} [options]`.trim())
    .argument('[files...]')
    .helpOption(false)
    .exitOverride()
    .configureOutput({ writeErr: () => undefined, outputError: () => undefined })
  for (const [key, { hint, what, fallback, isList }] of Object.entries(options)) {
    const shown =
      fallback === undefined || fallback === false || isList ? what : `${what} (${String(fallback)})`
    const value = hint === '' ? '' : isList ? ` <${hint}...>` : ` <${hint}>`
    command.option(`--${dashed(key)}${value}`, shown)
  }
  return command.option('--json', 'the answer as JSON')
}

function read<O extends Specs>(
  spec: VerbSpec<O>,
  args: readonly string[],
): { files: readonly string[]; options: Values<O> } {
  const command = commandOf(spec)
  try {
    command.parse([...args], { from: 'user' })
  } catch (error) {
    if (!(error instanceof CommanderError)) throw error
    const names = Object.keys(spec.options).map((n) => `--${dashed(n)}`)
    throw usageError(
      error.message.replace(/^error: /, '').split('\n')[0] ?? 'unreadable options',
      `options of ${spec.name}: ${names.join(', ') || 'none'}`,
    )
  }
  const given: Record<string, unknown> = command.opts()
  const options = Object.fromEntries(
    Object.entries(spec.options).map(([key, option]) => {
      const value = given[key]
      if (value === undefined) return [key, option.fallback]
      if (Array.isArray(value)) return [key, value.map(String)]
      return [key, option.read(dashed(key), String(value))]
    }),
  )
  return { files: command.args, options: options as Values<O> }
}
