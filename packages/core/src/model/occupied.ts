import { controlRef, heldOf, sortModifiers, type Trigger } from '../triggers/index.js'

/**
 * The keys and controls that a trigger works, each with the modifiers held and its page: `Control KeyU`, ` deck@tracing/b3`.
 * A hold, a tap, a pair or the first chord of a sequence occupies its key as a press does.
 */
export function occupies(trigger: Trigger): string[] {
  if (trigger.kind === 'popup') return []
  if (trigger.kind === 'sequence') return trigger.chords.slice(0, 1).flatMap(occupies)
  const held = sortModifiers(heldOf(trigger)).join('+')
  if ('code' in trigger) return [`${held} ${trigger.code}`]
  const page = 'pageId' in trigger && trigger.pageId !== undefined ? `@${trigger.pageId}` : ''
  const at = (id: string, part = ''): string =>
    `${held} ${controlRef(`${trigger.deviceId}${page}`, id)}${part}`
  if (trigger.kind === 'turn') return [at(trigger.controlId, ` ${trigger.turn}`)]
  if (trigger.kind === 'stroke') return [at(trigger.controlId, ` ${trigger.direction}/${trigger.of}`)]
  return [at(trigger.controlId), ...(trigger.withId === undefined ? [] : [at(trigger.withId)])]
}
