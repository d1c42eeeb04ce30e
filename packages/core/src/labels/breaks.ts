// @ts-expect-error -- the package brings no types
import LineBreaker from 'linebreak'

type Breaks = new (text: string) => { nextBreak(): { readonly position: number } | null }

/**
 * A text cut where a line may end (Unicode Standard Annex 14): after blanks and hyphens, between Chinese and Japanese
 * signs. Each piece keeps its blank; joined they give the text.
 */
export function linePieces(text: string): string[] {
  const breaker = new (LineBreaker as Breaks)(text.trim())
  const out: string[] = []
  let from = 0
  for (let at = breaker.nextBreak(); at; at = breaker.nextBreak()) {
    out.push(text.trim().slice(from, at.position))
    from = at.position
  }
  return out.filter(Boolean)
}
