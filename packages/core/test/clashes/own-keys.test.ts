import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { systems } from '@reach-plot/data'
import { readOwnKeys } from '../../src/index.js'
import { layout } from '../build.js'

const shipped = (id: string) => systems.find((s) => s.id === id)!
const us = layout('us')
const read = (text: string, id: string) => readOwnKeys(text, shipped(id), us)

describe('a person’s own keys', () => {
  test('sway: variables are resolved, modes left out, what is gone is off', () => {
    const { own } = read(
      [
        'set $mod Mod4',
        '    bindsym $mod+Return exec term',
        'bindsym --locked $mod+Ctrl+g exec --no-startup-id fieldbook',
        'mode "resize" {',
        '  bindsym h resize shrink width 10px',
        '}',
      ].join('\n'),
      'sway',
    )
    expect(own.own).toEqual([
      { modifiers: ['Control', 'Meta'], char: 'g', action: 'Run fieldbook', id: 'config' },
    ])
    expect(own.off).toContain('Meta+KeyD')
    expect(own.off).not.toContain('Meta+Enter')
  })
  test('Xfce: the custom list counts before the default one', () => {
    const list = (name: string, key: string) =>
      `<property name="${name}" type="empty"><property name="${key}" type="string" value="do"/></property>`
    const { own, settings } = read(
      `<?xml version="1.0"?><channel name="xfce4-keyboard-shortcuts" version="1.0"><property name="commands" type="empty">${list('default', '&lt;Alt&gt;F1')}${list('custom', '&lt;Super&gt;g')}</property></channel>`,
      'xfce',
    )
    expect(settings).toBe(1)
    expect(own.own.map((k) => [k.modifiers, k.char])).toEqual([[['Meta'], 'g']])
    expect(own.off).toContain('Alt+F1')
  })
  test('GNOME: custom shortcuts of dconf dump', () => {
    const { own } = read(
      [
        '[org/gnome/settings-daemon/plugins/media-keys/custom-keybindings/custom0]',
        "binding='<Super>g'",
        "command='fieldbook'",
        "name='Field book'",
        '',
        '[org/gnome/desktop/wm/keybindings]',
        'close=@as []',
      ].join('\n'),
      'gnome',
    )
    expect(own.own).toMatchObject(
      [{ modifiers: ['Meta'], char: 'g', action: 'Field Book' }].map((k) => ({
        ...k,
        action: expect.stringMatching(/^Field book$/i),
      })),
    )
    expect(own.off).toContain('Alt+F4')
  })
  test('a plain list adds to any system and turns nothing off', () => {
    const { own } = read(
      '# mine\nCtrl+Alt+g  Open the field book\nSuper+F9: Start the echo sounder\nno key here',
      'windows',
    )
    expect(own.off).toEqual([])
    expect(own.own.map((k) => k.action)).toEqual(['Open the field book', 'Start the echo sounder'])
  })
  test('what is none of them says what would do', () => {
    expect(() => read('hello\nworld', 'kde')).toThrow(/no line is a key setting.*choose/)
    expect(() => read(readFileSync(new URL('../../package.json', import.meta.url), 'utf8'), 'kde')).toThrow(
      /no line/,
    )
  })
  test('no text takes long, whatever stands in it', () => {
    for (const text of [
      '+'.repeat(200_000),
      'a+'.repeat(100_000),
      '<channel '.repeat(20_000),
      ' \n'.repeat(100_000),
      `bindsym ${'-'.repeat(100_000)}`,
    ]) {
      const start = performance.now()
      expect(() => read(text, 'gnome')).toThrow()
      expect(performance.now() - start).toBeLessThan(500)
    }
  })
})
