import type { ProgramId } from '../ids.js'
import { canCarry, pagesOf, plainTriggers, splitControlRef, type Control } from '../bench/index.js'
import { reservedBy, sentBy, type PlaceIndex, type Environment, type Reservation } from '../model/index.js'
import {
  actOf,
  chord,
  acts,
  heldOf,
  keyWithAct,
  controlRefOf,
  triggerKey,
  withAct,
  type Modifier,
  type Trigger,
  type TriggerKey,
} from '../triggers/index.js'

/** A trigger that could carry a command, with what is known of it whatever the command. */
export interface Candidate {
  readonly trigger: Trigger
  readonly key: TriggerKey
  readonly controlRef: string | null
  readonly held: readonly Modifier[]
  /** the device, or null for keys that any keyboard has and for pop-up sets */
  readonly deviceId: string | null
  /** what takes the trigger first */
  readonly reserved: Reservation | null
  readonly barred: boolean
  /** nothing new comes here: what stands on the place is kept */
  readonly locked: boolean
  /** a press, a turn or a stroke, not a repeated tap, a hold or two keys together */
  readonly plain: boolean
  /** it types while text can be typed */
  readonly types: boolean
  /** the same key or button worked otherwise: the program has to wait which of them it is */
  readonly rivals: readonly TriggerKey[]
}

/** The page of a device on which a command of `programId` would go: the one that follows the program, or the first. */
export function pageFor(deviceId: string, programId: ProgramId, env: Environment): string | undefined {
  const pages = pagesOf(env.devices?.find((d) => d.id === deviceId))
  return (
    pages.find((p) => p.programId === programId) ??
    pages.find((p) => p.programId === undefined) ??
    pages[0]
  )?.id
}

/** The page that a device shows, by the device's id; undefined where it has none. */
export type PageOf = (deviceId: string) => string | undefined

/** A trigger with what the ranking needs to know of it. */
export function candidate(trigger: Trigger, index: PlaceIndex): Candidate {
  const place = controlRefOf(trigger)
  const key = triggerKey(trigger)
  const [sent] = sentBy(index.stages.pressed(trigger) ?? trigger)
  return {
    trigger,
    key,
    controlRef: place,
    held: heldOf(trigger),
    deviceId: 'deviceId' in trigger ? trigger.deviceId : null,
    reserved: reservedBy(trigger, index),
    barred: index.rules.bars(place) || (index.env.leftEmpty?.has(key) ?? false),
    locked: index.rules.locksControl(place),
    plain: actOf(trigger) === 'press' && !('withId' in trigger && trigger.withId !== undefined),
    types: sent !== undefined && index.stages.input(sent) !== null,
    rivals: rivalsOf(trigger, key),
  }
}

/** On-as-long-as-held works at once; the others have to be told from each other. */
function rivalsOf(trigger: Trigger, key: TriggerKey): TriggerKey[] {
  if (trigger.kind !== 'chord' && trigger.kind !== 'key' && trigger.kind !== 'button') return []
  const plain = triggerKey(withAct(trigger, 'press'))
  const rivals = acts.map((act) => keyWithAct(plain, act)).filter((other) => other !== key)
  if (trigger.kind !== 'button' || trigger.withId === undefined) return rivals
  // the control that is held first does something of its own, or has to wait
  const { withId, ...alone } = trigger
  return [...rivals, triggerKey({ ...alone, controlId: withId, act: 'press' })]
}
/** Acts beside a press that a place is offered for, with no modifiers held. Further taps are harder to count. */
const furtherActs = ['tap2', 'hold'] as const

/** Plain triggers of the controls of one modifier set: presses, turns, strokes. */
export function candidatesWith(
  controls: readonly Control[],
  held: readonly Modifier[],
  index: PlaceIndex,
  pageOf: PageOf,
): Candidate[] {
  const seen = new Set<string>()
  return controls.flatMap((control) => {
    const place = control.code ?? control.id
    if (seen.has(place)) return []
    seen.add(place)
    const page = control.code === null ? pageOf(splitControlRef(control.id).deviceId) : undefined
    return plainTriggers(control, held, page).map((trigger) => candidate(trigger, index))
  })
}

/** Keys that only layers of the firmware send, with a set of modifiers. */
function layerCandidates(index: PlaceIndex, held: readonly Modifier[]): Candidate[] {
  const { controls, layered = [] } = index.env
  const plain = new Set(controls.map((c) => c.code))
  const codes = layered.flatMap(({ sends }) =>
    canCarry(sends.code) && !plain.has(sends.code) && sends.modifiers.every((m) => held.includes(m))
      ? [sends.code]
      : [],
  )
  return [...new Set(codes)].map((code) => candidate(chord(code, held), index))
}

/** Every trigger of the bench: each modifier set's, taps and holds without modifiers, two keys of one pad, pop-up places. */
export function benchCandidates(
  index: PlaceIndex,
  heldSets: readonly (readonly Modifier[])[],
  pageOf: PageOf,
): Candidate[] {
  const { env } = index
  const stages = heldSets.flatMap((held) => [
    ...candidatesWith(env.controls, held, index, pageOf),
    ...layerCandidates(index, held),
  ])
  const pressed = stages.filter(
    ({ held, trigger, reserved }) =>
      held.length === 0 &&
      (trigger.kind === 'chord' || trigger.kind === 'button') &&
      (reserved === null || reserved.by === 'pop-up set'),
  )
  const further = pressed.flatMap(({ trigger }) =>
    furtherActs.map((act) => candidate(withAct(trigger, act), index)),
  )
  const pairs = pressed.flatMap(({ trigger, controlRef }) => {
    if (trigger.kind !== 'button') return []
    return pressed.flatMap((other) =>
      other.trigger.kind === 'button' &&
      other.trigger.deviceId === trigger.deviceId &&
      other.controlRef !== controlRef &&
      takesPairs(env, trigger.deviceId)
        ? [candidate({ ...trigger, withId: other.trigger.controlId }, index)]
        : [],
    )
  })
  // a pop-up set knows no modifiers
  const sets = heldSets.some((held) => held.length === 0) ? (env.popups ?? []) : []
  const popups = sets.flatMap((set) =>
    Array.from({ length: set.entries }, (_, i) =>
      candidate({ kind: 'popup', setId: set.id, entry: i + 1 }, index),
    ),
  )
  return [...stages, ...further, ...pairs, ...popups]
}

/**
 * All that one control can do: with each set of modifiers, pressed several times, held and while held, and with another of
 * its device held. Beside `benchCandidates` these are all acts, for a person to choose from.
 */
export function controlCandidates(
  control: Control,
  index: PlaceIndex,
  heldSets: readonly (readonly Modifier[])[],
  pageOf: PageOf,
): Candidate[] {
  const { env } = index
  const plain = heldSets.flatMap((held) => candidatesWith([control], held, index, pageOf))
  const [pressed] = plain.filter(
    ({ held, trigger }) => held.length === 0 && (trigger.kind === 'chord' || trigger.kind === 'button'),
  )
  const further = pressed ? acts.slice(1).map((act) => candidate(withAct(pressed.trigger, act), index)) : []
  const { trigger } = pressed ?? {}
  if (trigger?.kind !== 'button' || !takesPairs(env, trigger.deviceId)) return [...plain, ...further]
  const others = env.controls.filter(
    (c) =>
      c.code === null &&
      c.id !== control.id &&
      splitControlRef(c.id).deviceId === trigger.deviceId &&
      c.type !== 'dial' &&
      c.type !== 'field',
  )
  const pairs = others.map((c) => candidate({ ...trigger, withId: splitControlRef(c.id).controlId }, index))
  return [...plain, ...further, ...pairs]
}

/** Whether two controls of a device can be pressed together: not on one that the pointing hand works, nor on a deck. */
function takesPairs(env: Environment, deviceId: string): boolean {
  const device = env.devices?.find((d) => d.id === deviceId)
  return device?.kind === 'drawn' && (device.form === 'pad' || device.form === 'keypad')
}
