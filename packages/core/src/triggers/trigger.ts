import { z } from 'zod'
import { CoreError } from '../errors.js'
import { isModifier, modifiers, sortModifiers, type Modifier } from './modifiers.js'

const held = z.array(z.enum(modifiers)).max(modifiers.length)
const code = z.string().regex(/^[A-Z][A-Za-z0-9]{0,31}$/, 'must be a W3C key code such as KeyH')
/** Ids that stand in the text of a trigger, so they hold neither spaces nor the signs between its parts. */
export const refSchema = z.string().regex(/^[A-Za-z0-9_.-]{1,80}$/, 'must be letters, digits, _ . or -')

/** How a key or button is worked: pressed, tapped 2 to 5 times, held for a while, or on as long as it is held. */
export const acts = ['press', 'tap2', 'tap3', 'tap4', 'tap5', 'hold', 'during'] as const
export type Act = (typeof acts)[number]

/** Held modifiers and one key, named by its W3C UI Events `code`. */
export const chordSchema = z.strictObject({ kind: z.literal('chord'), modifiers: held, code })
/** A key worked otherwise than by one press. */
const keySchema = z.strictObject({
  kind: z.literal('key'),
  modifiers: held,
  code,
  act: z.enum(acts.slice(1) as ['tap2', ...Act[]]),
})
/** A control that has no key code: pad key, deck or pen button, touch zone, press of a dial. */
const buttonSchema = z.strictObject({
  kind: z.literal('button'),
  modifiers: held,
  deviceId: refSchema,
  controlId: refSchema,
  act: z.enum(acts),
  /** page of the device that has to be open */
  pageId: refSchema.optional(),
  /** another control of the same device that is held meanwhile, as a modifier or as the first part of a touch */
  withId: refSchema.optional(),
})
export const turns = ['left', 'right', 'up', 'down'] as const
/** One step of a dial (left, right) or a wheel (up, down). */
const turnSchema = z.strictObject({
  kind: z.literal('turn'),
  modifiers: held,
  deviceId: refSchema,
  controlId: refSchema,
  turn: z.enum(turns),
  pageId: refSchema.optional(),
})
export const strokeCounts = [2, 4, 6, 8, 12] as const
/** A stroke of the pointer: direction 0 is up, then clockwise, of `of` directions. */
const strokeSchema = z
  .strictObject({
    kind: z.literal('stroke'),
    modifiers: held,
    deviceId: refSchema,
    controlId: refSchema,
    direction: z.number().int().min(0).max(11),
    of: z.literal(strokeCounts),
  })
  .refine((s) => s.direction < s.of, 'the direction must be less than the number of directions')
/** A place in a set of commands that pops up; places count from 1, clockwise from the top. */
const popupSchema = z.strictObject({
  kind: z.literal('popup'),
  setId: refSchema,
  place: z.number().int().min(1).max(12),
})

/** A physical act that can carry a command. A union on `kind`. */
export const triggerSchema = z.discriminatedUnion('kind', [
  chordSchema,
  keySchema,
  buttonSchema,
  turnSchema,
  strokeSchema,
  popupSchema,
])
export type Trigger = z.infer<typeof triggerSchema>
export type Chord = z.infer<typeof chordSchema>
export type Turn = (typeof turns)[number]

export const chord = (keyCode: string, modifiersHeld: readonly Modifier[] = []): Chord => ({
  kind: 'chord',
  modifiers: sortModifiers(modifiersHeld),
  code: keyCode,
})

/** A key worked by `act`; a plain press is a chord. */
export const keyTrigger = (keyCode: string, act: Act, modifiersHeld: readonly Modifier[] = []): Trigger =>
  act === 'press'
    ? chord(keyCode, modifiersHeld)
    : { kind: 'key', modifiers: sortModifiers(modifiersHeld), code: keyCode, act }

/** Modifiers held on a keyboard for a trigger. */
export const heldOf = (trigger: Trigger): readonly Modifier[] =>
  trigger.kind === 'popup' ? [] : trigger.modifiers

/** The same trigger with other modifiers held; a place of a pop-up set knows none. */
export const withHeld = (trigger: Trigger, modifiersHeld: readonly Modifier[]): Trigger =>
  trigger.kind === 'popup' ? trigger : { ...trigger, modifiers: sortModifiers(modifiersHeld) }

export const actOf = (trigger: Trigger): Act =>
  trigger.kind === 'key' || trigger.kind === 'button' ? trigger.act : 'press'

/** The same key or button worked by another act; other kinds have only one. */
export const withAct = (trigger: Trigger, act: Act): Trigger => {
  if (trigger.kind === 'button') return { ...trigger, act }
  return trigger.kind === 'chord' || trigger.kind === 'key'
    ? keyTrigger(trigger.code, act, trigger.modifiers)
    : trigger
}

/** One name for a place under a finger: a key's code, or `device/control` where there is none. */
export const spot = (deviceId: string, controlId: string): string => `${deviceId}/${controlId}`

/** The place that a trigger is worked on, or null for a place of a pop-up set. */
export function spotOf(trigger: Trigger): string | null {
  if (trigger.kind === 'popup') return null
  return 'code' in trigger ? trigger.code : spot(trigger.deviceId, trigger.controlId)
}

const actWords: Readonly<Record<Act, string>> = {
  press: '',
  tap2: ' x2',
  tap3: ' x3',
  tap4: ' x4',
  tap5: ' x5',
  hold: ' hold',
  during: ' while',
}

/**
 * One string for each distinct trigger; `parseTrigger` reads it back. `Control+Shift+KeyU`, `KeyU x2`, `KeyU hold`,
 * `KeyU while`, `pad/k3`, `pad/k1+pad/k3`, `deck@tracing/b3`, `Shift+pad/dial left`, `mouse/wheel up`,
 * `mouse/field stroke 1/8`, `popup/shapes 3`.
 */
export function triggerKey(trigger: Trigger): string {
  if (trigger.kind === 'popup') return `popup/${trigger.setId} ${trigger.place}`
  const parts: string[] = sortModifiers(trigger.modifiers)
  if ('code' in trigger) return [...parts, trigger.code].join('+') + actWords[actOf(trigger)]
  const page = 'pageId' in trigger && trigger.pageId !== undefined ? `@${trigger.pageId}` : ''
  if (trigger.kind === 'button' && trigger.withId !== undefined)
    parts.push(spot(trigger.deviceId, trigger.withId))
  const place = [...parts, spot(`${trigger.deviceId}${page}`, trigger.controlId)].join('+')
  if (trigger.kind === 'button') return place + actWords[trigger.act]
  if (trigger.kind === 'turn') return `${place} ${trigger.turn}`
  return `${place} stroke ${trigger.direction}/${trigger.of}`
}

/**
 * Reads the text that `triggerKey` writes: modifiers in any order, the key or control last, then how it is worked.
 * @throws CoreError `TRIGGER_UNREADABLE`
 */
export function parseTrigger(text: string, where: readonly (string | number)[] = ['trigger']): Trigger {
  const found = triggerSchema.safeParse(draft(text.trim()))
  const read = found.success ? found.data : null
  if (!read || ('code' in read && isModifier(read.code))) {
    throw new CoreError('TRIGGER_UNREADABLE', {
      where,
      what: `"${text.slice(0, 60)}" is no trigger`,
      mend: `write ${modifiers.join(', ')} and a key code, joined by +, such as Control+Shift+KeyU; or a control such as pad/k3`,
    })
  }
  return read.kind === 'popup' ? read : { ...read, modifiers: sortModifiers(read.modifiers) }
}

/** The parts of a trigger's text as an object that the schema then judges, or null when no shape fits. */
function draft(text: string): unknown {
  const popup = /^popup\/(\S+) (\d+)$/.exec(text)
  if (popup) return { kind: 'popup', setId: popup[1], place: Number(popup[2]) }
  const [place = '', ...words] = text.split(/\s+/)
  // CSV by hand may have spaces around the plus signs
  const joined = text.replace(/\s*\+\s*/g, '+')
  if (joined !== text) return draft(joined)
  const how = words.join(' ')
  const parts = place.split('+')
  const last = parts.at(-1) ?? ''
  const inner = parts.slice(0, -1)
  const modifiersHeld = inner.filter(isModifier)
  const others = inner.filter((name) => !isModifier(name))
  const act = acts.find((a) => actWords[a].trim() === how)
  if (!last.includes('/')) {
    if (others.length > 0 || act === undefined) return null
    return act === 'press'
      ? { kind: 'chord', modifiers: modifiersHeld, code: last }
      : { kind: 'key', modifiers: modifiersHeld, code: last, act }
  }
  const at = /^([^@/]+)(?:@([^/]+))?\/([^/]+)$/.exec(last)
  if (!at || others.length > 1) return null
  const place2 = {
    modifiers: modifiersHeld,
    deviceId: at[1],
    controlId: at[3],
    ...(at[2] !== undefined && { pageId: at[2] }),
  }
  const stroke = /^stroke (\d+)\/(\d+)$/.exec(how)
  if (stroke && others.length === 0)
    return { kind: 'stroke', ...place2, direction: Number(stroke[1]), of: Number(stroke[2]) }
  if ((turns as readonly string[]).includes(how) && others.length === 0)
    return { kind: 'turn', ...place2, turn: how }
  if (act === undefined) return null
  const [withSpot] = others
  if (withSpot === undefined) return { kind: 'button', ...place2, act }
  const [device, withId] = withSpot.split('/')
  return device === at[1] ? { kind: 'button', ...place2, act, withId } : null
}
