// @ts-expect-error -- the package brings no types
import bidiFactory from 'bidi-js'

interface Bidi {
  getEmbeddingLevels(text: string): { readonly levels: Uint8Array }
  getReorderedIndices(text: string, embedding: { readonly levels: Uint8Array }): number[]
  getMirroredCharactersMap(text: string, levels: Uint8Array): Map<number, string>
}

const bidi = (bidiFactory as () => Bidi)()

const runsLeft =
  /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}\u200F\u202B\u202E\u2067]/u

/** Whether something in the text runs from right to left. */
export const isRightToLeft = (text: string): boolean => runsLeft.test(text)

/** A part of a text, in the order of reading. */
interface Part {
  readonly text: string
  readonly file: number
}

/**
 * A line cut into the parts that stand beside each other, from left to right as they are seen (Unicode Standard Annex 9,
 * by bidi-js): each in one direction and of one file. Brackets in what runs left are mirrored.
 * @param fileOf which font file has a character
 */
export function visualParts(text: string, fileOf: (char: string) => number): Part[] {
  if (!isRightToLeft(text)) return parts([...text], fileOf)
  const embedding = bidi.getEmbeddingLevels(text)
  const mirrored = bidi.getMirroredCharactersMap(text, embedding.levels)
  const chars = charactersOf(bidi.getReorderedIndices(text, embedding), text)
  const out: Part[] = []
  let run: typeof chars = []
  const close = (): void => {
    const signs = run.map(({ at, char }) => mirrored.get(at) ?? char)
    // a font joins what it is given in the order of reading, and shows it from right to left by itself
    const seen = parts(signs, fileOf)
    out.push(
      ...seen.map((part) =>
        isRightToLeft(part.text) ? { ...part, text: [...part.text].reverse().join('') } : part,
      ),
    )
    run = []
  }
  for (const char of chars) {
    const last = run.at(-1)
    if (last && embedding.levels[last.at] !== embedding.levels[char.at]) close()
    run.push(char)
  }
  close()
  return out
}

/** Whole characters in the order of their first or last halves. */
function charactersOf(
  order: readonly number[],
  text: string,
): { readonly at: number; readonly char: string }[] {
  return order.flatMap((at) => {
    const code = text.charCodeAt(at)
    return code >= 0xdc00 && code <= 0xdfff && at > 0
      ? []
      : [{ at, char: String.fromCodePoint(text.codePointAt(at)!) }]
  })
}

function parts(chars: readonly string[], fileOf: (char: string) => number): Part[] {
  const out: { text: string; file: number }[] = []
  for (const char of chars) {
    const file = fileOf(char)
    const last = out.at(-1)
    if (last && last.file === file) last.text += char
    else out.push({ text: char, file })
  }
  return out
}
