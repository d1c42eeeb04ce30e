/**
 * Key combinations of desktops and window managers as data files: `node --import tsx packages/core/tools/systems.ts FOLDER`,
 * where FOLDER has one JSON file a desktop with the combinations as its own files spell them.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { actionOfConfig } from '../src/systems/config-files.js'
import { readAccelerator } from '../src/systems/index.js'

interface Spelled {
  readonly id: string
  readonly name: string
  readonly source: string
  readonly keys: readonly { readonly accelerator: string; readonly action: string; readonly where: string }[]
}

const areaOf = (action: string): string =>
  /screenshot|screengrab/i.test(action)
    ? 'screenshots'
    : /magnif|screen reader|orca/i.test(action)
      ? 'accessibility'
      : /window|workspace|desktop|tile|focus|move|layout|fullscreen|float|split|container|scratch|Kill|resize|stack/i.test(
            action,
          )
        ? 'windows'
        : /log ?out|lock|shut|suspend|session|Run |launch|terminal|menu|exit|reload|restart/i.test(action)
          ? 'session'
          : 'other'

const [folder] = process.argv.slice(2)
if (folder === undefined) throw new Error('name the folder with the lists')
for (const id of ['xfce', 'cinnamon', 'mate', 'lxqt', 'sway', 'i3', 'openbox', 'ibus']) {
  const spelled = JSON.parse(readFileSync(join(folder, `${id}.json`), 'utf8')) as Spelled
  const keys = spelled.keys.flatMap(({ accelerator, action, where }) => {
    if (id === 'xfce' && ['Escape', 'Left', 'Right', 'Up', 'Down'].includes(accelerator)) return []
    const key = readAccelerator(accelerator)
    const words = actionOfConfig(action)
    return key ? [{ ...key, action: words, id: where, area: areaOf(words) }] : []
  })
  const unique = [...new Map(keys.map((k) => [JSON.stringify([k.modifiers, k.code, k.char]), k])).values()]
  const { name, source } = spelled
  const out = fileURLToPath(new URL(`../../../data/system/${id}.json`, import.meta.url))
  writeFileSync(
    out,
    `{\n "id": ${JSON.stringify(id)},\n "name": ${JSON.stringify(name)},\n "source": ${JSON.stringify(source)},\n "keys": [\n${unique.map((k) => `  ${JSON.stringify(k)}`).join(',\n')}\n ]\n}\n`,
  )
  console.log(`${name}: ${unique.length} of ${spelled.keys.length}`)
}
