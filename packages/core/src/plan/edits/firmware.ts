import { usualTapHoldMs, type Device, type FirmwareLayer, type LayerOpening } from '../../bench/index.js'
import { chord, type Chord, type Modifier } from '../../triggers/index.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { deviceOf, idsOf } from './benches.js'
import { edit, editWith } from './edit.js'

/** Keys that hardly any keyboard has, and that any program can bind: carriers of what a layer's keys are to do. */
const carriers: readonly string[] = Array.from({ length: 12 }, (_, i) => `F${i + 13}`)

const layerOf = (plan: Plan, deviceId: string, layerId: string): FirmwareLayer | undefined =>
  deviceOf(plan, deviceId)?.layers?.find((l) => l.id === layerId)

/** Adds an empty layer to a device and gives back its id; null for no such device. */
export const addLayer = editWith((plan: Plan, deviceId: string): string | null => {
  const device = deviceOf(plan, deviceId)
  if (!device) return null
  const layers = (device.layers ??= [])
  const id = freshId('layer', idsOf(layers))
  layers.push({ id, name: `Layer ${layers.length + 1}`, openedBy: [], keys: [] })
  return id
})

export const renameLayer = edit((plan: Plan, deviceId: string, layerId: string, name: string) => {
  const layer = layerOf(plan, deviceId, layerId)
  if (layer && name !== '') layer.name = name
})

/** Takes a layer away; the last one leaves nothing behind. */
export const deleteLayer = edit((plan: Plan, deviceId: string, layerId: string) => {
  const device = deviceOf(plan, deviceId)
  if (!device?.layers) return
  device.layers = device.layers.filter((l) => l.id !== layerId)
  if (device.layers.length === 0) delete device.layers
})

/** What a control sends on a layer; with null it falls through to what it sends without it. */
export const setLayerKey = edit(
  (plan: Plan, deviceId: string, layerId: string, controlId: string, sends: Chord | null) => {
    const layer = layerOf(plan, deviceId, layerId)
    if (!layer) return
    layer.keys = layer.keys.filter((k) => k.controlId !== controlId)
    if (sends) layer.keys.push({ controlId, sends: [sends] })
  },
)

/** How a control opens a layer, and after how long a press counts as held; with null it does not. */
export const setOpener = edit(
  (
    plan: Plan,
    deviceId: string,
    layerId: string,
    controlId: string,
    how: LayerOpening | null,
    holdMs: number = usualTapHoldMs,
  ) => {
    const layer = layerOf(plan, deviceId, layerId)
    if (!layer) return
    layer.openedBy = layer.openedBy.filter((o) => o.controlId !== controlId)
    if (how) layer.openedBy.push({ controlId, how, ...(how === 'tap-and-hold' && { holdMs }) })
  },
)

/** Which modifier a control holds when it is held, and after how long; with null it only types. */
export const setTapHold = edit(
  (
    plan: Plan,
    deviceId: string,
    controlId: string,
    holds: Modifier | null,
    holdMs: number = usualTapHoldMs,
  ) => {
    const device = deviceOf(plan, deviceId)
    if (!device) return
    const others = (device.tapHolds ?? []).filter((t) => t.controlId !== controlId)
    const now = holds ? [...others, { controlId, holds, holdMs }] : others
    if (now.length > 0) device.tapHolds = now
    else delete device.tapHolds
  },
)

const sentOn = (devices: readonly Device[]): Set<string> =>
  new Set(
    devices.flatMap((d) =>
      (d.layers ?? []).flatMap((l) => l.keys.flatMap((k) => k.sends.map((s) => s.code))),
    ),
  )

/**
 * Gives controls of a layer that send nothing there yet the carriers F13 to F24 that no layer sends, in the order given.
 * @returns how many have got one
 */
export const fillLayer = editWith(
  (plan: Plan, deviceId: string, layerId: string, controlIds: readonly string[]): number => {
    const layer = layerOf(plan, deviceId, layerId)
    if (!layer) return 0
    const used = sentOn(plan.devices)
    const busy = new Set([...layer.keys, ...layer.openedBy].map((k) => k.controlId))
    const free = controlIds.filter((id) => !busy.has(id))
    const left = carriers.filter((code) => !used.has(code)).slice(0, free.length)
    left.forEach((code, i) => layer.keys.push({ controlId: free[i] as string, sends: [chord(code)] }))
    return left.length
  },
)
