import {
  systemTrigger,
  writeAccelerator,
  type OwnSystemKeys,
  type SystemKey,
  type SystemKeys,
} from '../systems/index.js'
import { triggerKey, type Chord, type NationalLayout } from '../triggers/index.js'

/** How keys of a system are freed: lines for a terminal, and the way back. */
export interface FreeingLines {
  readonly free: readonly string[]
  readonly back: readonly string[]
  /** keys that no line frees: they are changed by hand, in the system's settings or its configuration */
  readonly byHand: readonly { readonly chord: Chord; readonly action: string }[]
}

/** Settings that hold one combination as text rather than a list of them. */
const isText = (id: string): boolean => id.startsWith('org.mate.') || id === 'org.gnome.mutter.overlay-key'
/** What such a setting says for none. */
const noneText = (id: string): string => (id.startsWith('org.mate.') ? "'disabled'" : "''")

/** A word for the shell, in the quotes that need no escapes. */
const quoted = (text: string): string =>
  text.includes("'") && !/["$`\\!]/.test(text) ? `"${text}"` : `'${text.replaceAll("'", String.raw`'\''`)}'`

const splitId = (id: string): readonly [schema: string, key: string] => {
  const at = id.lastIndexOf('.')
  return [id.slice(0, at), id.slice(at + 1)]
}

/**
 * Lines that free keys of a system: `gsettings` for GNOME, Cinnamon and MATE, `xfconf-query` for Xfce, a line of its configuration for sway.
 * What the person has set otherwise is kept.
 * @param chords  what has to be free
 */
export function freeingLines(
  chords: readonly Chord[],
  system: SystemKeys,
  layout: NationalLayout,
  own?: OwnSystemKeys[string],
): FreeingLines {
  const off = new Set(own?.off)
  const keyOf = (key: SystemKey): string | null => {
    const trigger = systemTrigger(key, layout)
    return trigger && triggerKey(trigger)
  }
  const inUse: readonly SystemKey[] = [
    ...(own?.own ?? []),
    ...system.keys.filter((k) => !off.has(keyOf(k) ?? '')),
  ]
  const wanted = new Map(chords.map((c) => [triggerKey(c) as string, c]))
  const taken = inUse.filter((k) => wanted.has(keyOf(k) ?? ''))
  const [free, back]: [string[], string[]] = [[], []]
  const byHand: { chord: Chord; action: string }[] = []
  for (const id of new Set(taken.map((k) => k.id ?? ''))) {
    const here = taken.filter((k) => (k.id ?? '') === id)
    if (/^org\./.test(id) && ['gnome', 'cinnamon', 'mate'].includes(system.id)) {
      const [schema, key] = splitId(id)
      const rest = inUse
        .filter((k) => k.id === id && !here.includes(k))
        .map((k) => `'${writeAccelerator(k)}'`)
      const value = isText(id) ? (rest[0] ?? noneText(id)) : `[${rest.join(', ')}]`
      free.push(`gsettings set ${schema} ${key} ${quoted(value)}`)
      back.push(`gsettings reset ${schema} ${key}`)
    } else if (system.id === 'xfce' && id.includes('/default/')) {
      const path = `/${id.replace('/default/', '/custom/')}`
      free.push(`xfconf-query -c xfce4-keyboard-shortcuts -p ${quoted(path)} -r`)
      back.push(
        `xfconf-query -c xfce4-keyboard-shortcuts -p ${quoted(path)} -n -t string -s "$(xfconf-query -c xfce4-keyboard-shortcuts -p ${quoted(`/${id}`)})"`,
      )
    } else if (system.id === 'sway') for (const k of here) swayLines(k, free, back)
    else for (const k of here) byHand.push({ chord: wanted.get(keyOf(k) ?? '') as Chord, action: k.action })
  }
  return { free, back, byHand }
}

/** sway frees a combination by a line of its configuration; taking the line out brings it back. */
function swayLines(key: SystemKey, free: string[], back: string[]): void {
  const words: Readonly<Record<string, string>> = {
    Meta: 'Mod4',
    Alt: 'Mod1',
    Control: 'Ctrl',
    Shift: 'Shift',
  }
  const symbol = writeAccelerator({ ...key, modifiers: [] })
  const line = `unbindsym ${[...key.modifiers.map((m) => words[m] ?? m), symbol].join('+')}`
  free.push(line)
  back.push(`# take out: ${line}`)
}

/** The same as a file for `dconf load /`; empty where the system keeps its settings elsewhere. */
export function dconfFile(free: readonly string[]): string {
  const bySchema = new Map<string, string[]>()
  for (const line of free) {
    const found = /^gsettings set (\S+) (\S+) (["'])(.*)\3$/.exec(line)
    if (!found) continue
    const [, schema = '', key = '', , value = ''] = found
    bySchema.set(schema, [
      ...(bySchema.get(schema) ?? []),
      `${key}=${value.replaceAll(String.raw`'\''`, "'")}`,
    ])
  }
  return [...bySchema]
    .map(([schema, lines]) => `[${schema.replaceAll('.', '/')}]\n${lines.join('\n')}\n`)
    .join('\n')
}
