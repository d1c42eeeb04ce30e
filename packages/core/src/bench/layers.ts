import { controlRef, type Chord, type Modifier } from '../triggers/index.js'
import type { Bench } from './bench.js'
import type { Device } from './device.js'
import { usualTapHoldMs, type LayerOpening } from './firmware.js'

/** A way of sending a chord by a layer of a device's firmware: one control opens the layer, another sends it. */
export interface LayeredKey {
  readonly deviceId: string
  readonly layerId: string
  readonly layerName: string
  /** ids on the bench */
  readonly openerId: string
  readonly controlId: string
  readonly how: LayerOpening
  /** what passes before a held key counts as held, ms; 0 for one that does nothing else */
  readonly waitMs: number
  readonly sends: Chord
}

/** A control of the bench that holds a modifier when it is held, and types when it is tapped. */
export interface HeldModifier {
  readonly controlId: string
  readonly holds: Modifier
  readonly waitMs: number
}

const onBench = (bench: Bench, devices: readonly Device[]): Device[] =>
  bench.devices.flatMap(({ deviceId }) => devices.find((d) => d.id === deviceId) ?? [])

/**
 * All chords that the layers of a bench's devices send, with the controls that make them. A control that sends several chords in a row
 * carries a chain, not a key, and is left out; so is one that opens its own layer.
 */
export function layeredKeys(bench: Bench, devices: readonly Device[]): LayeredKey[] {
  return onBench(bench, devices).flatMap((device) =>
    (device.layers ?? []).flatMap((layer) =>
      layer.openedBy.flatMap(({ controlId: opener, how, holdMs }) =>
        layer.keys.flatMap(({ controlId, sends }): LayeredKey[] => {
          const [chord, ...more] = sends
          if (!chord || more.length > 0 || controlId === opener) return []
          return [
            {
              deviceId: device.id,
              layerId: layer.id,
              layerName: layer.name,
              openerId: controlRef(device.id, opener),
              controlId: controlRef(device.id, controlId),
              how,
              waitMs: how === 'tap-and-hold' ? (holdMs ?? usualTapHoldMs) : 0,
              sends: chord,
            },
          ]
        }),
      ),
    ),
  )
}

/** All controls of a bench that hold a modifier when they are held. */
export const heldModifiers = (bench: Bench, devices: readonly Device[]): HeldModifier[] =>
  onBench(bench, devices).flatMap((device) =>
    (device.tapHolds ?? []).map(({ controlId, holds, holdMs }) => ({
      controlId: controlRef(device.id, controlId),
      holds,
      waitMs: holdMs ?? usualTapHoldMs,
    })),
  )
