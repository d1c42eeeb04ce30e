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
export const xkbTree = (text: string, fileName: string): XkbStatement[] =>
  new XkbParser(xkbTokens(text, fileName), fileName).statements(0)

/** Reads tokens from the first on; each method takes what it reads. */
class XkbParser {
  private at = 0
  private readonly end: XkbToken

  constructor(
    private readonly tokens: readonly XkbToken[],
    private readonly fileName: string,
  ) {
    this.end = { kind: 'sign', text: 'the end', line: tokens.at(-1)?.line ?? 1 }
  }

  /** Statements up to the brace that closes them, or to the end of the file. */
  statements(depth: number): XkbStatement[] {
    const out: XkbStatement[] = []
    while (depth === 0 ? this.peek() !== this.end : !this.skip('}')) {
      if (this.peek() === this.end) this.fail('a "}" is missing at the end')
      out.push(this.statement(depth))
    }
    return out
  }

  private peek(): XkbToken {
    return this.tokens[this.at] ?? this.end
  }

  private fail(what: string): never {
    throw unreadable(this.fileName, this.peek().line, what)
  }

  private isSign(sign: string): boolean {
    return this.peek().kind === 'sign' && this.peek().text === sign
  }

  private skip(sign: string): boolean {
    if (!this.isSign(sign)) return false
    this.at++
    return true
  }

  private statement(depth: number): XkbStatement {
    const { line } = this.peek()
    if (depth > mostDepth) this.fail('braces stand in too many others')
    const words: string[] = []
    for (; this.peek().kind === 'word'; this.at++) words.push(this.peek().text)
    this.skip('!')
    if (words.length === 0) this.fail(`a name is expected, not "${this.peek().text}"`)
    const { kind, text } = this.peek()
    const hasLabel = kind === 'text' || kind === 'key'
    if (hasLabel) this.at++
    const head = { words, line, ...(hasLabel && { label: text }) }
    if (this.skip('=')) {
      const set = { ...head, value: this.value(depth + 1) }
      if (!this.skip(';')) this.fail(`";" is expected, not "${this.peek().text}"`)
      return set
    }
    if (!this.isSign('{')) {
      this.skip(';')
      return head
    }
    const isList = lists.test(words.at(-1) ?? '')
    if (!isList) this.at++
    const parts = isList ? { value: this.value(depth + 1) } : { body: this.statements(depth + 1) }
    this.skip(';')
    return { ...head, ...parts }
  }

  private value(depth: number): XkbValue {
    if (depth > mostDepth) this.fail('braces stand in too many others')
    if (this.skip('{')) return { kind: 'list', items: this.items('}', depth + 1) }
    if (this.skip('[')) return { kind: 'point', items: this.items(']', depth + 1) }
    if (this.peek().kind === 'number' || this.isSign('-') || this.isSign('+'))
      return { kind: 'number', number: this.sum() }
    const token = this.peek()
    if (token.kind === 'sign') this.fail(`a value is expected, not "${token.text}"`)
    this.at++
    return { kind: token.kind as 'text' | 'key' | 'word', text: token.text }
  }

  private items(closing: string, depth: number): XkbItem[] {
    const out: XkbItem[] = []
    while (!this.skip(closing)) {
      out.push(this.item(depth))
      if (!this.skip(',') && !this.isSign(closing))
        this.fail(`"," or "${closing}" is expected, not "${this.peek().text}"`)
    }
    return out
  }

  private item(depth: number): XkbItem {
    const first = this.value(depth)
    if (!this.skip('=')) return { value: first }
    return { ...('text' in first && { name: first.text }), value: this.value(depth) }
  }

  /** A number, or a sum of some: positions are often written so. */
  private sum(): number {
    let total = 0
    do {
      const sign = this.skip('-') ? -1 : 1
      if (sign === 1) this.skip('+')
      if (this.peek().kind !== 'number') this.fail(`a number is expected, not "${this.peek().text}"`)
      total += sign * Number(this.peek().text)
      this.at++
    } while (this.isSign('+') || this.isSign('-'))
    return total
  }
}
