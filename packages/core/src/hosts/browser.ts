import type { Program } from '../commands/index.js'
import {
  chord,
  codeOfCharacter,
  isLinuxDesktop,
  isModifier,
  triggerKey,
  type Chord,
  type Modifier,
  type NationalLayout,
  type SystemId,
  type TriggerKey,
} from '../triggers/index.js'
import type { StageTake } from './take.js'

/** A combination of a browser, as the data file has it. */
export interface BrowserKey {
  /** `accel+Shift+p`; accel is Control, on macOS Command */
  readonly keys: string
  /** no page can take it for itself */
  readonly reserved: boolean
  readonly does?: string | undefined
  /** where it holds: `linux`, `windows`, `macos`; everywhere where left out */
  readonly systems?: readonly string[] | undefined
}

/** Trigger key → the browser's combination, on a layout and a system. */
export function browserChords(
  keys: readonly BrowserKey[],
  layout: NationalLayout,
  systemId: SystemId,
): ReadonlyMap<TriggerKey, BrowserKey> {
  const family = isLinuxDesktop(systemId) ? 'linux' : systemId
  const out = new Map<TriggerKey, BrowserKey>()
  for (const key of keys) {
    if (key.systems && !key.systems.includes(family)) continue
    const sent = chordOf(key.keys, layout, systemId)
    if (!sent) continue
    const at = triggerKey(sent)
    if (!out.has(at) || key.reserved) out.set(at, key)
  }
  return out
}

function chordOf(combo: string, layout: NationalLayout, systemId: SystemId): Chord | null {
  const parts = combo.split(/\+(?!$)/)
  const key = parts.at(-1) as string
  const accel: Modifier = systemId === 'macos' ? 'Meta' : 'Control'
  const held = parts.slice(0, -1).map((m) => (m === 'accel' ? accel : m))
  const code = /^([A-Z]\w+|F\d+)$/.test(key) ? key : codeOfCharacter(layout, key)
  return code === null || !held.every(isModifier) ? null : chord(code, held)
}

/** What a browser does with a chord of a program that runs in it; null for nothing. */
export function browserTake(
  sent: Chord,
  program: Program,
  keys: ReadonlyMap<TriggerKey, BrowserKey>,
): StageTake | null {
  const key = program.host === 'browser' ? keys.get(triggerKey(sent)) : undefined
  if (!key) return null
  const does = key.does ?? 'a function of its own'
  const base = { stage: 'host', by: 'The browser', does, evidence: 'catalogue' } as const
  if (key.reserved)
    return {
      ...base,
      kind: 'browser-takes',
      severity: 'blocks',
      remedy: `No page can take this key. Choose another for ${program.name}, or run it in a window of its own.`,
    }
  if (program.takesHostKeys === true) return null
  return {
    ...base,
    kind: 'browser-default',
    severity: 'caution',
    remedy: `${program.name} can cancel what the browser does with it. Where it does, say so in its settings.`,
  }
}
