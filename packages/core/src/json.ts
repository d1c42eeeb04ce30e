/** Lists and objects within one another that are read; a plan has ten. Assumed. */
const mostDepth = 100

/** Why a text is no JSON that is read here, in words. */
export type JsonFault = { readonly what: string }

/** Reads JSON without an error of the engine reaching anybody: what is wrong is said with its line. */
export function parseJson(text: string): { readonly value: unknown } | JsonFault {
  if (isTooDeep(text)) return { what: `more than ${mostDepth} lists lie within one another` }
  try {
    return { value: JSON.parse(text) }
  } catch (error) {
    const line = lineOf(error, text)
    return { what: line === null ? 'the file is not JSON' : `the file is not JSON: see line ${line}` }
  }
}

/** Depth of brackets outside of texts, without recursion. */
function isTooDeep(text: string): boolean {
  let depth = 0
  let isText = false
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    if (isText) {
      if (code === 0x5c) i++
      else if (code === 0x22) isText = false
    } else if (code === 0x22) isText = true
    else if (code === 0x5b || code === 0x7b) {
      if (++depth > mostDepth) return true
    } else if (code === 0x5d || code === 0x7d) depth--
  }
  return false
}

/** The line of a fault, where the engine names a position; a cut text ends in its last line. */
function lineOf(error: unknown, text: string): number | null {
  const { message } = error as Error
  const position = /position (\d+)/.exec(message)?.[1]
  if (position !== undefined) return text.slice(0, Number(position)).split('\n').length
  return /end of/i.test(message) ? text.split('\n').length : null
}
