import { CoreError } from '../errors.js'
import { triggerKey, type Modifier, type NationalLayout } from '../triggers/index.js'
import { readAccelerator } from './accelerator.js'
import { systemTrigger, type OwnSystemKeys, type SystemKey, type SystemKeys } from './system-keys.js'

/** Accelerators of one setting as system keys; those that no board has are left out. */
export const gnomeKeys = (
  schema: string,
  key: string,
  accelerators: readonly string[],
  action: string,
): SystemKey[] =>
  accelerators.flatMap((text) => {
    const read = readAccelerator(text)
    return read ? [{ ...read, action, id: `${schema}.${key}` }] : []
  })

/** What a person's own settings change. */
export interface GnomeDump {
  readonly own: OwnSystemKeys[string]
  /** settings with combinations that were read */
  readonly settings: number
  /** accelerators of keys that no board of the catalogue has, such as media keys */
  readonly passedOver: readonly string[]
}

const settingLine = /^(org\.[\w.-]+|com\.[\w.-]+)\s+([\w-]+)\s+(.+)$/
const maxDumpChars = 2_000_000

/**
 * Reads the text of `gsettings list-recursively` and compares it with what ships: combinations that are gone or moved are
 * turned off, others are the person's own.
 * @throws CoreError `DUMP_UNREADABLE` when no line is a setting with key combinations
 */
export function readGnomeDump(text: string, shipped: SystemKeys, layout: NationalLayout): GnomeDump {
  const fail = (what: string): never => {
    throw new CoreError('DUMP_UNREADABLE', {
      where: ['settings dump'],
      what,
      remedy: 'run `gsettings list-recursively > keys.txt` and choose that file',
    })
  }
  if (text.length > maxDumpChars) fail('the text is longer than any list of settings')
  const found = new Map<string, { readonly texts: readonly string[]; readonly keys: readonly SystemKey[] }>()
  const passedOver: string[] = []
  for (const line of settingLines(text)) {
    const match = settingLine.exec(line.trim())
    if (!match) continue
    const [, schema, key, value] = match as unknown as [string, string, string, string]
    if (!isKeySetting(schema, key, value)) continue
    const texts = [...value.matchAll(/'([^']*)'|"([^"]*)"/g)]
      .map((m) => m[1] ?? m[2] ?? '')
      .filter((t) => t !== '' && t !== 'disabled')
    const action = actionOf(`${schema}.${key}`, key, shipped)
    const keys = gnomeKeys(schema, key, texts, action)
    for (const t of texts) if (readAccelerator(t) === null) passedOver.push(t)
    found.set(`${schema}.${key}`, { texts, keys })
  }
  if (found.size === 0) fail('no line is a setting with key combinations')
  const idOf = (key: SystemKey): string | null => {
    const trigger = systemTrigger(key, layout)
    return trigger && triggerKey(trigger)
  }
  const off: string[] = []
  const own: OwnSystemKeys[string]['own'] = []
  for (const key of shipped.keys) {
    const setting = found.get(key.id ?? '')
    const id = idOf(key)
    if (setting && id !== null && !setting.keys.some((k) => idOf(k) === id)) off.push(id)
  }
  for (const [id, { keys }] of found) {
    for (const key of keys) {
      const isShipped = shipped.keys.some((k) => k.id === id && idOf(k) === idOf(key))
      if (!isShipped) own.push({ ...key, modifiers: key.modifiers as Modifier[] })
    }
  }
  return { own: { off: [...new Set(off)], own }, settings: found.size, passedOver }
}

/** Lines as `gsettings list-recursively` writes them, from that or from `dconf dump /`, whose sections are paths. */
function settingLines(text: string): string[] {
  const lines: string[] = []
  const custom = new Map<string, Map<string, string>>()
  let section = ''
  for (const line of text.split(/\r?\n/)) {
    const head = /^\[([\w/-]+)\]$/.exec(line.trim())
    if (head) {
      section = (head[1] as string).replaceAll('/', '.')
      continue
    }
    const entry = /^([\w-]+)=(.+)$/.exec(line.trim())
    const [name, value] = entry ? [entry[1] as string, entry[2] as string] : ['', '']
    if (entry && /custom-keybindings?\.custom\d+$/.test(section))
      custom.set(section, new Map([...(custom.get(section) ?? []), [name, value]]))
    else if (entry && section !== '') lines.push(`${section} ${name} ${value}`)
    else lines.push(line)
  }
  // a shortcut of the person's own: its name says what it does
  for (const [id, entries] of custom) {
    const binding = entries.get('binding')
    if (binding === undefined) continue
    const name = (entries.get('name') ?? entries.get('command') ?? '').replace(/^'|'$/g, '')
    const key = name.replace(/[^\w]+/g, '-').replace(/^-|-$/g, '') || (id.split('.').at(-1) as string)
    lines.push(`org.gnome.media-keys.custom ${key} ${binding}`)
  }
  return lines
}

const isKeySetting = (schema: string, key: string, value: string): boolean =>
  key === 'overlay-key' ||
  (/keybindings|media-keys|wayland\.keybindings/.test(schema) && /^(@as \[\]|\[|'|")/.test(value))

const actionOf = (id: string, key: string, shipped: SystemKeys): string => {
  const words = key.replaceAll('-', ' ')
  return shipped.keys.find((k) => k.id === id)?.action ?? `${words.charAt(0).toUpperCase()}${words.slice(1)}`
}
