import { useState } from 'react'
import {
  addLayer,
  controlRef,
  CoreError,
  deleteLayer,
  fillLayer,
  keyLegend,
  readTrigger,
  renameLayer,
  setLayerKey,
  setOpener,
  setTapHold,
  triggerName,
  usualTapHoldMs,
  verdicts,
  type Chord,
  type DrawnControl,
  type LayerOpening,
  type Modifier,
} from '@reach-plot/core'
import { w3cCodes } from '@reach-plot/data'
import { toast } from '../../store/message.js'
import { undoAction } from '../../store/actions.js'
import { useEdit } from '../../store/plan-store.js'
import { noHeld, useReachOfSets } from '../../store/reach.js'
import { useDerived } from '../../store/selectors.js'
import { howMany } from '../../parts/words.js'
import { useDevice } from './device-page.js'

const codes = Object.keys(w3cCodes)

/** The layers of a device's firmware: which is shown, what each control sends on it, and what can be changed. */
export function useDeviceLayers() {
  const device = useDevice()
  const edit = useEdit()
  const { env } = useDerived()
  const { reachBySet } = useReachOfSets(noHeld, [])
  const layers = device.layers ?? []
  const [layerId, setLayerId] = useState<string | null>(null)
  const [controlId, setControlId] = useState<string | null>(null)
  const layer = layers.find((l) => l.id === layerId) ?? layers[0] ?? null
  const control = device.controls.find((c) => c.id === controlId) ?? null

  const legendOf = (c: DrawnControl): string =>
    c.name || (c.code === null ? c.id : keyLegend(c.code, env.layout, env.systemId))
  const sentBy = (id: string): Chord | null => layer?.keys.find((k) => k.controlId === id)?.sends[0] ?? null
  const openerOf = (id: string): { how: LayerOpening; holdMs: number } | null => {
    const found = layer?.openedBy.find((o) => o.controlId === id)
    return found ? { how: found.how, holdMs: found.holdMs ?? usualTapHoldMs } : null
  }
  const heldBy = (id: string): { holds: Modifier; holdMs: number } | null => {
    const found = device.tapHolds?.find((t) => t.controlId === id)
    return found ? { holds: found.holds, holdMs: found.holdMs ?? usualTapHoldMs } : null
  }
  /** The easiest controls first: those that the hand reaches from where it rests. */
  const byReach = (): readonly string[] => {
    const reach = reachBySet[''] ?? Object.values(reachBySet)[0]
    const rank = (c: DrawnControl): number => {
      const ref = controlRef(device.id, c.id)
      const found = reach?.[c.code ?? ref]
      // of several keys with a code only the one that the hand takes
      return found?.keys.at(-1) === ref ? verdicts.indexOf(found.verdict) * 10_000 + found.timeMs : Infinity
    }
    return device.controls.toSorted((a, b) => rank(a) - rank(b)).map((c) => c.id)
  }
  /** Sets what a control sends from what is typed; gives back what is wrong with it, if anything. */
  const send = (id: string, text: string): string | null => {
    if (!layer) return null
    if (text.trim() === '') {
      edit((plan) => setLayerKey(plan, device.id, layer.id, id, null))
      return null
    }
    try {
      const read = readTrigger(text, env, codes)
      if (read.kind !== 'chord') return 'A layer sends keys of a keyboard, such as F13 or Ctrl+Z.'
      edit((plan) => setLayerKey(plan, device.id, layer.id, id, read))
      return null
    } catch (error) {
      if (error instanceof CoreError) return error.message
      throw error
    }
  }
  return {
    device,
    layers,
    layer,
    control,
    setLayerId,
    setControlId,
    legendOf,
    sentBy,
    openerOf,
    heldBy,
    send,
    nameOf: (chord: Chord): string => triggerName(chord, env),
    add: () => setLayerId(edit((plan) => addLayer(plan, device.id))),
    rename: (name: string) =>
      layer && edit((plan) => renameLayer(plan, device.id, layer.id, name), `layer ${layer.id}`),
    remove: () => layer && edit((plan) => deleteLayer(plan, device.id, layer.id)),
    fill: () => {
      if (!layer) return
      const count = edit((plan) => fillLayer(plan, device.id, layer.id, byReach())) ?? 0
      toast(`${howMany(count, 'key sends', 'keys send')} one of F13 to F24, which any program can use`, {
        action: undoAction(),
      })
    },
    open: (id: string, how: LayerOpening | null, holdMs?: number) =>
      layer && edit((plan) => setOpener(plan, device.id, layer.id, id, how, holdMs), `opener ${id}`),
    hold: (id: string, holds: Modifier | null, holdMs?: number) =>
      edit((plan) => setTapHold(plan, device.id, id, holds, holdMs), `tap hold ${id}`),
  }
}

export type DeviceLayersView = ReturnType<typeof useDeviceLayers>
