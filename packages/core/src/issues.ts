import { createErrorMap, createMessageBuilder, fromZodError } from 'zod-validation-error/v4'
import type { core, ZodType } from 'zod'

const inPlainWords = { error: createErrorMap() }

/** What is wrong with data that came in, as a sentence, and where in it. */
export interface InputFault {
  /** path from the top of the data */
  readonly path: readonly (string | number)[]
  /** the first thing that is wrong, with the number of further ones */
  readonly what: string
}

const buildMessage = createMessageBuilder({ prefix: null, includePath: false, maxIssuesInMessage: 1 })

/** Validates data that came in; what is wrong is told in words that name the value expected. */
export function readAs<T>(
  schema: ZodType<T>,
  data: unknown,
): { readonly data: T } | { readonly fault: InputFault } {
  const parsed = schema.safeParse(data, inPlainWords)
  return parsed.success ? { data: parsed.data } : { fault: faultOf(parsed.error) }
}

function faultOf(error: core.$ZodError): InputFault {
  const further = error.issues.length - 1
  const what = fromZodError(error, { messageBuilder: buildMessage }).message
  return {
    path: (error.issues[0]?.path ?? []).map((p) => (typeof p === 'symbol' ? String(p) : p)),
    what: further > 0 ? `${what}, and ${further} more error${further > 1 ? 's' : ''}` : what,
  }
}
