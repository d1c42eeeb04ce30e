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
