import type { DrawnControl, DrawnDevice } from '../../bench/index.js'
import { controlRefOf } from '../../triggers/index.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { repairRestsIn } from './hands.js'
import { edit, editWith } from './edit.js'

/** A drawn device of the plan; null for a board or one that is not there. */
export const drawnDevice = (plan: Plan, id: string): DrawnDevice | null => {
  const device = plan.devices.find((d) => d.id === id)
  return device?.kind === 'drawn' ? device : null
}

/** What changes of a control; undefined takes an optional part away. */
export type ControlChange = { readonly [K in keyof Omit<DrawnControl, 'id'>]?: DrawnControl[K] | undefined }

/** Changes some controls of a device, each by what `change` makes of it. */
export const editControls = edit(
  (
    plan: Plan,
    deviceId: string,
    ids: readonly string[],
    change: (control: DrawnControl) => ControlChange,
  ) => {
    for (const control of drawnDevice(plan, deviceId)?.controls ?? [])
      if (ids.includes(control.id)) assignPresent(control, change(control))
  },
)

/** Sets what has a value and takes away what is undefined. */
function assignPresent(target: object, change: object): void {
  for (const [key, value] of Object.entries(change))
    if (value === undefined) Reflect.deleteProperty(target, key)
    else Reflect.set(target, key, value)
}

/** Moves some controls on their device, mm; the device grows where they leave it. */
export const shiftControls = edit(
  (plan: Plan, deviceId: string, ids: readonly string[], dxMm: number, dyMm: number) => {
    const device = drawnDevice(plan, deviceId)
    if (!device) return
    const micrometre = (mm: number): number => Math.round(mm * 1000) / 1000
    for (const control of device.controls.filter((c) => ids.includes(c.id))) {
      control.xMm = micrometre(control.xMm + dxMm)
      control.yMm = micrometre(control.yMm + dyMm)
    }
    growToFit(device)
  },
)

/** The largest number that a control of a device is called by. */
export const lastNumber = (device: DrawnDevice): number =>
  Math.max(0, ...device.controls.map((c) => (/^\d{1,6}$/.test(c.name) ? Number(c.name) : 0)))

/** Adds a grid of controls like `sample` and gives back their ids; sizes and steps in mm. */
export const addControls = editWith(
  (
    plan: Plan,
    deviceId: string,
    sample: Omit<DrawnControl, 'id' | 'name' | 'xMm' | 'yMm'>,
    at: { readonly xMm: number; readonly yMm: number },
    columns: number,
    rows: number,
    stepMm: number,
  ): string[] => {
    const device = drawnDevice(plan, deviceId)
    if (!device) return []
    const taken = new Set(device.controls.map((c) => c.id))
    const added: string[] = []
    // numbers go on from the largest, so that none repeats after a deletion
    const last = lastNumber(device)
    for (let i = 0; i < columns * rows; i++) {
      const number = last + 1 + i
      const id = freshId(`${sample.type}${number}`, taken)
      added.push(id)
      device.controls.push({
        ...sample,
        id,
        name: sample.type === 'key' || sample.type === 'button' ? String(number) : sample.type,
        xMm: at.xMm + (i % columns) * stepMm,
        yMm: at.yMm + Math.floor(i / columns) * stepMm,
      })
    }
    growToFit(device)
    return added
  },
)

/** Deletes controls; the last ones of a device stay. Fingertips that rested on them go to their default place. */
export const deleteControls = edit((plan: Plan, deviceId: string, ids: readonly string[]) => {
  const device = drawnDevice(plan, deviceId)
  if (!device || device.controls.length <= ids.length) return
  device.controls = device.controls.filter((c) => !ids.includes(c.id))
  for (const page of device.pages) page.opens = page.opens.filter((o) => !ids.includes(o.controlId))
  dropFromFirmware(device, ids)
  repairRestsIn(plan)
})

/** Controls that are gone open no layer, send nothing on one and hold nothing. */
function dropFromFirmware(device: DrawnDevice, ids: readonly string[]): void {
  for (const layer of device.layers ?? []) {
    layer.openedBy = layer.openedBy.filter((o) => !ids.includes(o.controlId))
    layer.keys = layer.keys.filter((k) => !ids.includes(k.controlId))
  }
  if (device.tapHolds) device.tapHolds = device.tapHolds.filter((t) => !ids.includes(t.controlId))
}

/** The outline grows with its controls; it never shrinks by itself. */
export function growToFit(device: DrawnDevice): void {
  const edgeMm = 4
  const right = Math.max(...device.controls.map((c) => c.xMm + c.widthMm / 2)) + edgeMm
  const front = Math.max(...device.controls.map((c) => c.yMm + c.heightMm / 2)) + edgeMm
  device.widthMm = Math.min(1000, Math.max(device.widthMm, Math.ceil(right)))
  device.heightMm = Math.min(1000, Math.max(device.heightMm, Math.ceil(front)))
}

/** Along which line, or to which size, chosen controls are brought. */
export type Alignment =
  'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom' | 'across' | 'along' | 'size'

/** Brings controls into line with the first of them, spreads them evenly, or gives them its size. */
export const align = edit((plan: Plan, deviceId: string, ids: readonly string[], how: Alignment) => {
  const device = drawnDevice(plan, deviceId)
  const chosen = ids.flatMap((id) => device?.controls.find((c) => c.id === id) ?? [])
  const [first] = chosen
  if (!first || chosen.length < 2) return
  const spread = (axis: 'xMm' | 'yMm'): void => {
    const ordered = chosen.toSorted((a, b) => a[axis] - b[axis])
    const from = (ordered[0] as DrawnControl)[axis]
    const step = ((ordered.at(-1) as DrawnControl)[axis] - from) / (ordered.length - 1)
    ordered.forEach((c, i) => (c[axis] = from + i * step))
  }
  const x = first.xMm
  const y = first.yMm
  const { widthMm, heightMm } = first
  for (const c of chosen) {
    if (how === 'left') c.xMm = x - widthMm / 2 + c.widthMm / 2
    else if (how === 'centre') c.xMm = x
    else if (how === 'right') c.xMm = x + widthMm / 2 - c.widthMm / 2
    else if (how === 'top') c.yMm = y - heightMm / 2 + c.heightMm / 2
    else if (how === 'middle') c.yMm = y
    else if (how === 'bottom') c.yMm = y + heightMm / 2 - c.heightMm / 2
    else if (how === 'size') Object.assign(c, { widthMm, heightMm })
  }
  if (how === 'across') spread('xMm')
  if (how === 'along') spread('yMm')
})

/** How many directions the strokes of a field have. Strokes of directions that fall away stay, as ones that are lacking. */
export const setDirections = edit(
  (plan: Plan, deviceId: string, controlId: string, directions: 2 | 4 | 6 | 8 | 12) => {
    const control = drawnDevice(plan, deviceId)?.controls.find((c) => c.id === controlId)
    if (!control) return
    const before = control.directions ?? 8
    control.directions = directions
    for (const arrangement of plan.arrangements) {
      if (arrangement.isDefault) continue
      for (const p of arrangement.placements) {
        const t = p.trigger
        if (t.kind !== 'stroke' || controlRefOf(t) !== `${deviceId}/${controlId}` || t.of !== before) continue
        // directions that both counts have keep their commands
        const same = (t.direction * directions) / before
        if (Number.isInteger(same)) p.trigger = { ...t, direction: same, of: directions }
      }
    }
  },
)
