import { deviceSizeMm, onDesk, type Bench, type PlacedDevice } from './bench.js'
import { isKeyboard, type Device } from './device.js'
import { defaultRests } from './rests.js'

/** What a device covers of the desk: its corners, and the upright box around them; mm. */
export interface Footprint {
  readonly corners: readonly { readonly xMm: number; readonly yMm: number }[]
  readonly x0: number
  readonly x1: number
  readonly y0: number
  readonly y1: number
}

/** The corners of a device on the desk, turned as it stands there, mm. */
export function footprint(placed: PlacedDevice, device: Device): Footprint {
  const { widthMm, heightMm } = deviceSizeMm(device)
  const corners = [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ].map(([x, y]) => onDesk(placed, x as number, y as number, widthMm))
  const xs = corners.map((c) => c.xMm)
  const ys = corners.map((c) => c.yMm)
  return { corners, x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
}

/** Clear distance between two upright boxes, mm: across, along, and straight; negative where they overlap. */
export function gapMm(
  a: Footprint,
  b: Footprint,
): { readonly acrossMm: number; readonly alongMm: number; readonly straightMm: number } {
  const acrossMm = Math.max(b.x0 - a.x1, a.x0 - b.x1)
  const alongMm = Math.max(b.y0 - a.y1, a.y0 - b.y1)
  const straightMm =
    acrossMm < 0 && alongMm < 0
      ? Math.max(acrossMm, alongMm)
      : Math.hypot(Math.max(0, acrossMm), Math.max(0, alongMm))
  return { acrossMm, alongMm, straightMm }
}

/** A line to which a moved device snapped, mm in the axes of the desk. */
export interface SnapGuide {
  readonly axis: 'x' | 'y'
  readonly atMm: number
}

/** Room that devices keep between them when they snap side by side, mm. Assumed. */
const snapGapMm = 10

/**
 * Small move that brings a box into line with others: edge to edge, middle to middle, or side by side with a gap.
 * @param withinMm  larger moves are not made
 */
export function snapMove(
  moving: Footprint,
  others: readonly Footprint[],
  withinMm: number,
): { readonly dxMm: number; readonly dyMm: number; readonly guides: readonly SnapGuide[] } {
  const along = (axis: 'x' | 'y'): { move: number; at: number } | null => {
    const low = axis === 'x' ? 'x0' : 'y0'
    const high = axis === 'x' ? 'x1' : 'y1'
    const [m0, m1] = [moving[low], moving[high]]
    let best: { move: number; at: number } | null = null
    const offer = (from: number, to: number): void => {
      const move = to - from
      if (Math.abs(move) <= withinMm && (!best || Math.abs(move) < Math.abs(best.move)))
        best = { move, at: to }
    }
    for (const other of others) {
      const [o0, o1] = [other[low], other[high]]
      offer(m0, o0)
      offer(m1, o1)
      offer((m0 + m1) / 2, (o0 + o1) / 2)
      offer(m0, o1 + snapGapMm)
      offer(m1, o0 - snapGapMm)
    }
    return best
  }
  const x = along('x')
  const y = along('y')
  return {
    dxMm: x?.move ?? 0,
    dyMm: y?.move ?? 0,
    guides: [
      ...(x ? [{ axis: 'x', atMm: x.at } as const] : []),
      ...(y ? [{ axis: 'y', atMm: y.at } as const] : []),
    ],
  }
}

/** Keyboards are made one way only; other devices are made or can be set for either hand. */
const hasMirrorImage = (device: Device | undefined): boolean => device !== undefined && !isKeyboard(device)

/**
 * The bench for the other hand: devices change places left to right, those that can be had for either hand are
 * reflected, and the hand changes sides. Mirroring twice gives the bench back, but for fingertips on a board's keys,
 * which go to the home keys.
 */
export function mirrorBench(bench: Bench, devices: readonly Device[]): Bench {
  const of = (id: string): Device => devices.find((d) => d.id === id) as Device
  const prints = bench.devices.map((p) => footprint(p, of(p.deviceId)))
  const axis = Math.min(...prints.map((f) => f.x0)) + Math.max(...prints.map((f) => f.x1))
  const mirrored = bench.devices.map((placed, i): PlacedDevice => {
    const device = of(placed.deviceId)
    const turned = {
      ...placed,
      turnDeg: placed.turnDeg === 0 ? 0 : -placed.turnDeg,
      mirrored: hasMirrorImage(device) ? !placed.mirrored : placed.mirrored,
    }
    const old = prints[i] as Footprint
    const now = footprint(turned, device)
    return {
      ...turned,
      xMm: round(turned.xMm + axis - old.x1 - now.x0),
      yMm: round(turned.yMm + old.y0 - now.y0),
    }
  })
  const hands = bench.hands.map((hand) => {
    const side = hand.side === 'left' ? ('right' as const) : ('left' as const)
    const device = of(hand.deviceId)
    return { ...hand, side, rests: isKeyboard(device) ? defaultRests(device, side) : hand.rests }
  })
  return { ...bench, devices: mirrored, hands }
}

const round = (mm: number): number => Math.round(mm * 1000) / 1000
