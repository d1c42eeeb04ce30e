import {
  heldOf,
  modifierCodes,
  controlRef,
  controlRefOf,
  type Modifier,
  type Trigger,
} from '../triggers/index.js'
import type { Control } from './control.js'
import { pagesOf, type Device } from './device.js'
import type { LayeredKey } from './layers.js'

/** What a bench has to press: codes, controls without one, pages and pop-up sets. */
export interface BenchOffer {
  readonly codes: ReadonlySet<string>
  readonly controls: ReadonlyMap<string, Control>
  /** `device@page` */
  readonly pages: ReadonlySet<string>
}

export const offerOf = (
  controls: readonly Control[],
  devices: readonly Device[],
  layered: readonly LayeredKey[] = [],
): BenchOffer => ({
  codes: new Set([...controls.flatMap((c) => c.code ?? []), ...layered.map(({ sends }) => sends.code)]),
  controls: new Map(controls.map((c) => [c.id, c])),
  pages: new Set(devices.flatMap((d) => pagesOf(d).map((page) => `${d.id}@${page.id}`))),
})

/** A part that a trigger needs and the bench lacks. */
export type MissingPart =
  | { readonly kind: 'key' | 'control' | 'page' | 'direction' | 'popup'; readonly id: string }
  | { readonly kind: 'modifier'; readonly id: Modifier }

/**
 * What a trigger needs and the bench does not have; empty when it can be made.
 * @param openerOf  what brings a pop-up set up, or null when there is no such set
 */
export function missingParts(
  trigger: Trigger,
  offer: BenchOffer,
  altGraph: boolean,
  openerOf: (setId: string) => Trigger | null = () => null,
): MissingPart[] {
  if (trigger.kind === 'popup') {
    const opener = openerOf(trigger.setId)
    return opener ? missingParts(opener, offer, altGraph) : [{ kind: 'popup', id: trigger.setId }]
  }
  if (trigger.kind === 'sequence')
    return trigger.chords.flatMap((part) => missingParts(part, offer, altGraph))
  const lacks: MissingPart[] = heldOf(trigger)
    .filter((m) => !modifierCodes(m, altGraph).some((code) => offer.codes.has(code)))
    .map((id) => ({ kind: 'modifier', id }))
  if ('code' in trigger) {
    if (!offer.codes.has(trigger.code)) lacks.push({ kind: 'key', id: trigger.code })
    return lacks
  }
  const place = controlRefOf(trigger) as string
  const control = offer.controls.get(place)
  if (!control) lacks.push({ kind: 'control', id: place })
  if (trigger.kind === 'button' && trigger.withId !== undefined) {
    const other = controlRef(trigger.deviceId, trigger.withId)
    if (!offer.controls.has(other)) lacks.push({ kind: 'control', id: other })
  }
  if ('pageId' in trigger && trigger.pageId !== undefined) {
    const page = `${trigger.deviceId}@${trigger.pageId}`
    if (!offer.pages.has(page)) lacks.push({ kind: 'page', id: page })
  }
  if (trigger.kind === 'stroke' && control && control.directions !== trigger.of)
    lacks.push({ kind: 'direction', id: place })
  return lacks
}
