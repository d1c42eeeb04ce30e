/**
 * National layouts against libxkbcommon itself: the keymap that `xkbcli compile-keymap` of Debian's libxkbcommon-tools
 * resolves, with the characters of keysyms as the header of libxkbcommon-dev tells them.
 */
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { layouts, w3cCodes } from '@reach-plot/data'

const header = '/usr/include/xkbcommon/xkbcommon-keysyms.h'
const isHere = existsSync('/usr/bin/xkbcli') && existsSync(header)

/** Our id → layout and variant of xkb-data. */
const variants: Readonly<Record<string, readonly [string, string]>> = {
  'ch-fr': ['ch', 'fr'],
  'fr-bepo': ['fr', 'bepo'],
  'us-intl': ['us', 'intl'],
  'us-dvorak': ['us', 'dvorak'],
}

/** Keysym → character, as the header's comments have it. */
function characters(): ReadonlyMap<string, string> {
  const out = new Map<string, string>()
  for (const [, name, hex] of readFileSync(header, 'utf8').matchAll(
    /#define XKB_KEY_(\w+)\s+0x[0-9a-f]+\s+\/\*[ (]*U\+([0-9A-F]+)/g,
  ))
    out.set(name as string, String.fromCodePoint(parseInt(hex as string, 16)))
  return out
}

/** W3C code → keysyms of its levels, in a compiled keymap. */
function keymap(id: string): Map<string, string[]> {
  const [layout, variant] = variants[id] ?? [id, '']
  const text = execFileSync(
    'xkbcli',
    ['compile-keymap', '--model', 'pc105', '--layout', layout, '--variant', variant],
    { encoding: 'utf8' },
  )
  const numbers = new Map([...text.matchAll(/^\s*<(\w+)>\s*= (\d+);/gm)].map((m) => [m[1], Number(m[2]) - 8]))
  const codes = new Map(Object.entries(w3cCodes).map(([code, { evdev }]) => [evdev, code]))
  const out = new Map<string, string[]>()
  for (const [, name, body] of text.matchAll(/key <(\w+)>\s*\{([^}]*)\}/g)) {
    const code = codes.get(numbers.get(name) ?? -1)
    const symbols =
      /symbols\[[^\]]*\]\s*=\s*\[([^\]]*)\]/.exec(body as string) ?? /\[([^\]]*)\]/.exec(body as string)
    if (code && symbols)
      out.set(
        code,
        (symbols[1] as string).split(',').map((s) => s.trim()),
      )
  }
  return out
}

describe.skipIf(!isHere)('national layouts have what libxkbcommon resolves', () => {
  const known = isHere ? characters() : new Map<string, string>()
  const characterOf = (symbol: string | undefined): string | null => {
    if (symbol === undefined || symbol === 'NoSymbol') return null
    if (symbol.startsWith('dead_')) return `dead:${symbol.slice(5)}`
    const unicode = /^U([0-9A-F]{4,6})$/.exec(symbol)?.[1]
    return unicode === undefined ? (known.get(symbol) ?? null) : String.fromCodePoint(parseInt(unicode, 16))
  }
  test.each(layouts.map((l) => l.id))('%s, Space too', (id) => {
    const layout = layouts.find((l) => l.id === id)!
    const resolved = keymap(id)
    let compared = 0
    const differing: string[] = []
    for (const [code, levels] of Object.entries(layout.keys)) {
      const symbols = resolved.get(code)
      if (!symbols) continue
      // a key of one level types it whatever is held
      const all =
        code === 'Space' && symbols.length === 1 ? Array.from({ length: 4 }, () => symbols[0]) : symbols
      for (let level = 0; level < Math.min(4, all.length); level++) {
        const theirs = characterOf(all[level])
        compared++
        if ((levels[level] ?? null) !== theirs)
          differing.push(`${code} ${level + 1}: ${String(levels[level])}, not ${String(theirs)}`)
      }
    }
    expect(differing).toEqual([])
    expect(compared).toBeGreaterThan(90)
  })
})
