import { useMemo } from 'react'
import { footprint, type Bench, type Device, type Footprint, type PlacedDevice } from '@reach-plot/core'
import { usePlan } from '../store/plan-store.js'

/** A device as it stands on a bench, with what it covers. */
export interface Outline {
  readonly placed: PlacedDevice
  readonly device: Device
  readonly print: Footprint
}

/** The devices of a bench where they stand. */
export function useOutlines(bench: Bench): readonly Outline[] {
  const { devices } = usePlan()
  return useMemo(
    () =>
      bench.devices.flatMap((placed) => {
        const device = devices.find((d) => d.id === placed.deviceId)
        return device ? [{ placed, device, print: footprint(placed, device) }] : []
      }),
    [bench.devices, devices],
  )
}
