/** Key files there and back: files of Debian packages as they are, and the real readline of bash. */
import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  chord,
  environmentOf,
  readPlan,
  triggerKey,
  type Command,
  type Placed,
  type Trigger,
} from '../../src/index.js'
import { entriesOf, readTextTables, spellerOf } from '../../src/key-tables/index.js'
import { rewriteKeyFile } from '../../src/carry/index.js'

const demo = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)
const speller = spellerOf({ ...environmentOf({ ...demo, layoutId: 'us' }, catalogues) })

/** Commands and placements as a file has them. */
function planOf(text: string): { commands: Command[]; placements: Placed[] } {
  const [found] = readTextTables(text, 'file', speller)
  const commands = new Map<string, Command>()
  const placements: Placed[] = []
  for (const e of entriesOf(found!.table, found!.columns, speller, 1).entries) {
    const name = e.name
    if (e.triggers.length === 0) continue
    const known = commands.get(name.toLowerCase())
    const command =
      known ??
      ({
        ...demo.commands[0]!,
        id: `c${commands.size}` as Command['id'],
        name,
        menu: [],
        contextIds: [],
      } as Command)
    delete (command as { parameter?: string }).parameter
    commands.set(name.toLowerCase(), command)
    for (const trigger of e.triggers) placements.push({ commandId: command.id, trigger })
  }
  return { commands: [...commands.values()], placements }
}

const roots = [fileURLToPath(new URL('../../../../node_modules/.cache/system-files', import.meta.url)), '/']
const find = (path: string): string | undefined => roots.map((root) => join(root, path)).find(existsSync)

const inputrc = `# my keys
set editing-mode emacs
"\\C-a": beginning-of-line
"\\C-e": end-of-line   # the end
"\\C-xu": undo
"\\M-f": forward-word
`
const files: readonly (readonly [name: string, text: () => string])[] = [
  ['readline', () => inputrc],
  ['sway', () => readFileSync(find('etc/sway/config')!, 'utf8')],
  ['i3', () => readFileSync(find('etc/i3/config')!, 'utf8')],
  ['GTK', () => readFileSync(find('usr/share/themes/Emacs/gtk-3.0/gtk-keys.css')!, 'utf8')],
  ['Openbox', () => readFileSync(find('etc/xdg/openbox/rc.xml')!, 'utf8')],
  [
    'Xfce',
    () =>
      readFileSync(find('etc/xdg/xfce4/xfconf/xfce-perchannel-xml/xfce4-keyboard-shortcuts.xml')!, 'utf8'),
  ],
]

describe.each(files)('%s', (_, textOf) => {
  const text = textOf()
  const { commands, placements } = planOf(text)
  test('an unchanged plan leaves every byte', () => {
    const { text: written, changes, found } = rewriteKeyFile(text, 'file', commands, placements, speller)
    expect(changes).toEqual([])
    expect(written).toBe(text)
    expect(found).toBeGreaterThan(3)
  })
  test('one move changes one line, and reads back as it should', () => {
    // a command with one key, moved to a key that nothing has
    const taken = new Set(placements.map((p) => triggerKey(p.trigger)))
    const target = ['KeyJ', 'KeyG', 'KeyY', 'F7']
      .flatMap((code) => [chord(code, ['Control']), chord(code, ['Control', 'Alt'])])
      .find((t) => !taken.has(triggerKey(t)))!
    const alone = placements.filter(
      (p) => p.trigger.kind === 'chord' && placements.filter((o) => o.commandId === p.commandId).length === 1,
    )
    for (const moved of alone.slice(0, 6)) {
      const next = placements.map((p) => (p === moved ? { ...p, trigger: target as Trigger } : p))
      const { text: written, changes, unsaid } = rewriteKeyFile(text, 'file', commands, next, speller)
      expect(unsaid.map((u) => [u.command.name, triggerKey(u.trigger), u.why])).toEqual([])
      expect(changes).toHaveLength(1)
      expect(written.split('\n').filter((l, i) => l !== text.split('\n')[i])).toHaveLength(1)
      const read = planOf(written)
      const id = read.commands.find(
        (c) => c.name === commands.find((o) => o.id === moved.commandId)!.name,
      )!.id
      expect(read.placements.filter((p) => p.commandId === id).map((p) => triggerKey(p.trigger))).toEqual([
        triggerKey(target),
      ])
    }
  })
})

test('lines come and go, lists stay lists, and what cannot be said is named', () => {
  const csv = 'Action;Key\nClose outline;Ctrl+W, F4\nShow grid;G\nHide shape;Shift+H\n'
  const { commands } = planOf(csv)
  const named = (name: string): Command => commands.find((c) => c.name === name)!
  const place = (name: string, trigger: Trigger): Placed => ({ commandId: named(name).id, trigger })
  const { text, unsaid } = rewriteKeyFile(
    csv,
    'keys.csv',
    commands,
    [
      place('Close outline', chord('KeyW', ['Control'])),
      place('Close outline', chord('F6', ['Shift'])),
      place('Show grid', { kind: 'key', code: 'KeyG', modifiers: [], act: 'hold' }),
      place('Hide shape', chord('KeyH', ['Shift', 'Control'])),
    ],
    speller,
  )
  expect(text).toContain('Close outline;Ctrl+W, Shift+F6')
  expect(text).toContain('Hide shape;Ctrl+Shift+H')
  expect(unsaid).toMatchObject([{ command: { name: 'Show grid' }, why: 'no key of a keyboard' }])

  const { commands: own } = planOf(inputrc)
  const undo = own.find((c) => c.name === 'undo')!
  const all = [
    { commandId: undo.id, trigger: chord('KeyZ', ['Control']) },
    { commandId: undo.id, trigger: chord('KeyU', ['Alt']) },
  ]
  const written = rewriteKeyFile(inputrc, 'inputrc', own, all, speller)
  expect(written.text).toContain('"\\C-z": undo\n"\\M-u": undo\n')
  expect(written.text).not.toContain('beginning-of-line')
  expect(written.text).toContain('# my keys')
})

test('readline takes the file and says the new key', () => {
  const { commands, placements } = planOf(inputrc)
  const name = 'end-of-line'
  const id = commands.find((c) => c.name === name)!.id
  const moved = placements.map((p) =>
    p.commandId === id ? { ...p, trigger: chord('KeyO', ['Control']) } : p,
  )
  const { text } = rewriteKeyFile(inputrc, 'inputrc', commands, moved, speller)
  const path = join(mkdtempSync(join(tmpdir(), 'reach-plot-inputrc-')), 'inputrc')
  writeFileSync(path, text)
  const said = execFileSync('bash', ['--norc', '-c', `set -o emacs; bind -f ${path}; bind -p`], {
    encoding: 'utf8',
    env: { ...process.env, INPUTRC: '/dev/null' },
  })
  expect(said).toContain('"\\C-o": end-of-line')
})
