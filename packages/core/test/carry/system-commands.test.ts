/** The lines against the real `gsettings` (GLib) and the schemas of Debian's packages, where they are there. */
import { execFileSync } from 'node:child_process'
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import { chord, type Chord, type SystemKeys } from '../../src/index.js'
import { dconfFile, freeingLines } from '../../src/carry/index.js'
import { readAccelerator, systemTrigger, writeAccelerator } from '../../src/systems/index.js'

const systemOf = (id: string): SystemKeys => catalogues.systems.find((s) => s.id === id)!
const us = catalogues.layouts.find((l) => l.id === 'us')!

test('every combination of the shipped lists is written so that it is read back as it was', () => {
  for (const id of ['gnome', 'cinnamon', 'mate', 'xfce'])
    for (const key of systemOf(id).keys) {
      const read = readAccelerator(writeAccelerator(key))
      expect(read, writeAccelerator(key)).toMatchObject({
        modifiers: [...key.modifiers].sort(),
        ...(key.code === undefined ? { char: key.char } : { code: key.code }),
      })
    }
})

describe('keys of the system', () => {
  test('of a setting with two combinations only one is freed', () => {
    const { free, back } = freeingLines([chord('ArrowLeft', ['Control', 'Alt'])], systemOf('gnome'), us)
    expect(free).toHaveLength(1)
    expect(free[0]).toMatch(
      /^gsettings set org\.gnome\.desktop\.wm\.keybindings switch-to-workspace-left "\[/,
    )
    expect(free[0]).toContain('<Super>Page_Up')
    expect(free[0]).not.toContain('<Control><Alt>Left')
    expect(back).toEqual(['gsettings reset org.gnome.desktop.wm.keybindings switch-to-workspace-left'])
    expect(dconfFile(free)).toMatch(/^\[org\/gnome\/desktop\/wm\/keybindings\]\nswitch-to-workspace-left=\['/)
  })
  test('a text setting is emptied, sway gets a line, and what no line frees is done by hand', () => {
    const mate = systemOf('mate')
    const first = systemTrigger(mate.keys[0]!, us) as Chord
    expect(freeingLines([first], mate, us).free[0]).toContain(`"'disabled'"`)
    const sway = systemOf('sway')
    const enter = freeingLines([chord('Enter', ['Meta'])], sway, us)
    expect(enter.free).toEqual(['unbindsym Mod4+Return'])
    const windows = systemOf('windows')
    const taken = systemTrigger(
      windows.keys.find((k) => k.code !== undefined || k.char !== undefined)!,
      us,
    ) as Chord
    expect(freeingLines([taken], windows, us)).toMatchObject({ free: [], byHand: [{ chord: taken }] })
  })
  test('what the person has set otherwise is kept', () => {
    const own = {
      off: [],
      own: [
        {
          modifiers: ['Meta' as const],
          char: 'y',
          action: 'Left',
          id: 'org.gnome.desktop.wm.keybindings.switch-to-workspace-left',
        },
      ],
    }
    const { free } = freeingLines([chord('ArrowLeft', ['Control', 'Alt'])], systemOf('gnome'), us, own)
    expect(free[0]).toContain('<Super>y')
  })
})

const unpacked = new URL(
  '../../../../node_modules/.cache/system-files/usr/share/glib-2.0/schemas',
  import.meta.url,
).pathname
const installed = '/usr/share/glib-2.0/schemas'
const hasTools = existsSync('/usr/bin/gsettings') && existsSync('/usr/bin/glib-compile-schemas')

test.skipIf(!hasTools || !existsSync(unpacked))(
  'gsettings takes every line, and the key is free afterwards',
  () => {
    const folder = mkdtempSync(join(tmpdir(), 'reach-plot-schemas-'))
    const schemas = join(folder, 'schemas')
    mkdirSync(schemas)
    for (const from of [installed, unpacked])
      for (const file of readdirSync(from).filter((f) => /\.(gschema\.xml|enums\.xml|xml)$/.test(f)))
        cpSync(join(from, file), join(schemas, file))
    execFileSync('/usr/bin/glib-compile-schemas', [schemas], { stdio: 'ignore' })
    const env = {
      ...process.env,
      GSETTINGS_SCHEMA_DIR: schemas,
      GSETTINGS_BACKEND: 'keyfile',
      XDG_CONFIG_HOME: folder,
      XDG_DATA_DIRS: folder,
    }
    const shell = (line: string): string => execFileSync('bash', ['-c', line], { env, encoding: 'utf8' })
    const known = (id: string): boolean => {
      const at = id.lastIndexOf('.')
      return [...readdirSync(schemas)].some((f) => {
        const text = f.endsWith('.xml') ? readFileSync(join(schemas, f), 'utf8') : ''
        return text.includes(`"${id.slice(0, at)}"`) && text.includes(`name="${id.slice(at + 1)}"`)
      })
    }
    let tried = 0
    for (const id of ['gnome', 'cinnamon', 'mate']) {
      const system = systemOf(id)
      for (const key of system.keys.filter((k) => k.id !== undefined && known(k.id)).slice(0, 12)) {
        const trigger = systemTrigger(key, us)
        if (trigger?.kind !== 'chord') continue
        const { free, back } = freeingLines(
          [trigger],
          { ...system, keys: system.keys.filter((k) => k.id === key.id) },
          us,
        )
        const at = key.id!.lastIndexOf('.')
        const get = `gsettings get ${key.id!.slice(0, at)} ${key.id!.slice(at + 1)}`
        const before = shell(get)
        for (const line of free) shell(line)
        const accelerators = shell(get).match(/'[^']*'/g) ?? []
        expect(
          accelerators.map((a) => JSON.stringify(readAccelerator(a.slice(1, -1)))),
          key.id,
        ).not.toContain(JSON.stringify(readAccelerator(writeAccelerator(key))))
        for (const line of back) shell(line)
        expect(shell(get)).toBe(before)
        tried++
      }
    }
    expect(tried).toBeGreaterThan(20)
  },
)
