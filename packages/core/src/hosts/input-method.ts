import { systemTakes, type SystemKeys, type SystemTake } from '../systems/index.js'
import { chord, triggerKey, type Chord, type NationalLayout, type TriggerKey } from '../triggers/index.js'
import type { StageTake } from './take.js'

/** The input method in use: its keys, and the key that starts a Compose sequence. */
export interface InputMethod {
  readonly name: string
  readonly takes: ReadonlyMap<TriggerKey, SystemTake>
  readonly composeCode: string | null
}

export const inputMethodOf = (
  keys: SystemKeys | undefined,
  composeCode: string | undefined,
  layout: NationalLayout,
): InputMethod => ({
  name: keys?.name ?? 'the input method',
  takes: keys ? systemTakes(keys, layout) : new Map(),
  composeCode: composeCode ?? null,
})

/** What the input method does with a chord; null for nothing. */
export function inputMethodTake(sent: Chord, method: InputMethod): StageTake | null {
  const base = { stage: 'input method', severity: 'blocks' } as const
  if (method.composeCode !== null && triggerKey(sent) === triggerKey(chord(method.composeCode)))
    return {
      ...base,
      kind: 'compose-key',
      by: 'Compose',
      does: 'start a sequence of two or more signs',
      remedy: 'Choose another Compose key in the settings of the keyboard, or none.',
      evidence: 'plan',
    }
  const take = method.takes.get(triggerKey(sent))
  return take
    ? {
        ...base,
        kind: 'input-method',
        by: method.name,
        does: take.action.charAt(0).toLowerCase() + take.action.slice(1),
        remedy: `Change it in the settings of ${method.name}.`,
        evidence: 'catalogue',
      }
    : null
}
