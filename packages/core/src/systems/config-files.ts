import { XMLParser } from 'fast-xml-parser'
import { readAccelerator } from './accelerator.js'
import type { SystemKey } from './system-keys.js'

/** A combination as a file spells it, and what it does there. */
export interface ConfiguredKey {
  readonly accelerator: string
  readonly action: string
  readonly where: string
}

interface XmlNode {
  readonly name?: string
  readonly value?: string
  readonly key?: string
  readonly property?: XmlNode | readonly XmlNode[]
  readonly keybind?: XmlNode | readonly XmlNode[]
  readonly action?: XmlNode | readonly XmlNode[]
  readonly channel?: XmlNode
  readonly openbox_config?: { readonly keyboard?: XmlNode }
  readonly keyboard?: XmlNode
}

const listOf = (given: XmlNode | readonly XmlNode[] | undefined): readonly XmlNode[] =>
  given === undefined ? [] : Array.isArray(given) ? (given as readonly XmlNode[]) : [given as XmlNode]

function parseXml(text: string): XmlNode {
  const parser = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '', processEntities: true })
  try {
    return parser.parse(text) as XmlNode
  } catch {
    return {}
  }
}

/** Keys of Xfce that hold only while a window is moved. */
const whileMoving = new Set(['Escape', 'Left', 'Right', 'Up', 'Down'])

/** Xfce's keyboard shortcuts: the person's own lists where the file has them, else the defaults. */
export function xfceKeys(text: string): ConfiguredKey[] {
  const groups = listOf(parseXml(text).channel?.property)
  return groups.flatMap((group) => {
    const lists = listOf(group.property)
    const list = lists.find((l) => l.name === 'custom') ?? lists.find((l) => l.name === 'default')
    return listOf(list?.property).flatMap(({ name, value }) =>
      name === undefined || value === undefined || name === 'override' || whileMoving.has(name)
        ? []
        : [{ accelerator: name, action: value, where: `${group.name ?? ''}/${list?.name ?? ''}/${name}` }],
    )
  })
}

/** Openbox's key bindings. A binding within another is the second step of a sequence and is left out. */
export function openboxKeys(text: string): ConfiguredKey[] {
  const root = parseXml(text)
  const keyboard = root.openbox_config?.keyboard ?? root.keyboard
  return listOf(keyboard?.keybind).flatMap(({ key, action }) =>
    key === undefined ? [] : [{ accelerator: key, action: listOf(action)[0]?.name ?? '', where: 'rc.xml' }],
  )
}

/** Lines of sway and i3: `bindsym $mod+Shift+q kill`, with their variables; those of other modes are left out. */
export function bindsymKeys(text: string): ConfiguredKey[] {
  const variables = new Map<string, string>()
  const resolve = (words: string): string => words.replace(/\$[\w-]+/g, (name) => variables.get(name) ?? name)
  const out: ConfiguredKey[] = []
  const block: string[] = []
  for (const raw of text.split(/\r?\n/)) {
    const line = raw.trim()
    if (line.startsWith('#')) continue
    const set = /^set\s+(\$[\w-]+)\s+(.+)$/.exec(line)
    if (set) variables.set(set[1] as string, resolve((set[2] as string).replace(/^"|"$/g, '')))
    const opens = /^(\w+)\b.*\{$/.exec(line)
    if (opens) block.push(opens[1] as string)
    else if (line === '}') block.pop()
    // keys of a mode hold only while it is on
    if (block.includes('mode')) continue
    const bind = /^(?:bindsym|bindcode)\s+(?:--[\w-]+(?:=\S+)?\s+)*(\S+)\s+(.+)$/.exec(line)
    if (bind && !line.startsWith('bindcode'))
      out.push({ accelerator: resolve(bind[1] as string), action: bind[2] as string, where: 'config' })
  }
  return out
}

/** LXQt's global shortcuts: `[Control%2BAlt%2BT.1]` and what each runs. */
export function lxqtKeys(text: string): ConfiguredKey[] {
  const out: ConfiguredKey[] = []
  let combo: string | null = null
  for (const line of text.split(/\r?\n/)) {
    const section = /^\[(.+)\]$/.exec(line.trim())
    if (section) {
      const name = decode((section[1] as string).replace(/\.\d+$/, ''))
      combo = name === 'General' ? null : name
      continue
    }
    const does = /^(?:Exec|path)=(.+)$/.exec(line.trim())
    if (combo === null || !does) continue
    out.push({
      accelerator: combo,
      action: (does[1] as string).replaceAll(', ', ' '),
      where: 'globalkeyshortcuts.conf',
    })
    combo = null
  }
  return out
}

function decode(text: string): string {
  try {
    return decodeURIComponent(text)
  } catch {
    return text
  }
}

/** Longer lines are no entry of a list. */
const maxLine = 500

/** A plain list: a combination on each line, and what it does behind a blank, a tab or a colon. */
export const plainKeys = (text: string): ConfiguredKey[] =>
  text.split(/\r?\n/).flatMap((raw) => {
    const line = raw.trim().replaceAll(' + ', '+')
    const end = line.search(/[\s:;]/)
    if (line.startsWith('#') || line.length > maxLine || end < 1) return []
    const accelerator = line.slice(0, end)
    const action = line.slice(end + 1).trim()
    return action !== '' && readAccelerator(accelerator) ? [{ accelerator, action, where: 'list' }] : []
  })

/** What a command line or an identifier does, in words. */
export function actionOfConfig(action: string): string {
  const run = /^(?:exec\s+)?(?:--no-startup-id\s+)?"?([\w.-]+)/.exec(action)
  if (action.startsWith('exec ')) return `Run ${run?.[1] ?? 'a program'}`
  const plain = action
    .replace(/\$ws/g, '')
    .replace(/[-_]/g, ' ')
    .replace(/(?<=[a-z])(?=[A-Z])/g, ' ')
    .replace(/ key$/, '')
    .trim()
  return `${plain.charAt(0).toUpperCase()}${plain.slice(1)}`.slice(0, 200) || 'Something'
}

/** The combinations as system keys; those that no board of the catalogue has are left out. */
export const configuredKeys = (keys: readonly ConfiguredKey[]): SystemKey[] =>
  keys.flatMap(({ accelerator, action, where }) => {
    const read = readAccelerator(accelerator)
    return read ? [{ ...read, action: actionOfConfig(action), id: where }] : []
  })
