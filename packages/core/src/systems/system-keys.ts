import { z } from '../zod.js'
import {
  acts,
  chord,
  codeOfCharacter,
  isModifier,
  modifiers,
  triggerKey,
  withAct,
  type Act,
  type NationalLayout,
  type Trigger,
  type TriggerKey,
} from '../triggers/index.js'

/** Parts of a system that keys are taken for. */
export const systemAreas = [
  'windows',
  'session',
  'screenshots',
  'input language',
  'accessibility',
  'other',
] as const
export type SystemArea = (typeof systemAreas)[number]

/** A combination that a system or desktop takes before a program sees it. */
export interface SystemKey {
  readonly modifiers: readonly string[]
  /** a place on the keyboard */
  readonly code?: string | undefined
  /** a letter or sign, wherever the layout has it */
  readonly char?: string | undefined
  /** a press where left out */
  readonly act?: string | undefined
  readonly action: string
  readonly area?: string | undefined
  /** the setting's name, where there is one */
  readonly id?: string | undefined
}

/** Combinations of one system, as the data files give them. */
export interface SystemKeys {
  readonly id: string
  readonly name: string
  readonly source: string
  readonly keys: readonly SystemKey[]
}

const ownKeySchema = z.strictObject({
  modifiers: z.array(z.enum(modifiers)).max(5),
  code: z.string().min(1).max(40).optional(),
  char: z.string().min(1).max(4).optional(),
  action: z.string().min(1).max(200),
  id: z.string().min(1).max(200).optional(),
})

/** What a person has changed on each system: settings that are off, and keys in their place. */
export const ownSystemKeysSchema = z.record(
  z.string().min(1).max(20),
  z.strictObject({
    /** trigger keys of shipped combinations that are turned off or moved elsewhere */
    off: z.array(z.string().min(1).max(80)).max(2000),
    own: z.array(ownKeySchema).max(2000),
  }),
)
export type OwnSystemKeys = z.infer<typeof ownSystemKeysSchema>

/** A press that the system takes, for what, and on what evidence. */
export interface SystemTake {
  readonly action: string
  readonly area: SystemArea
  /** name of the setting, where there is one */
  readonly setting: string | null
  readonly isOwn: boolean
}

const areaOf = (key: SystemKey): SystemArea => systemAreas.find((a) => a === key.area) ?? 'other'

/** The trigger of a combination on a layout; letters are looked up, as the systems themselves do. */
export function systemTrigger(key: SystemKey, layout: NationalLayout): Trigger | null {
  const code = key.code ?? codeOfCharacter(layout, key.char ?? '')
  if (code === null) return null
  const act: Act = acts.find((a) => a === key.act) ?? 'press'
  return withAct(chord(code, key.modifiers.filter(isModifier)), act)
}

/** Trigger key → what the system does with it, with the person's own settings in place of what ships. */
export function systemTakes(
  system: SystemKeys,
  layout: NationalLayout,
  own?: OwnSystemKeys[string],
): ReadonlyMap<TriggerKey, SystemTake> {
  const out = new Map<TriggerKey, SystemTake>()
  const off = new Set<string>(own?.off)
  const add = (key: SystemKey, isOwn: boolean): void => {
    const trigger = systemTrigger(key, layout)
    if (!trigger) return
    const id = triggerKey(trigger)
    if (!out.has(id) && (isOwn || !off.has(id)))
      out.set(id, { action: key.action, area: areaOf(key), setting: key.id ?? null, isOwn })
  }
  for (const key of own?.own ?? []) add(key, true)
  for (const key of system.keys) add(key, false)
  return out
}

/** Trigger key → what the system does with it, as it ships. */
export const systemActions = (system: SystemKeys, layout: NationalLayout): ReadonlyMap<TriggerKey, string> =>
  new Map([...systemTakes(system, layout)].map(([key, take]) => [key, take.action]))
