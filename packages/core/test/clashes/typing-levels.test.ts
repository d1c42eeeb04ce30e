/** Typed characters against XKB's levels, and GNOME's keys against its schemas. */
import { describe, expect, test } from 'vitest'
import { layouts, systems } from '@reach-plot/data'
import {
  chord,
  findClashes,
  gnomeKeys,
  readOwnKeys,
  systemTakes,
  typedBy,
  type Modifier,
  type SystemKeys,
} from '../../src/index.js'
import { envWith, command, layout, placements, keyOf } from '../build.js'
import { compareWithSchemas, schemaKeys } from '../../tools/gnome-schemas.js'

const levels: readonly (readonly Modifier[])[] = [[], ['Shift'], ['AltGraph'], ['Shift', 'AltGraph']]

describe.each(layouts.map((l) => [l.id, l] as const))('layout %s', (_id, national) => {
  test('types with Shift and AltGr what XKB has at its levels, on every key', () => {
    let compared = 0
    for (const [code, chars] of Object.entries(national.keys))
      for (const [i, held] of levels.entries()) {
        const char = chars[i] ?? null
        const typed = typedBy(chord(code, held), national, 'gnome')
        const got = typed && 'character' in typed ? typed.character : null
        expect(got, `${national.id} ${code} level ${i + 1}`).toBe(char)
        if (char?.startsWith('dead:')) expect(typed!.kind).toBe('accent')
        compared++
      }
    expect(compared).toBeGreaterThan(180)
  })
  test('Windows takes Ctrl+Alt for AltGr where the layout has one, and for nothing else where it has not', () => {
    for (const [code, chars] of Object.entries(national.keys)) {
      const typed = typedBy(chord(code, ['Control', 'Alt']), national, 'windows')
      const got = typed && 'character' in typed ? typed.character : null
      expect(got, code).toBe(national.altGraph ? (chars[2] ?? null) : null)
      expect(typedBy(chord(code, ['Control', 'Alt']), national, 'gnome')).toBeNull()
    }
  })
})

test('Ctrl+Alt+Q and Ctrl+Alt+E on a German Windows are reported with their characters, where text can be typed', () => {
  const [at, euro, off] = [command('At'), command('Euro'), command('Off', { contextIds: ['tracing'] })]
  const given = envWith([at, euro, off], {
    systemId: 'windows',
    system: systems.find((s) => s.id === 'windows')!,
    layoutId: 'de',
  })
  const found = findClashes(
    placements({ at: 'Control+Alt+KeyQ', euro: 'Control+Alt+KeyE', off: 'Control+Alt+KeyM' }),
    given,
  )
  expect(found.map((c) => [c.kind, /types “(.)”/.exec(c.message)?.[1]])).toEqual([
    ['types-control-alt', '€'],
    ['types-control-alt', '@'],
  ])
})

test('a plain letter is reported only where text can be typed', () => {
  const [here, there] = [
    command('Here', { contextIds: ['labelling'] }),
    command('There', { contextIds: ['tracing'] }),
  ]
  const kinds = (id: string) =>
    findClashes(placements({ [id]: 'KeyJ' }), envWith([here, there])).map((c) => c.kind)
  expect(kinds('here')).toEqual(['types-character'])
  expect(kinds('there')).toEqual([])
  expect(layout('de').altGraph).toBe(true)
})

describe('GNOME’s keys', () => {
  const gnome = systems.find((s) => s.id === 'gnome') as SystemKeys
  test('equal those of the schemas that are installed on this machine', () => {
    const installed = schemaKeys().filter((k) => !k.schema.includes('deprecated'))
    const compared = compareWithSchemas(gnome.keys, installed)
    const combos = compared.reduce((sum, c) => sum + c.theirs.length, 0)
    console.log(
      `GNOME: ${gnome.keys.length} combinations ship; ${compared.length} settings with ${combos} combinations are installed here`,
    )
    for (const { id, ours, theirs } of compared) expect(ours, id).toEqual(theirs)
  })
  test('Control is one modifier, however it is spelled', () => {
    const read = ['<Control>t', '<Ctrl>t', '<Primary>t'].map((t) => gnomeKeys('s', 'k', [t], 'Do'))
    expect(read.map((keys) => keys[0])).toEqual(Array.from({ length: 3 }, () => read[0]![0]))
    expect(read[0]![0]).toMatchObject({ modifiers: ['Control'], char: 't' })
    expect(gnomeKeys('s', 'k', ['XF86AudioPlay', '<Hyper>x', ''], 'Do')).toEqual([])
  })

  const us = layout('us')
  const dump = (...lines: string[]) => readOwnKeys(lines.join('\n'), gnome, us)
  test('a person’s own settings turn off what is gone and add what is new', () => {
    const { own, settings, passedOver } = dump(
      "org.gnome.settings-daemon.plugins.media-keys screensaver ['<Super>Escape']",
      'org.gnome.desktop.wm.keybindings close @as []',
      "org.gnome.desktop.wm.keybindings maximize ['<Super>Up', 'XF86Fullscreen']",
      "org.gnome.desktop.interface clock-format '24h'",
      'noise',
    )
    expect(settings).toBe(3)
    expect(passedOver).toEqual(['XF86Fullscreen'])
    expect(own.off).toContain('Meta+KeyL')
    expect(own.off).toContain('Alt+F4')
    expect(own.off).not.toContain('Meta+ArrowUp')
    expect(own.own).toEqual([
      expect.objectContaining({ modifiers: ['Meta'], code: 'Escape', action: 'Lock screen' }),
    ])
    const takes = systemTakes(gnome, us, own)
    expect(takes.get(keyOf('Meta+Escape'))).toMatchObject({ action: 'Lock screen', isOwn: true })
    expect(takes.has(keyOf('Meta+KeyL'))).toBe(false)
    expect(takes.has(keyOf('Meta+ArrowUp'))).toBe(true)
  })
  test('the shipped settings, dumped, change nothing', () => {
    const byId = new Map<string, string[]>()
    for (const k of gnome.keys) {
      if (!k.id || k.id.endsWith('overlay-key')) continue
      const name = k.code ?? k.char ?? ''
      const sym =
        {
          PageUp: 'Page_Up',
          PageDown: 'Page_Down',
          ArrowLeft: 'Left',
          ArrowRight: 'Right',
          ArrowUp: 'Up',
          ArrowDown: 'Down',
          Space: 'space',
          PrintScreen: 'Print',
          Backquote: 'Above_Tab',
          '=': 'equal',
          '-': 'minus',
        }[name] ?? name
      const mods = k.modifiers.map((m) => `<${m === 'Meta' ? 'Super' : m}>`).join('')
      byId.set(k.id, [...(byId.get(k.id) ?? []), `'${mods}${sym}'`])
    }
    const lines = [...byId].map(([id, texts]) => {
      const at = id.lastIndexOf('.')
      return `${id.slice(0, at)} ${id.slice(at + 1)} [${texts.join(', ')}]`
    })
    expect(dump(...lines).own).toEqual({ off: [], own: [] })
  })
  test('what is no list of settings is refused with what to do', () => {
    expect(() => dump('hello')).toThrow(/gsettings list-recursively/)
    expect(() => dump('x'.repeat(2_100_000))).toThrow(/longer/)
  })
})
