import { z } from '../zod.js'
import { CoreError } from '../errors.js'
import { isModifier, modifiers, sortModifiers, type Modifier } from './modifiers.js'

const held = z.array(z.enum(modifiers)).max(modifiers.length)
const code = z.string().regex(/^[A-Z][A-Za-z0-9]{0,31}$/, 'must be a W3C key code such as KeyH')
/** Ids that stand in the text of a trigger, so they hold neither spaces nor the signs between its parts. */
/** Ids stand in the names of files, where dots alone would be a folder. */
export const refSchema = z
  .string()
  .regex(/^(?!\.+$)[A-Za-z0-9_.-]{1,80}$/, 'must be letters, digits, _ . or -, and not dots alone')

/** How a key or button is worked: pressed, tapped 2 to 5 times, held for a while, or on as long as it is held. */
export const acts = ['press', 'tap2', 'tap3', 'tap4', 'tap5', 'hold', 'during'] as const
/** How a control is pressed: once, n times in a row, held, or while it is held. */
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
/** The steps of a dial or wheel. */
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
/** Into how many directions a full turn may be divided for strokes. */
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
/** An entry of a set of commands that pops up; entries count from 1, clockwise from the top. */
const popupSchema = z.strictObject({
  kind: z.literal('popup'),
  setId: refSchema,
  entry: z.number().int().min(1).max(12),
})
/** Chords pressed one after another, each let go before the next. */
const sequenceSchema = z.strictObject({
  kind: z.literal('sequence'),
  chords: z.array(chordSchema).min(2).max(4),
})

/** A physical act that can carry a command. A union on `kind`. */
export const triggerSchema = z.discriminatedUnion('kind', [
  chordSchema,
  keySchema,
  buttonSchema,
  turnSchema,
  strokeSchema,
  popupSchema,
  sequenceSchema,
])
/** Anything that can start a command: a chord, a button, a turn, a stroke, an entry of a pop-up set, or a sequence of chords. */
export type Trigger = z.infer<typeof triggerSchema>
/** Held modifiers and one key. */
export type Chord = z.infer<typeof chordSchema>
export type Sequence = z.infer<typeof sequenceSchema>
/** One step of a dial or wheel. */
export type Turn = (typeof turns)[number]

/** A chord of a key, by its `code`, with the modifiers held, in the usual order. */
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

/** Modifiers held on a keyboard for a trigger; none for what is no single press. */
export const heldOf = (trigger: Trigger): readonly Modifier[] =>
  'modifiers' in trigger ? trigger.modifiers : []

/** The same trigger with other modifiers held; entries of pop-up sets and sequences stay as they are. */
export const withHeld = (trigger: Trigger, modifiersHeld: readonly Modifier[]): Trigger =>
  'modifiers' in trigger ? { ...trigger, modifiers: sortModifiers(modifiersHeld) } : trigger

/** How the control is pressed; `press` for every trigger that knows no other way. */
export const actOf = (trigger: Trigger): Act =>
  trigger.kind === 'key' || trigger.kind === 'button' ? trigger.act : 'press'

/** The same key or button worked by another act; other kinds have only one. */
export const withAct = (trigger: Trigger, act: Act): Trigger => {
  if (trigger.kind === 'button') return { ...trigger, act }
  return trigger.kind === 'chord' || trigger.kind === 'key'
    ? keyTrigger(trigger.code, act, trigger.modifiers)
    : trigger
}

/** The reference of a control: a key's code, or `device/control` where it sends none. */
export const controlRef = (deviceId: string, controlId: string): string => `${deviceId}/${controlId}`

/** The control that a trigger is worked on, or null for an entry of a pop-up set and for a sequence. */
export function controlRefOf(trigger: Trigger): string | null {
  if (trigger.kind === 'popup' || trigger.kind === 'sequence') return null
  return 'code' in trigger ? trigger.code : controlRef(trigger.deviceId, trigger.controlId)
}

declare const brand: unique symbol
/** The one text of a distinct trigger, as `triggerKey` writes it: good as the key of a map, and in files. */
export type TriggerKey = string & { readonly [brand]: 'TriggerKey' }

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
 * `mouse/field stroke 1/8`, `popup/shapes 3`, `Control+KeyK,KeyC`.
 */
export function triggerKey(trigger: Trigger): TriggerKey {
  return textOf(trigger) as TriggerKey
}

function textOf(trigger: Trigger): string {
  if (trigger.kind === 'popup') return `popup/${trigger.setId} ${trigger.entry}`
  if (trigger.kind === 'sequence') return trigger.chords.map(textOf).join(',')
  const parts: string[] = sortModifiers(trigger.modifiers)
  if ('code' in trigger) return [...parts, trigger.code].join('+') + actWords[actOf(trigger)]
  const page = 'pageId' in trigger && trigger.pageId !== undefined ? `@${trigger.pageId}` : ''
  if (trigger.kind === 'button' && trigger.withId !== undefined)
    parts.push(controlRef(trigger.deviceId, trigger.withId))
  const place = [...parts, controlRef(`${trigger.deviceId}${page}`, trigger.controlId)].join('+')
  if (trigger.kind === 'button') return place + actWords[trigger.act]
  if (trigger.kind === 'turn') return `${place} ${trigger.turn}`
  return `${place} stroke ${trigger.direction}/${trigger.of}`
}

/** The key of the same key or button worked by another act, from the key of its press. */
export const keyWithAct = (press: TriggerKey, act: Act): TriggerKey =>
  `${press}${actWords[act]}` as TriggerKey

/** Longer texts are no trigger: four chords with every modifier have half of it. */
const mostTriggerChars = 600

/**
 * Reads the text that `triggerKey` writes: modifiers in any order, the key or control last, then how it is worked.
 * @throws CoreError `TRIGGER_UNREADABLE`
 */
export function parseTrigger(text: string, where: readonly (string | number)[] = ['trigger']): Trigger {
  const found = triggerSchema.safeParse(text.length > mostTriggerChars ? null : draft(text.trim()))
  const read = found.success ? found.data : null
  const codes = !read
    ? []
    : read.kind === 'sequence'
      ? read.chords.map((c) => c.code)
      : 'code' in read
        ? [read.code]
        : []
  if (!read || codes.some(isModifier)) {
    throw new CoreError('TRIGGER_UNREADABLE', {
      where,
      what: `"${text.slice(0, 60)}" cannot be read as a shortcut`,
      remedy: `write ${modifiers.join(', ')} and a key code, joined by +, such as Control+Shift+KeyU; or a control such as pad/k3`,
    })
  }
  if (read.kind === 'sequence') return { kind: 'sequence', chords: read.chords.map(sorted) }
  return read.kind === 'popup' ? read : sorted(read)
}

const sorted = <T extends { readonly modifiers: readonly Modifier[] }>(read: T): T => ({
  ...read,
  modifiers: sortModifiers(read.modifiers),
})

/** The parts of a trigger's text as an object that the schema then judges, or null when no shape fits. */
function draft(text: string): unknown {
  const popup = /^popup\/(\S+) (\d+)$/.exec(text)
  if (popup) return { kind: 'popup', setId: popup[1], entry: Number(popup[2]) }
  if (text.includes(','))
    return { kind: 'sequence', chords: text.split(',').map((part) => draft(part.trim())) }
  const [control = '', ...words] = text.split(/\s+/)
  // CSV by hand may have spaces around the plus signs
  const joined = text.replace(/\s*\+\s*/g, '+')
  if (joined !== text) return draft(joined)
  const how = words.join(' ')
  const parts = control.split('+')
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
  const place = {
    modifiers: modifiersHeld,
    deviceId: at[1],
    controlId: at[3],
    ...(at[2] !== undefined && { pageId: at[2] }),
  }
  const stroke = /^stroke (\d+)\/(\d+)$/.exec(how)
  if (stroke && others.length === 0)
    return { kind: 'stroke', ...place, direction: Number(stroke[1]), of: Number(stroke[2]) }
  if ((turns as readonly string[]).includes(how) && others.length === 0)
    return { kind: 'turn', ...place, turn: how }
  if (act === undefined) return null
  const [withControl] = others
  if (withControl === undefined) return { kind: 'button', ...place, act }
  const [device, withId] = withControl.split('/')
  return device === at[1] ? { kind: 'button', ...place, act, withId } : null
}
