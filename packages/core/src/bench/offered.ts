import { chord, isModifierCode, sortModifiers, type Modifier, type Trigger } from '../triggers/index.js'
import type { Control } from './control.js'

/** Keys that switch a lock when pressed. Common practice, no source: they carry no commands. */
const lockKeys = new Set(['CapsLock', 'NumLock', 'ScrollLock'])

/** Whether a key can carry commands at all. */
export const canCarry = (code: string): boolean => !isModifierCode(code) && !lockKeys.has(code)

/** The device and the control in an id of a bench, `device/control`. */
export const splitControlRef = (id: string): { readonly deviceId: string; readonly controlId: string } => {
  const at = id.indexOf('/')
  return { deviceId: id.slice(0, at), controlId: id.slice(at + 1) }
}

/**
 * The plain triggers of a control with `held`: the chord of a key; press of a button; steps and press of a dial or
 * wheel; every direction of a field. None for modifiers, locks, and keys of a board that send nothing.
 * @param pageId  page that is open on the control's device
 */
export function plainTriggers(
  control: Pick<Control, 'id' | 'code' | 'type' | 'directions' | 'clicks'>,
  held: readonly Modifier[],
  pageId?: string,
): Trigger[] {
  if (control.code !== null) return canCarry(control.code) ? [chord(control.code, held)] : []
  if (control.type === undefined || (control.clicks === true && held.length === 0)) return []
  const place = { modifiers: sortModifiers(held), ...splitControlRef(control.id) }
  const page = pageId === undefined ? {} : { pageId }
  if (control.type === 'field') {
    const of = control.directions ?? 8
    return Array.from({ length: of }, (_, direction): Trigger => ({
      kind: 'stroke',
      ...place,
      direction,
      of,
    }))
  }
  const press: Trigger = { kind: 'button', ...place, act: 'press', ...page }
  if (control.type === 'dial')
    return [
      { kind: 'turn', ...place, turn: 'left', ...page },
      { kind: 'turn', ...place, turn: 'right', ...page },
      press,
    ]
  if (control.type === 'wheel')
    return [
      { kind: 'turn', ...place, turn: 'up', ...page },
      { kind: 'turn', ...place, turn: 'down', ...page },
      press,
    ]
  return [press]
}
