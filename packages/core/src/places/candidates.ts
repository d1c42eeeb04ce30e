import { pagesOf, plainTriggers, splitSpot, type Control } from '../bench/index.js'
import { keptBy, sentBy, type PlaceSurvey, type Surroundings } from '../model/index.js'
import {
  actOf,
  acts,
  heldOf,
  spotOf,
  triggerKey,
  withAct,
  type Modifier,
  type Trigger,
} from '../triggers/index.js'

/** A trigger that could carry a command, with what is known of it whatever the command. */
export interface Candidate {
  readonly trigger: Trigger
  readonly key: string
  readonly spot: string | null
  readonly held: readonly Modifier[]
  /** the device, or null for keys that any keyboard has and for pop-up sets */
  readonly deviceId: string | null
  /** what takes the trigger first */
  readonly kept: string | null
  readonly barred: boolean
  /** nothing new comes here: what stands on the place is kept */
  readonly closed: boolean
  /** a press, a turn or a stroke, not a repeated tap, a hold or two keys together */
  readonly plain: boolean
  /** it types while text can be typed */
  readonly types: boolean
  /** the same key or button worked otherwise: the program has to wait which of them it is */
  readonly rivals: readonly string[]
}

/** The page of a device on which a command of `programId` would go: the one that follows the program, or the first. */
export function pageFor(deviceId: string, programId: string, around: Surroundings): string | undefined {
  const pages = pagesOf(around.devices?.find((d) => d.id === deviceId))
  return (
    pages.find((p) => p.programId === programId) ??
    pages.find((p) => p.programId === undefined) ??
    pages[0]
  )?.id
}

export type PageOf = (deviceId: string) => string | undefined

export function candidate(trigger: Trigger, survey: PlaceSurvey): Candidate {
  const place = spotOf(trigger)
  const key = triggerKey(trigger)
  const [sent] = sentBy(trigger)
  return {
    trigger,
    key,
    spot: place,
    held: heldOf(trigger),
    deviceId: 'deviceId' in trigger ? trigger.deviceId : null,
    kept: keptBy(trigger, survey),
    barred: survey.rules.bars(place),
    closed: survey.rules.keepsSpot(place),
    plain: actOf(trigger) === 'press' && !('withId' in trigger && trigger.withId !== undefined),
    types: sent !== undefined && survey.layers.input(sent) !== null,
    rivals: rivalsOf(trigger, key),
  }
}

/** On-as-long-as-held works at once; the others have to be told from each other. */
function rivalsOf(trigger: Trigger, key: string): string[] {
  if (trigger.kind !== 'chord' && trigger.kind !== 'key' && trigger.kind !== 'button') return []
  const plain = triggerKey(withAct(trigger, 'press'))
  const rivals = acts.map((act) => plain + rivalWords[act]).filter((other) => other !== key)
  if (trigger.kind !== 'button' || trigger.withId === undefined) return rivals
  // the control that is held first does something of its own, or has to wait
  const { withId, ...alone } = trigger
  return [...rivals, triggerKey({ ...alone, controlId: withId, act: 'press' })]
}
const rivalWords = Object.fromEntries(
  acts.map((act) => [
    act,
    triggerKey({ kind: 'key', modifiers: [], code: 'X', act: act as 'tap2' }).slice(1),
  ]),
)

/** Acts beside a press that a place is offered for, with no modifiers held. Further taps are harder to count. */
const furtherActs = ['tap2', 'hold'] as const

/** Plain triggers of the controls of one layer: presses, turns, strokes. */
export function layerCandidates(
  controls: readonly Control[],
  held: readonly Modifier[],
  survey: PlaceSurvey,
  pageOf: PageOf,
): Candidate[] {
  const seen = new Set<string>()
  return controls.flatMap((control) => {
    const place = control.code ?? control.id
    if (seen.has(place)) return []
    seen.add(place)
    const page = control.code === null ? pageOf(splitSpot(control.id).deviceId) : undefined
    return plainTriggers(control, held, page).map((trigger) => candidate(trigger, survey))
  })
}

/** Every trigger of the bench: each layer's, taps and holds without modifiers, two keys of one pad, pop-up places. */
export function benchCandidates(
  survey: PlaceSurvey,
  heldSets: readonly (readonly Modifier[])[],
  pageOf: PageOf,
): Candidate[] {
  const { around } = survey
  const layers = heldSets.flatMap((held) => layerCandidates(around.controls, held, survey, pageOf))
  const pressed = layers.filter(
    ({ held, trigger, kept }) =>
      held.length === 0 &&
      (trigger.kind === 'chord' || trigger.kind === 'button') &&
      (kept === null || kept.startsWith('Brings up')),
  )
  const further = pressed.flatMap(({ trigger }) =>
    furtherActs.map((act) => candidate(withAct(trigger, act), survey)),
  )
  const pairs = pressed.flatMap(({ trigger, spot }) => {
    if (trigger.kind !== 'button') return []
    return pressed.flatMap((other) =>
      other.trigger.kind === 'button' &&
      other.trigger.deviceId === trigger.deviceId &&
      other.spot !== spot &&
      takesPairs(around, trigger.deviceId)
        ? [candidate({ ...trigger, withId: other.trigger.controlId }, survey)]
        : [],
    )
  })
  // a pop-up set knows no modifiers
  const sets = heldSets.some((held) => held.length === 0) ? (around.popups ?? []) : []
  const popups = sets.flatMap((set) =>
    Array.from({ length: set.places }, (_, i) =>
      candidate({ kind: 'popup', setId: set.id, place: i + 1 }, survey),
    ),
  )
  return [...layers, ...further, ...pairs, ...popups]
}

/** Whether two controls of a device can be pressed together: not on one that the pointing hand works, nor on a deck. */
function takesPairs(around: Surroundings, deviceId: string): boolean {
  const device = around.devices?.find((d) => d.id === deviceId)
  return device?.kind === 'drawn' && (device.form === 'pad' || device.form === 'keypad')
}
