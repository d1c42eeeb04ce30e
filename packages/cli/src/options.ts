import { parseArgs } from 'node:util'
import { usageError } from './io.js'

export type Options = Readonly<Record<string, string | undefined>>

/**
 * Reads `--name value` options of one verb.
 * @param known names of options, each with a value
 * @throws CoreError `USAGE` for an option that the verb does not have or that lacks its value
 */
export function readOptions(
  args: readonly string[],
  known: readonly string[],
): { readonly options: Options; readonly files: readonly string[] } {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: Object.fromEntries(known.map((name) => [name, { type: 'string' as const }])),
    })
    return { options: values as Options, files: positionals }
  } catch (error) {
    throw usageError(
      (error as Error).message.split('\n')[0] ?? 'unreadable options',
      `options of this verb: ${known.map((n) => `--${n}`).join(', ') || 'none'}`,
    )
  }
}

/** One of a fixed set of words. */
export function choice<T extends string>(
  name: string,
  given: string | undefined,
  allowed: readonly T[],
  fallback: T,
): T {
  if (given === undefined) return fallback
  const found = allowed.find((a) => a === given)
  if (found === undefined)
    throw usageError(`--${name} "${given.slice(0, 40)}" is not known`, `choose one of ${allowed.join(', ')}`)
  return found
}

export function number(
  name: string,
  given: string | undefined,
  fallback: number,
  least: number,
  most: number,
): number {
  if (given === undefined) return fallback
  const value = Number(given)
  if (given.trim() === '' || !(value >= least && value <= most))
    throw usageError(`--${name} "${given.slice(0, 40)}" is no number from ${least} to ${most}`, 'correct it')
  return value
}
