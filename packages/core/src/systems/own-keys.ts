import { CoreError } from '../errors.js'
import { triggerKey, type Modifier, type NationalLayout } from '../triggers/index.js'
import {
  bindsymKeys,
  configuredKeys,
  lxqtKeys,
  openboxKeys,
  plainKeys,
  xfceKeys,
  type ConfiguredKey,
} from './config-files.js'
import { readGnomeDump, type GnomeDump } from './gnome-dump.js'
import { systemTrigger, type SystemKey, type SystemKeys } from './system-keys.js'

/** Longer texts are no list of keys. */
const maxChars = 2_000_000

/** Forms of files by what stands in them, not by their names. The list of a desktop is whole; a plain list only adds. */
function formOf(text: string): { readonly keys: readonly ConfiguredKey[]; readonly isWhole: boolean } | null {
  if (text.includes('<channel') && text.includes('xfce4-keyboard-shortcuts'))
    return { keys: xfceKeys(text), isWhole: true }
  if (text.includes('<openbox_config') || text.includes('<keybind'))
    return { keys: openboxKeys(text), isWhole: true }
  if (/^[ \t]{0,20}bindsym\s/m.test(text)) return { keys: bindsymKeys(text), isWhole: true }
  if (/^\[[^\]\n]{1,40}%2B[^\]\n]{1,80}\]$/m.test(text)) return { keys: lxqtKeys(text), isWhole: true }
  return null
}

/**
 * A person's own keys of a system: GNOME's settings (`gsettings list-recursively` or `dconf dump /`), Xfce's XML, the
 * configuration of sway, i3, Openbox or LXQt, or a plain list of combinations, one a line. What is known by its content
 * is read so, whichever system the plan is for; a whole configuration turns off what ships and is not in it.
 * @throws CoreError `DUMP_UNREADABLE` when the text is none of them
 */
export function readOwnKeys(text: string, shipped: SystemKeys, layout: NationalLayout): GnomeDump {
  if (text.length > maxChars)
    throw new CoreError('DUMP_UNREADABLE', {
      where: ['keys'],
      what: 'the text is longer than any list of keys',
      remedy: 'choose the file with the key settings',
    })
  const form = formOf(text)
  if (!form && isGnome(text)) return readGnomeDump(text, shipped, layout)
  const { keys, isWhole } = form ?? { keys: plainKeys(text), isWhole: false }
  if (keys.length === 0)
    throw new CoreError('DUMP_UNREADABLE', {
      where: ['keys'],
      what: 'no line is a key setting that is known here',
      remedy:
        'choose the text of `gsettings list-recursively` or `dconf dump /`, Xfce’s xfce4-keyboard-shortcuts.xml, the configuration of sway, i3, Openbox or LXQt, or a list with a combination on each line, such as "Super+Shift+K Open the field book"',
    })
  const read = configuredKeys(keys)
  const idOf = (key: SystemKey): string | null => {
    const trigger = systemTrigger(key, layout)
    return trigger && triggerKey(trigger)
  }
  const theirs = new Set(read.map(idOf))
  const ours = new Set(shipped.keys.map(idOf))
  const off = isWhole ? shipped.keys.flatMap((key) => idOf(key) ?? []).filter((id) => !theirs.has(id)) : []
  const own = new Map(
    read
      .filter((key) => !ours.has(idOf(key)))
      .map((key) => [idOf(key), { ...key, modifiers: key.modifiers as Modifier[] }]),
  )
  own.delete(null)
  const passedOver = keys.filter((k) => configuredKeys([k]).length === 0).map((k) => k.accelerator)
  return {
    own: { off: [...new Set(off)], own: [...own.values()].slice(0, 2000) },
    settings: keys.length,
    passedOver,
  }
}

const isGnome = (text: string): boolean =>
  /^[ \t]{0,20}(org|com)\.[\w.-]{1,120}[ \t]+[\w-]{1,80}[ \t]+/m.test(text) ||
  /^\[(org|com)\/[\w/-]{1,160}\]$/m.test(text)
