import { planJsonSchema } from '@reach-plot/core'
import { defineVerb } from '../verb.js'

/** The JSON Schema of the plan file. It is JSON with and without `--json`. */
export const verb = defineVerb({
  name: 'schema',
  summary: 'the JSON Schema of the plan file',
  files: '',
  options: {},
  run() {
    const value = planJsonSchema()
    return { value, text: JSON.stringify(value, null, 1) }
  },
})
