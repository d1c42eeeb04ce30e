import { tableOfRecords, type KeyTable } from './table.js'

/** A part of a line between separators. */
interface Token {
  readonly text: string
  readonly start: number
  readonly end: number
}

interface Line {
  readonly line: number
  readonly text: string
  readonly tokens: readonly Token[]
  /** the first word, where several lines begin with it; '' for none */
  readonly verb: string
  readonly section: string
}

type Reads = (text: string, variables: ReadonlyMap<string, string>) => boolean

/** Parts of a line: quoted texts, words, and what an equals sign or a colon parts. */
function tokensOf(text: string): Token[] {
  const tokens: Token[] = []
  const pattern = /"(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*'|[^\s"'{}()][^\s{}()]*|[{}()]/g
  for (const found of text.matchAll(pattern)) {
    const start = found.index
    const word = found[0]
    // the first equals sign or colon after a name parts it from the rest; one that is pressed follows a plus sign
    const at = /^["']/.test(word) ? -1 : word.search(/(?<=[^+\-<\\])[=:](?=.|$)/)
    if (at > 0) {
      tokens.push({ text: word.slice(0, at), start, end: start + at })
      const rest = word.slice(at + 1)
      if (rest !== '') tokens.push({ text: rest, start: start + at + 1, end: start + word.length })
    } else tokens.push({ text: word, start, end: start + word.length })
  }
  return tokens.filter((t) => !/^[=:,;]+$/.test(t.text) || tokens.length < 3)
}

const bare = (token: string): string => token.replace(/[,;]$/, '').replace(/^(["'])(.*)\1$/s, '$2')

const comment = /^\s*(?:#(?!\S+\s*=)|\/\/|!|--\s|;(?!\s*\())/

/** Lines that may bind a key, with the section that they stand in and the names that the file gives to keys. */
function linesOf(text: string): { readonly lines: readonly Line[]; readonly variables: Map<string, string> } {
  const variables = new Map<string, string>()
  const raw: Omit<Line, 'verb'>[] = []
  const sections: string[] = []
  let section = ''
  // a backslash at the end goes on in the next line
  const joined = text.replace(/\\\r?\n/g, (found) => ' '.repeat(found.length - 1) + '\n').split(/\r?\n/)
  joined.forEach((whole, i) => {
    // a comment may end a line
    const trimmed = whole.replace(/\s#\s[^"']*$/, '').trim()
    if (trimmed === '' || comment.test(whole)) return
    const heading = /^\[([^\]]+)\]$/.exec(trimmed)?.[1]
    if (heading !== undefined) {
      section = heading
      return
    }
    const variable = /^set\s+(\$\S+)\s+(\S+)$/.exec(trimmed)
    if (variable) variables.set(variable[1] as string, variable[2] as string)
    // what a name stands for is no binding
    if (/^set\s+\$|^\$(?:if|else|endif|include)\b/.test(trimmed)) return
    if (/^\}[;,]?$/.test(trimmed)) {
      sections.pop()
      return
    }
    const opened = /^(.*?)\{$/.exec(trimmed)?.[1]?.trim()
    if (opened !== undefined) {
      const quoted = /["']([^"']+)["']/.exec(opened)?.[1]
      sections.push(quoted ?? opened.split(/\s+/).slice(0, 3).join(' '))
      return
    }
    const content = trimmed.replace(/^;\s*\(/, '(')
    raw.push({ line: i + 1, text: content, tokens: tokensOf(content), section: sections.at(-1) ?? section })
  })
  const firsts = new Map<string, number>()
  for (const { tokens } of raw) {
    const first = verbOf(tokens)
    firsts.set(first, (firsts.get(first) ?? 0) + 1)
  }
  return {
    variables,
    lines: raw.map((l) => {
      const first = verbOf(l.tokens)
      return { ...l, verb: (firsts.get(first) ?? 0) > 1 ? first : '' }
    }),
  }
}

/** The word that a line begins with, past a bracket. */
const verbOf = (tokens: readonly Token[]): string => {
  const first = tokens.find((t) => t.text !== '(')?.text ?? ''
  return /^[A-Za-z_][\w.-]*$/.test(first) ? first : ''
}

/**
 * A key file: lines that bind a key to an action, with or without a verb before, the key first or last. Where the key
 * stands is decided for all lines that begin alike, by the place that reads as a key most often.
 */
export function keyFileTable(text: string, reads: Reads): KeyTable | null {
  const { lines, variables } = linesOf(isTerminfo(text) ? keysOfTerminfo(text) : text)
  const groups = new Map<string, Line[]>()
  for (const line of lines) {
    const group = groups.get(line.verb)
    if (group) group.push(line)
    else groups.set(line.verb, [line])
  }
  const read = (cell: string): boolean => reads(bare(cell), variables)
  const rows: { line: number; values: Map<string, string> }[] = []
  for (const [verb, group] of groups) {
    const spot = spotOf(group, verb, read)
    if (spot === null) continue
    for (const line of group) {
      const row = rowAt(line, verb, spot, read)
      if (row) rows.push(row)
    }
  }
  rows.sort((a, b) => a.line - b.line)
  // a verb, quotation marks or escapes are what programs write, not people
  const lineOf = new Map(lines.map((l) => [l.line, l]))
  const written = rows.filter(({ line }) => {
    const of = lineOf.get(line)
    return of !== undefined && (of.verb !== '' || /["']|\\[eCM]/.test(of.text))
  }).length
  return rows.length === 0
    ? null
    : tableOfRecords('key-file', rows, { variables, fit: written / rows.length })
}

/** Source of a terminal's description, as infocmp(1) prints it: names in the first line, then `name=value,`. */
const isTerminfo = (text: string): boolean => /^\s+k\w+=.*,\s*$/m.test(text) && /^\S+\|.*,\s*$/m.test(text)

/** Its lines with keys alone: terminfo(5) begins their names with k; several in a line are parted. */
const keysOfTerminfo = (text: string): string =>
  text.replace(/^.*$/gm, (line) =>
    line
      .split(/,\s+|,$/)
      .filter((entry) => /^\s*k\w+=/.test(entry) && !/^\s*kmous=/.test(entry))
      .map((entry) => entry.trim())
      .join('\n'),
  )

/** Words of a line that may be its key: neither the verb nor a switch. */
const wordsOf = ({ tokens }: Line, verb: string): readonly Token[] => {
  const words = tokens.filter((t) => !/^[(){}]$/.test(t.text))
  const rest = verb === '' ? words : words.slice(words.findIndex((t) => t.text === verb) + 1)
  return rest.filter((t) => !/^--?[A-Za-z][\w-]*$/.test(t.text) || rest.length < 2)
}

/** Where the key of lines that begin alike stands: counted from the front, or from the end; null where it is nowhere. */
function spotOf(group: readonly Line[], verb: string, read: (cell: string) => boolean): number | null {
  const tally = new Map<number, { readonly values: Set<string>; n: number }>()
  const sample = group.slice(0, 500)
  for (const line of sample) {
    const words = wordsOf(line, verb)
    if (words.length < (verb === '' ? 2 : 1)) continue
    words.forEach(({ text: word }, i) => {
      // in a sentence a letter or “home” is no key
      if (!read(word) || (verb === '' && !/[=:"'(]/.test(line.text) && !isMarked(word))) return
      for (const at of i === words.length - 1 && i > 0 ? [i, -1] : [i]) {
        const known = tally.get(at) ?? { values: new Set<string>(), n: 0 }
        known.n++
        known.values.add(word)
        tally.set(at, known)
      }
    })
  }
  const best = [...tally].sort(
    ([a, x], [b, y]) => y.n - x.n || y.values.size - x.values.size || Number(a < 0) - Number(b < 0) || a - b,
  )[0]
  if (!best) return null
  const [at, { n, values }] = best
  // figures at the ends of lines say how often
  if (at !== 0 && [...values].every((v) => /^\d$/.test(v))) return null
  // a word that stands in every line is no key; a few lines that happen to have one are none either
  const enough = verb === '' ? 0.5 : 0.2
  if (n < sample.length * enough || (values.size < 2 && n > 2)) return null
  return at
}

function rowAt(
  line: Line,
  verb: string,
  spot: number,
  read: (cell: string) => boolean,
): { readonly line: number; readonly values: Map<string, string> } | null {
  const words = wordsOf(line, verb)
  const usual = words.at(spot)
  const word = usual && read(usual.text) ? usual : (words.find((t) => read(t.text)) ?? usual)
  if (!word) return null
  const rest = `${line.text.slice(0, word.start)} ${line.text.slice(word.end)}`
  const name = nameIn(verb === '' ? rest : rest.replace(verb, ' '))
  if (name === '') return null
  return {
    line: line.line,
    values: new Map([
      ['action', name],
      ['key', bare(word.text)],
      ...(line.section === '' ? [] : [['section', line.section] as const]),
    ]),
  }
}

/** What is left of a line without its key, as a name. */
function nameIn(rest: string): string {
  let name = rest.trim()
  for (;;) {
    const next = name
      .replace(/^[\s=:,;{(]+/, '')
      .replace(/[\s=:,;{]+$/, '')
      .replace(/\s*\}[;,]?$/, '')
      .replace(/^([^(]*)\)$/, '$1')
      .replace(/^(["'])((?:(?!\1).)*)\1$/, '$2')
      .trim()
    if (next === name) break
    name = next
  }
  return name
    .replace(/\s+/g, ' ')
    .replace(/["']([\w.-]+)["']/g, '$1')
    .slice(0, 120)
}

/** What parts words from a key in a list that a person wrote, the clearest first. */
const parting = [
  /\t+/,
  /\s*\.{3,}\s*|\s*[.…]{2,}\s*/,
  /\s{2,}/,
  /\s+[–—-]\s+/,
  /\s*(?:→|=>|->)\s*/,
  /:\s+/,
  /\s+=\s+/,
]

/** A list in which each line has words and a key, first or last; lines without a key head those below. */
export function listTable(text: string, readsAny: (cell: string) => boolean): KeyTable | null {
  // a figure at the end of a line is seldom a key
  const reads = (cell: string): boolean => !/^\d$/.test(cell) && readsAny(cell)
  const rows: { line: number; values: Map<string, string> }[] = []
  let section = ''
  let tried = 0
  text.split(/\r?\n/).forEach((whole, i) => {
    const line = whole.replace(/^\s*(?:[-*•+]|\d+[.)])\s+/, '').trim()
    if (line === '' || line.length > 300) return
    if (/^(?:#|\/\/|;)/.test(line)) {
      if (/^#+\s/.test(line)) section = line.replace(/^#+\s*/, '').slice(0, 120)
      return
    }
    const parts = partsOf(line, reads)
    if (!parts) {
      if (/^#+\s|:$/.test(line) || !/[.!?]$/.test(line))
        section = line.replace(/^#+\s*|:$/g, '').slice(0, 120)
      else tried++
      return
    }
    rows.push({
      line: i + 1,
      values: new Map([
        ['words', parts.name],
        ['key', parts.key],
        ...(section === '' ? [] : [['section', section] as const]),
      ]),
    })
  })
  return rows.length < 1 || rows.length < tried ? null : tableOfRecords('list', rows)
}

function partsOf(line: string, reads: (cell: string) => boolean): { name: string; key: string } | null {
  for (const separator of parting) {
    const parts = line
      .split(separator)
      .map((p) => p.trim())
      .filter(Boolean)
    if (parts.length < 2) continue
    const last = parts.at(-1) as string
    const first = parts[0] as string
    if (reads(last))
      return { name: line.slice(0, line.lastIndexOf(last)).replace(/[\s.…:=→–—-]+$/, ''), key: last }
    if (reads(first)) return { name: line.slice(first.length).replace(/^[\s.…:=→–—-]+/, ''), key: first }
  }
  // without a separator only a key that is no word counts
  const words = line.split(/\s+/)
  for (let n = Math.min(4, words.length - 1); n >= 1; n--) {
    const [last, first] = [words.slice(-n).join(' '), words.slice(0, n).join(' ')]
    if (isMarked(last) && reads(last)) return { name: words.slice(0, -n).join(' '), key: last }
    if (isMarked(first) && reads(first)) return { name: words.slice(n).join(' '), key: first }
  }
  return null
}

/** Looks like a key and not like a word of a name. */
const isMarked = (text: string): boolean => /[+⌘⌥⌃⇧^<]|^F\d{1,2}$|^[CMSA]-/.test(text)
