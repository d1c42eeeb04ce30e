import arabic from '@fontsource/noto-sans-arabic/unicode.json' with { type: 'json' }
import chinese from '@fontsource/noto-sans-sc/unicode.json' with { type: 'json' }
import greekAndCyrillic from '@fontsource/roboto-condensed/unicode.json' with { type: 'json' }
import hebrew from '@fontsource/noto-sans-hebrew/unicode.json' with { type: 'json' }
import japanese from '@fontsource/noto-sans-jp/unicode.json' with { type: 'json' }
import korean from '@fontsource/noto-sans-kr/unicode.json' with { type: 'json' }

/** A font family with the parts that its files are cut into, as its package lists them: name of the part to `U+41-5A,U+61`. */
interface Family {
  readonly name: string
  readonly parts: Readonly<Record<string, string>>
}

/** A file of a family: `noto-sans-sc-101` of `noto-sans-sc`. */
export interface FontFace {
  readonly family: string
  readonly name: string
}

const family = (name: string, parts: Family['parts']): Family => ({ name, parts })

const alphabets: readonly Family[] = [
  family('roboto-condensed', greekAndCyrillic),
  family('noto-sans-hebrew', hebrew),
  family('noto-sans-arabic', arabic),
]
const ofJapanese = family('noto-sans-jp', japanese)
const ofChinese = family('noto-sans-sc', chinese)
const ofKorean = family('noto-sans-kr', korean)

const kana = /[\p{Script=Hiragana}\p{Script=Katakana}]/u

/**
 * The font files for characters that the label font lacks: Greek, Cyrillic, Hebrew, Arabic, Chinese, Japanese, Korean.
 * What Chinese and Japanese share is drawn as in Japanese where kana stands among the characters.
 * @returns each file once; none for characters that no font has
 */
export function facesFor(characters: readonly string[]): FontFace[] {
  const han = characters.some((c) => kana.test(c)) ? [ofJapanese, ofChinese] : [ofChinese, ofJapanese]
  const families = [...alphabets, ...han, ofKorean]
  const found = characters.flatMap((character) => {
    const code = character.codePointAt(0) as number
    for (const { name, parts } of families)
      for (const [part, ranges] of Object.entries(parts))
        if (isIn(code, ranges)) return [{ family: name, name: `${name}-${part.replace(/[[\]]/g, '')}` }]
    return []
  })
  return [...new Map(found.map((face) => [face.name, face])).values()]
}

/** Whether `U+41-5A,U+61` has a character. */
const isIn = (code: number, ranges: string): boolean =>
  ranges.split(',').some((range) => {
    const [from, to] = range
      .slice(2)
      .split('-')
      .map((hex) => parseInt(hex, 16))
    return code >= (from as number) && code <= (to ?? (from as number))
  })
