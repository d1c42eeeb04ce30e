import type { DrawnControl, DrawnDevice } from '../../bench/index.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { drawnDevice, growToFit, lastNumber } from './controls.js'
import { editWith } from './edit.js'

/** Adds what `make` makes of some controls, under ids of their own, and gives back their ids. */
function addLike(
  device: DrawnDevice,
  ids: readonly string[],
  make: (control: DrawnControl) => Partial<DrawnControl>,
): string[] {
  const taken = new Set(device.controls.map((c) => c.id))
  const last = lastNumber(device)
  const added = ids
    .flatMap((id) => device.controls.find((c) => c.id === id) ?? [])
    .map((control, i): DrawnControl => {
      const { code: _code, label, outlineMm, ...plain } = control
      return {
        ...plain,
        ...(label && { label: { ...label } }),
        ...(outlineMm && { outlineMm: outlineMm.map(([x, y]) => [x, y]) }),
        code: null,
        name: /^\d{1,6}$/.test(control.name) ? String(last + 1 + i) : control.name,
        ...make(control),
        id: freshId(`${control.type}${device.controls.length + 1 + i}`, taken),
      }
    })
  device.controls.push(...added)
  growToFit(device)
  return added.map((c) => c.id)
}

/** Copies controls to one side, mm: a column beside the one that is there. They send nothing yet. */
export const copyControls = editWith(
  (plan: Plan, deviceId: string, ids: readonly string[], dxMm: number, dyMm: number): string[] => {
    const device = drawnDevice(plan, deviceId)
    return device ? addLike(device, ids, (c) => ({ xMm: c.xMm + dxMm, yMm: c.yMm + dyMm })) : []
  },
)

/** The other half of a board: controls reflected to the right of all of them, with room between, mm; turned the other way. */
export const mirrorHalf = editWith(
  (plan: Plan, deviceId: string, ids: readonly string[], roomMm: number): string[] => {
    const device = drawnDevice(plan, deviceId)
    const chosen = device?.controls.filter((c) => ids.includes(c.id)) ?? []
    if (!device || chosen.length === 0) return []
    const right = Math.max(...chosen.map((c) => c.xMm + c.widthMm / 2))
    const axisMm = right + roomMm / 2
    return addLike(
      device,
      chosen.map((c) => c.id),
      (c) => ({
        xMm: 2 * axisMm - c.xMm,
        ...(c.turnDeg !== undefined && { turnDeg: -c.turnDeg }),
        ...(c.outlineMm && { outlineMm: c.outlineMm.map(([x, y]) => [-x, y]) }),
        ...(c.label && { label: { ...c.label, dxMm: -c.label.dxMm } }),
      }),
    )
  },
)

/** An arc of keys for a thumb: `count` keys from (x, y) on, each turned by `stepDeg` more than the last, on a circle of `radiusMm`. */
export const addThumbArc = editWith(
  (
    plan: Plan,
    deviceId: string,
    count: number,
    at: { readonly xMm: number; readonly yMm: number },
    radiusMm: number,
    stepDeg: number,
  ): string[] => {
    const device = drawnDevice(plan, deviceId)
    if (!device) return []
    const taken = new Set(device.controls.map((c) => c.id))
    const last = lastNumber(device)
    const added = Array.from({ length: count }, (_, i): DrawnControl => {
      const turnDeg = i * stepDeg
      const angle = (turnDeg * Math.PI) / 180
      const tenth = (mm: number): number => Math.round(mm * 10) / 10
      return {
        id: freshId(`key${device.controls.length + 1 + i}`, taken),
        name: String(last + 1 + i),
        type: 'key',
        shape: 'rect',
        xMm: tenth(at.xMm + radiusMm * Math.sin(angle)),
        yMm: tenth(at.yMm + radiusMm * (1 - Math.cos(angle))),
        widthMm: 18,
        heightMm: 18,
        code: null,
        thumb: true,
        ...(turnDeg !== 0 && { turnDeg }),
      }
    })
    device.controls.push(...added)
    growToFit(device)
    return added.map((c) => c.id)
  },
)

const wholeOf = ({ widthMm, heightMm }: DrawnDevice) => ({
  xMm: widthMm / 2,
  yMm: heightMm / 2,
  widthMm,
  heightMm,
})

/** How deep a zone at an edge is at most, mm: a fingertip's contact, doubled. Assumed. */
const mostEdgeMm = 20

/**
 * Zones along the edges of a screen or a touch area: `across` at the top and the bottom each, `along` at the left and the
 * right each, between them. The area itself stays as it is.
 * @param areaId  the control that is the area; null for the whole device
 */
export const addEdgeZones = editWith(
  (plan: Plan, deviceId: string, areaId: string | null, across: number, along: number): string[] => {
    const device = drawnDevice(plan, deviceId)
    const area = areaId === null ? device && wholeOf(device) : device?.controls.find((c) => c.id === areaId)
    if (!device || !area) return []
    const depthMm = Math.min(mostEdgeMm, area.widthMm / 5, area.heightMm / 5)
    const taken = new Set(device.controls.map((c) => c.id))
    const left = area.xMm - area.widthMm / 2
    const top = area.yMm - area.heightMm / 2
    const wide = area.widthMm / across
    const high = (area.heightMm - 2 * depthMm) / along
    const zone = (
      edge: string,
      n: number,
      of: number,
      box: readonly [number, number, number, number],
    ): DrawnControl => {
      const tenth = (mm: number): number => Math.round(mm * 10) / 10
      const [xMm, yMm, widthMm, heightMm] = box
      return {
        id: freshId(`${edge}${n}`, taken),
        name: of === 1 ? `${edge} edge` : `${edge} edge ${n}`,
        type: 'zone',
        shape: 'rect',
        xMm: tenth(xMm),
        yMm: tenth(yMm),
        widthMm: tenth(widthMm),
        heightMm: tenth(heightMm),
        code: null,
      }
    }
    const rows = (edge: string, yMm: number): DrawnControl[] =>
      Array.from({ length: across }, (_, i) =>
        zone(edge, i + 1, across, [left + wide * (i + 0.5), yMm, wide, depthMm]),
      )
    const columns = (edge: string, xMm: number): DrawnControl[] =>
      Array.from({ length: along }, (_, i) =>
        zone(edge, i + 1, along, [xMm, top + depthMm + high * (i + 0.5), depthMm, high]),
      )
    const added = [
      ...rows('top', top + depthMm / 2),
      ...columns('left', left + depthMm / 2),
      ...columns('right', left + area.widthMm - depthMm / 2),
      ...rows('bottom', top + area.heightMm - depthMm / 2),
    ]
    // none is laid over a control that is there already
    const others = device.controls.filter((c) => c.id !== areaId && c.type !== 'field')
    const free = added.filter((zone) => !others.some((other) => areOver(zone, other)))
    device.controls.push(...free)
    return free.map((c) => c.id)
  },
)

const areOver = (a: DrawnControl, b: DrawnControl): boolean =>
  Math.abs(a.xMm - b.xMm) < (a.widthMm + b.widthMm) / 2 &&
  Math.abs(a.yMm - b.yMm) < (a.heightMm + b.heightMm) / 2
