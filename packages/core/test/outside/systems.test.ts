/**
 * The shipped lists of desktops against the files of their Debian packages, both ways: nothing of ours that the package
 * lacks, nothing of the package that we lack. `npm test` unpacks the packages into a folder; what is installed counts too.
 */
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, test } from 'vitest'
import { inputMethods, systems } from '@reach-plot/data'
import {
  bindsymKeys,
  configuredKeys,
  lxqtKeys,
  openboxKeys,
  xfceKeys,
  type ConfiguredKey,
  type SystemKey,
} from '../../src/systems/index.js'
import { comboOf, schemaKeys } from '../../tools/gnome-schemas.js'

const roots = [fileURLToPath(new URL('../../../../node_modules/.cache/system-files', import.meta.url)), '/']
const find = (path: string): string | undefined => roots.map((root) => join(root, path)).find(existsSync)

const fromFile = (path: string, read: (text: string) => ConfiguredKey[]) => (): ConfiguredKey[] | null => {
  const file = find(path)
  return file === undefined ? null : read(readFileSync(file, 'utf8'))
}

/** Accelerators of the schemas of a desktop, from its own packages. */
const fromSchemas =
  (schema: RegExp, withSingle = false) =>
  (): ConfiguredKey[] | null => {
    const folder = find('usr/share/glib-2.0/schemas')
    const found = folder === undefined ? [] : schemaKeys(folder, schema, withSingle)
    return found.length === 0
      ? null
      : found.flatMap((k) =>
          k.accelerators.map((accelerator) => ({
            accelerator,
            action: k.summary,
            where: `${k.schema}.${k.key}`,
          })),
        )
  }

const sources: readonly (readonly [id: string, () => ConfiguredKey[] | null])[] = [
  ['xfce', fromFile('etc/xdg/xfce4/xfconf/xfce-perchannel-xml/xfce4-keyboard-shortcuts.xml', xfceKeys)],
  ['openbox', fromFile('etc/xdg/openbox/rc.xml', openboxKeys)],
  ['i3', fromFile('etc/i3/config', bindsymKeys)],
  ['sway', fromFile('etc/sway/config', bindsymKeys)],
  ['lxqt', fromFile('etc/xdg/lxqt/globalkeyshortcuts.conf/globalkeyshortcuts.conf', lxqtKeys)],
  ['cinnamon', fromSchemas(/^org\.cinnamon\.(desktop|muffin)\.[a-z.]*keybindings/)],
  [
    'mate',
    fromSchemas(/^org\.mate\.(Marco\.(global|window)-keybindings|SettingsDaemon\.plugins\.media-keys)/, true),
  ],
  ['ibus', fromSchemas(/^org\.freedesktop\.ibus\.(general\.hotkey|panel\.emoji)/)],
]

const combos = (keys: readonly SystemKey[]): string[] => [...new Set(keys.map(comboOf))].sort()
let compared = 0

describe('shipped lists of keys', () => {
  test.each(sources)('%s has what its package has, and nothing else', (id, read) => {
    const theirs = read()
    if (theirs === null) return
    const ours = [...systems, ...inputMethods].find((s) => s.id === id)!
    expect(combos(ours.keys)).toEqual(combos(configuredKeys(theirs)))
    compared++
  })
  afterAll(() => {
    console.log(`${compared} of ${sources.length} lists of keys were compared with their packages`)
  })
})

test('at least one list is compared where npm test has unpacked the packages', () => {
  if (existsSync(roots[0] as string)) expect(compared).toBe(sources.length)
})
