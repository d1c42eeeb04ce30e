import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, test } from 'vitest'
import { strToU8 } from 'fflate'
import { CoreError } from '../../src/index.js'
import { bindsymKeys, openboxKeys, xfceKeys } from '../../src/systems/index.js'
import { keysOf, read, xlsx } from './tables.js'

const wanted = { 'Save chart': 'Control+KeyS', 'Fit chart': 'F', 'Draw curve': 'Shift+KeyC' }
const saved = { 'Save chart': 'Control+KeyS', 'Fit chart': 'F5', 'Draw curve': 'Control+Shift+KeyC' }

/** The same three commands in every form that a person may have; invented. */
const forms: readonly (readonly [name: string, form: string, file: string | Uint8Array])[] = [
  ['commas', 'csv', 'Command,Shortcut\nSave chart,Ctrl+S\nFit chart,F5\nDraw curve,Ctrl+Shift+C\n'],
  [
    'semicolons, German',
    'csv',
    'Befehl;Tastenkürzel\nSave chart;Strg+S\nFit chart;F5\nDraw curve;Strg+Umschalt+C\n',
  ],
  ['tabs', 'csv', 'Shortcut\tAction\nCtrl+S\tSave chart\nF5\tFit chart\nCtrl+Shift+C\tDraw curve\n'],
  ['bars without a heading', 'csv', 'Save chart|Ctrl+S\nFit chart|F5\nDraw curve|Ctrl+Shift+C\n'],
  [
    'a title above',
    'csv',
    'My keys,\n,\nName,Keys\nSave chart,Ctrl+S\nFit chart,F5\nDraw curve,Ctrl+Shift+C\n',
  ],
  [
    'a spreadsheet',
    'sheet',
    xlsx([
      ['Action', 'Keys'],
      ['Save chart', 'Ctrl+S'],
      ['Fit chart', 'F5'],
      ['Draw curve', 'Ctrl+Shift+C'],
    ]),
  ],
  [
    'a page',
    'html',
    '<!DOCTYPE html><html><body><p>Keys</p><table><thead><tr><th>Do<th>Press</thead><tr><td>Save chart<td><kbd>Ctrl</kbd>+<kbd>S</kbd><tr><td>Fit chart</td><td><kbd>F5</kbd></td></tr><tr><td>Draw curve<td><kbd>Ctrl</kbd> + <kbd>Shift</kbd> + <kbd>C</kbd></table></body></html>',
  ],
  [
    'Markdown',
    'markdown',
    '# Keys\n\n| Action | Key |\n|---|---|\n| Save chart | `Ctrl+S` |\n| Fit chart | F5 |\n| Draw curve | **Ctrl+Shift+C** |\n',
  ],
  [
    'JSON records',
    'json',
    '{"version": 2, "list": [{"title": "Save chart", "keys": {"pc": "Ctrl+S"}}, {"title": "Fit chart", "keys": {"pc": "F5"}}, {"title": "Draw curve", "keys": {"pc": "Ctrl+Shift+C"}}]}',
  ],
  [
    'JSON with comments',
    'json',
    '// mine\n[ {"key": "ctrl+s", "command": "Save chart"}, {"key": "f5", "command": "Fit chart"}, {"key": "ctrl+shift+c", "command": "Draw curve"}, ]',
  ],
  [
    'JSON by key',
    'json',
    '{"bindings": {"ctrl-s": "Save chart", "f5": "Fit chart", "ctrl-shift-c": "Draw curve"}}',
  ],
  [
    'XML',
    'xml',
    '<?xml version="1.0"?><keys><bind key="C-s"><do name="Save chart"/></bind><bind key="F5"><do name="Fit chart"/></bind><bind key="C-S-c"><do name="Draw curve"/></bind></keys>',
  ],
  [
    'a property list',
    'plist',
    '<?xml version="1.0"?><!DOCTYPE plist PUBLIC "-//Apple//DTD PLIST 1.0//EN" "http://www.apple.com/DTDs/PropertyList-1.0.dtd"><plist version="1.0"><dict><key>Save chart</key><string>Ctrl+S</string><key>Fit chart</key><string>F5</string><key>Draw curve</key><string>Ctrl+Shift+C</string></dict></plist>',
  ],
  ['INI', 'ini', '[Shortcuts]\nSave chart=Ctrl+S\nFit chart=F5\nDraw curve=Ctrl+Shift+C\n'],
  ['TOML', 'toml', '[keys]\n"Save chart" = "ctrl+s"\n"Fit chart" = "f5"\n"Draw curve" = "ctrl+shift+c"\n'],
  [
    'YAML',
    'yaml',
    'keys:\n  - command: Save chart\n    key: ctrl+s\n  - command: Fit chart\n    key: f5\n  - command: Draw curve\n    key: ctrl+shift+c\n',
  ],
  [
    'a list of words',
    'list',
    'Keys of mine\n\n- Save chart: Ctrl+S\n- Fit chart: F5\n- Draw curve: Ctrl+Shift+C\n',
  ],
  [
    'a list with leaders',
    'list',
    'Save chart ........ Ctrl+S\nFit chart ......... F5\nDraw curve ........ Ctrl+Shift+C\n',
  ],
  [
    'a key file, key first',
    'key-file',
    '# keys\nbind Ctrl+S "Save chart"\nbind F5 "Fit chart"\nbind Ctrl+Shift+C "Draw curve"\n',
  ],
  [
    'a key file, key last',
    'key-file',
    'map "Save chart" C-s\nmap "Fit chart" <F5>\nmap "Draw curve" C-S-c\n',
  ],
  ['a key file with escapes', 'key-file', '"\\C-s": Save chart\n"\\e[15~": Fit chart\n'],
]

describe('one table of three commands in any form', () => {
  test.each(forms)('%s', async (_name, form, file) => {
    const found = await keysOf(file)
    expect(found.unreadable).toEqual([])
    expect(found.form).toBe(form)
    expect(saved).toMatchObject(found.keys)
    expect(Object.keys(found.keys).length).toBeGreaterThanOrEqual(2)
  })
  test('the words above are three commands', () => expect(Object.keys(wanted)).toEqual(Object.keys(saved)))
  test.each([
    [
      'UTF-16 with a mark',
      (t: string) =>
        new Uint8Array([0xff, 0xfe, ...[...t].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8])]),
    ],
    ['UTF-8 with a mark', (t: string) => new Uint8Array([0xef, 0xbb, 0xbf, ...strToU8(t)])],
    ['Latin-1', (t: string) => Uint8Array.from([...t], (c) => c.charCodeAt(0))],
  ])('%s', async (_name, bytes) => {
    const text = 'Befehl;Kürzel\nÄndern;Strg+Ö\nLöschen;Entf\nÖffnen;Strg+O\n'
    const found = await keysOf(bytes(text))
    expect(Object.keys(found.keys)).toEqual(['Ändern', 'Löschen', 'Öffnen'])
    expect(found.keys['Löschen']).toBe('Delete')
  })
})

describe('files that are hostile', () => {
  const refused = (file: string | Uint8Array) => expect(read(file)).rejects.toThrow(CoreError)
  test('entities that grow are not followed', async () => {
    const entities = Array.from(
      { length: 12 },
      (_, i) => `<!ENTITY b${i} "${`&${i === 0 ? 'a' : `b${i - 1}`};`.repeat(10)}">`,
    ).join('')
    const text = `<?xml version="1.0"?><!DOCTYPE k [<!ENTITY a "aaaaaaaaaa">${entities}]><k><b key="&b11;" name="x"/></k>`
    const found = await read(text).catch((error: unknown) => error)
    if (found instanceof Error) expect(found).toBeInstanceOf(CoreError)
    else expect(JSON.stringify(found).length).toBeLessThan(1000)
  })
  test('depth without end', () => refused('['.repeat(100_000)))
  test('aliases that grow are not followed', async () => {
    const names = 'abcdefghij'
    const text = [...names]
      .map((n, i) => `${n}: &${n} [${i === 0 ? 'x,' : `*${names[i - 1]!},`.repeat(9)}x]`)
      .join('\n')
    const { table } = await read(text)
    expect(table.rows.length).toBeLessThanOrEqual(names.length)
    expect(JSON.stringify(table).length).toBeLessThan(3000)
  })
  test('a zip that is no spreadsheet, and nothing at all', async () => {
    await refused(new Uint8Array([0x50, 0x4b, 3, 4, 0, 0]))
    await refused('')
    await refused('Once there was a lighthouse. It stood on a rock.\nNobody lived there any more.')
  })
})

const roots = [fileURLToPath(new URL('../../../../node_modules/.cache/system-files', import.meta.url)), '/']
const find = (path: string): string | undefined => roots.map((root) => join(root, path)).find(existsSync)
const file = (path: string): string => {
  const found = find(path)
  if (found === undefined) throw new Error(`MISSING ${path}: npm test unpacks it`)
  return readFileSync(found, 'utf8')
}

/** Shares of keys of files from Debian's packages, read as they are; the counts by readers of their own, or by the file. */
describe('files of Debian packages', () => {
  const all = async (text: string) => {
    const { keys, unreadable } = await keysOf(text)
    const triggers = Object.values(keys).flatMap((k) => k.split(' | ').filter(Boolean))
    return { count: triggers.length, unreadable, keys }
  }
  test('sway and i3: every binding', async () => {
    for (const path of ['etc/sway/config', 'etc/i3/config']) {
      const text = file(path)
      const { count, unreadable } = await all(text)
      expect(unreadable).toEqual([])
      // one line, one key
      expect(count).toBeGreaterThanOrEqual(bindsymKeys(text).length)
      expect(count).toBe(text.match(/^\s*bindsym/gm)!.length)
    }
  })
  test('Openbox: every key, with the parameters of actions told apart', async () => {
    const text = file('etc/xdg/openbox/rc.xml')
    const { count, unreadable, keys } = await all(text)
    expect(unreadable).toEqual([])
    expect(count).toBeGreaterThanOrEqual(openboxKeys(text).length)
    expect(keys['GoToDesktop left no']).toBe('Control+Alt+ArrowLeft')
  })
  test('Xfce: every key but the one that is none', async () => {
    const text = file('etc/xdg/xfce4/xfconf/xfce-perchannel-xml/xfce4-keyboard-shortcuts.xml')
    const { count, unreadable } = await all(text)
    expect(unreadable.filter((u) => u !== 'HomePage')).toEqual([])
    expect(count / xfceKeys(text).length).toBeGreaterThan(0.99)
  })
  test('GTK: its bindings for fields of text', async () => {
    const text = file('usr/share/themes/Emacs/gtk-3.0/gtk-keys.css')
    const { count, unreadable } = await all(text)
    expect(unreadable).toEqual([])
    expect(count).toBe(text.match(/^\s*bind "/gm)!.length)
  })
  test('IBus: its hotkeys among other settings', async () => {
    const { keys, unreadable } = await all(
      file('usr/share/glib-2.0/schemas/org.freedesktop.ibus.gschema.xml'),
    )
    expect(keys['triggers']).toBe('Meta+Space')
    expect(unreadable.filter((u) => !u.includes('Release'))).toEqual([])
  })
  test('readline: the keys of a running shell', async () => {
    const text = execFileSync('bash', ['--norc', '-ic', 'bind -p'], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    })
    const { count, unreadable } = await all(text)
    const bound = text.match(/^"/gm)!.length
    // bytes above ASCII are keys of other layouts, and the mark of pasted text is none
    const bytes = text.match(/^"\\[23]\d\d"/gm)?.length ?? 0
    expect(unreadable.filter((u) => !/^\\[23]\d\d$|\[200~/.test(u))).toEqual([])
    expect(count).toBeGreaterThanOrEqual(bound - bytes - 1)
  })
  test('terminfo: every key of xterm', async () => {
    const text = execFileSync('infocmp', ['-1', 'xterm'], { encoding: 'utf8' })
    const { count, unreadable, keys } = await all(text)
    expect(unreadable).toEqual([])
    expect(count).toBe(text.match(/^\tk(?!mous)\w+=/gm)!.length)
    expect(keys['kf5']).toBe('F5')
    expect(keys['kLFT']).toBe('Shift+ArrowLeft')
  })
})
