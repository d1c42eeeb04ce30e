import { planJsonSchema } from '@reach-plot/core'
import type { Outcome } from '../io.js'
import { readOptions } from '../options.js'

export const help = 'schema'

/** The JSON Schema of the plan file. It is JSON with and without `--json`. */
export function run(args: readonly string[]): Outcome {
  readOptions(args, [])
  const value = planJsonSchema()
  return { value, text: JSON.stringify(value, null, 1) }
}
