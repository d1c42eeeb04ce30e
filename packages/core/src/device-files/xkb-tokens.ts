import { CoreError } from '../errors.js'

/** A word, number, string, key name or sign of an XKB file, with the line on which it stands. */
export interface XkbToken {
  readonly kind: 'word' | 'number' | 'text' | 'key' | 'sign'
  readonly text: string
  readonly line: number
}

/** The most tokens that are read: the largest file of a system's package has about 15,000. */
const mostTokens = 400_000

const pattern =
  /(?<blank>\s+|\/\/[^\n]*|#[^\n]*|\/\*[^]*?\*\/)|"(?<text>(?:[^"\\]|\\.)*)"|<(?<key>[^<>\s]{1,8})>|(?<number>(?:\d+\.?\d*|\.\d+))|(?<word>[A-Za-z_][A-Za-z0-9_]*(?:\.[A-Za-z_][A-Za-z0-9_]*)?)|(?<sign>[{}[\]();,=+*!/-])/y

/**
 * The text of an XKB file as tokens.
 * @throws CoreError `XKB_UNREADABLE` with the line of what is no XKB
 */
export function xkbTokens(text: string, fileName: string): XkbToken[] {
  const tokens: XkbToken[] = []
  let line = 1
  pattern.lastIndex = 0
  while (pattern.lastIndex < text.length) {
    const from = pattern.lastIndex
    const found = pattern.exec(text)
    if (!found || tokens.length > mostTokens)
      throw unreadable(
        fileName,
        line,
        found ? 'the file is too long' : `"${text.slice(from, from + 20).split('\n')[0]}" is no XKB`,
      )
    const { blank, ...kinds } = found.groups as Record<string, string | undefined>
    if (blank === undefined) {
      const [kind, value] = Object.entries(kinds).find(([, part]) => part !== undefined) as [
        XkbToken['kind'],
        string,
      ]
      tokens.push({ kind, text: value, line })
    }
    line += found[0].split('\n').length - 1
  }
  return tokens
}

/** What cannot be read in an XKB file, and where. */
export const unreadable = (fileName: string, line: number, what: string): CoreError =>
  new CoreError('XKB_UNREADABLE', {
    where: [fileName, `line ${line}`],
    what,
    remedy: 'choose a geometry file of the X keyboard extension, as those under share/X11/xkb/geometry',
  })
