import { unreadable, xkbTokens, type XkbToken } from './xkb-tokens.js'

/** A value of an XKB file: a number or text, a key name, a list in braces, or a point in brackets. */
export type XkbValue =
  | { readonly kind: 'number'; readonly number: number }
  | { readonly kind: 'text' | 'key' | 'word'; readonly text: string }
  | { readonly kind: 'point' | 'list'; readonly items: readonly XkbItem[] }

/** A value in a list, perhaps with the name that it is set to. */
export interface XkbItem {
  readonly name?: string
  readonly value: XkbValue
}

/** A statement: `name = value;`, `kind "name" { … };`, or `keys { … };`. */
export interface XkbStatement {
  /** the words before the value: `section`, `key.gap`, `default xkb_geometry` */
  readonly words: readonly string[]
  /** the name in quotes after them, or the key in angle brackets */
  readonly label?: string
  readonly value?: XkbValue
  readonly body?: readonly XkbStatement[]
  readonly line: number
}

/** What is made of values when braces follow, not of statements. */
const lists = /^(shape|keys|overlay)$/
const mostDepth = 12

/**
 * The statements of an XKB file.
 * @throws CoreError `XKB_UNREADABLE`
 */
export function xkbTree(text: string, fileName: string): XkbStatement[] {
  const tokens = xkbTokens(text, fileName)
  let at = 0
  const end: XkbToken = { kind: 'sign', text: 'the end', line: tokens.at(-1)?.line ?? 1 }
  const peek = (): XkbToken => tokens[at] ?? end
  const fail = (what: string): never => {
    throw unreadable(fileName, peek().line, what)
  }
  const isSign = (sign: string): boolean => peek().kind === 'sign' && peek().text === sign
  const take = (sign: string): void => {
    if (!isSign(sign)) fail(`"${sign}" is expected, not "${peek().text}"`)
    at++
  }
  const skip = (sign: string): boolean => {
    if (!isSign(sign)) return false
    at++
    return true
  }

  function items(closing: string, depth: number): XkbItem[] {
    const out: XkbItem[] = []
    while (!skip(closing)) {
      out.push(item(depth))
      if (!skip(',') && !isSign(closing)) fail(`"," or "${closing}" is expected, not "${peek().text}"`)
    }
    return out
  }

  function item(depth: number): XkbItem {
    const first = value(depth)
    if (!skip('=')) return { value: first }
    return { ...('text' in first && { name: first.text }), value: value(depth) }
  }

  function value(depth: number): XkbValue {
    if (depth > mostDepth) fail('braces stand in too many others')
    if (skip('{')) return { kind: 'list', items: items('}', depth + 1) }
    if (skip('[')) return { kind: 'point', items: items(']', depth + 1) }
    if (peek().kind === 'number' || isSign('-') || isSign('+')) return { kind: 'number', number: sum() }
    const token = peek()
    at++
    if (token.kind === 'sign') fail(`a value is expected, not "${token.text}"`)
    return { kind: token.kind as 'text' | 'key' | 'word', text: token.text }
  }

  /** A number, or a sum of some: positions are often written so. */
  function sum(): number {
    let total = 0
    do {
      const sign = skip('-') ? -1 : 1
      if (sign === 1) skip('+')
      if (peek().kind !== 'number') fail(`a number is expected, not "${peek().text}"`)
      total += sign * Number(peek().text)
      at++
    } while (isSign('+') || isSign('-'))
    return total
  }

  function statement(depth: number): XkbStatement {
    const { line } = peek()
    if (depth > mostDepth) fail('braces stand in too many others')
    const words: string[] = []
    while (peek().kind === 'word') {
      words.push(peek().text)
      at++
    }
    skip('!')
    if (words.length === 0) fail(`a name is expected, not "${peek().text}"`)
    const label = peek().kind === 'text' || peek().kind === 'key' ? peek().text : undefined
    if (label !== undefined) at++
    const head = { words, line, ...(label !== undefined && { label }) }
    if (skip('=')) {
      const set = { ...head, value: value(depth + 1) }
      take(';')
      return set
    }
    if (isSign('{')) {
      const isList = lists.test(words.at(-1) ?? '')
      if (!isList) at++
      const parts = isList ? { value: value(depth + 1) } : { body: statements(depth + 1) }
      skip(';')
      return { ...head, ...parts }
    }
    skip(';')
    return head
  }

  function statements(depth: number): XkbStatement[] {
    const out: XkbStatement[] = []
    while (!skip('}')) {
      if (peek() === end) fail('a "}" is missing at the end')
      out.push(statement(depth))
    }
    return out
  }

  const out: XkbStatement[] = []
  while (peek() !== end) out.push(statement(0))
  return out
}
