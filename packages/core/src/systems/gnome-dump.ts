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
  for (const line of text.split(/\r?\n/)) {
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

const isKeySetting = (schema: string, key: string, value: string): boolean =>
  key === 'overlay-key' ||
  (/keybindings|media-keys|wayland\.keybindings/.test(schema) && /^(@as \[\]|\[|'|")/.test(value))

const actionOf = (id: string, key: string, shipped: SystemKeys): string => {
  const words = key.replaceAll('-', ' ')
  return shipped.keys.find((k) => k.id === id)?.action ?? `${words.charAt(0).toUpperCase()}${words.slice(1)}`
}
