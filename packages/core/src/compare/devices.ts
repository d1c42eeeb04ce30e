import {
  defaultRests,
  deviceControls,
  isPointingDevice,
  type Control,
  type Device,
  type RestingHand,
} from '../bench/index.js'
import { reachSolver, verdicts, type ChordReach, type Verdict } from '../hand/index.js'

/** How one hand reaches the controls of one device, each by itself, where the hand rests on that device. */
export interface DeviceReach {
  readonly device: Device
  readonly rests: RestingHand['rests']
  readonly counts: Readonly<Record<Verdict, number>>
  /** mean stretch of the controls that are reached, in comfort radii; null when there is none */
  readonly meanStretch: number | null
  /** mean time to the controls that are reached, ms */
  readonly meanTimeMs: number | null
  readonly controls: readonly { readonly control: Control; readonly reach: ChordReach }[]
}

/**
 * Reach of a device for a hand that is at home on it.
 * @param rests  where the fingertips rest; the device's default where left out
 */
export function deviceReach(
  device: Device,
  hand: Pick<RestingHand, 'side' | 'spanMm'>,
  rests: RestingHand['rests'] = defaultRests(device, hand.side),
): DeviceReach {
  const controls = deviceControls(device)
  const solver = reachSolver({ ...hand, rests }, controls)
  const reached = controls.map((control) => ({ control, reach: solver.reachControls([control.id]) }))
  const near = reached.filter((r) => r.reach.verdict !== 'away')
  const mean = (of: (reach: ChordReach) => number): number | null =>
    near.length > 0 ? near.reduce((sum, r) => sum + of(r.reach), 0) / near.length : null
  return {
    device,
    rests,
    counts: Object.fromEntries(
      verdicts.map((v) => [v, reached.filter((r) => r.reach.verdict === v).length]),
    ) as Record<Verdict, number>,
    meanStretch: mean((r) => r.stretch),
    meanTimeMs: mean((r) => r.timeMs),
    controls: reached,
  }
}

/** Two devices side by side for one hand. Devices of the pointing hand are not compared: it lies on them. */
export const compareDevices = (
  devices: readonly Device[],
  hand: Pick<RestingHand, 'side' | 'spanMm'>,
): DeviceReach[] => devices.filter((d) => !isPointingDevice(d)).map((device) => deviceReach(device, hand))
