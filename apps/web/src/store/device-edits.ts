import {
  freshId,
  spotOf,
  triggerKey,
  type DrawnControl,
  type DrawnDevice,
  type Plan,
  type Trigger,
} from '@reach-plot/core'
import { mendRests } from './bench-edits.js'

/** Edits of a drawn device and of what stands on it, as recipes on an immer draft. */
const drawn = (plan: Plan, id: string): DrawnDevice | null => {
  const device = plan.devices.find((d) => d.id === id)
  return device?.kind === 'drawn' ? device : null
}

/** Changes some controls of a device. A new id, or one that goes away, moves the fingertips that rested there. */
export function editControls(
  plan: Plan,
  deviceId: string,
  ids: readonly string[],
  change: (control: DrawnControl) => void,
): void {
  const device = drawn(plan, deviceId)
  device?.controls.filter((c) => ids.includes(c.id)).forEach(change)
}

export function addControls(
  plan: Plan,
  deviceId: string,
  sample: Omit<DrawnControl, 'id' | 'name' | 'xMm' | 'yMm'>,
  at: { readonly xMm: number; readonly yMm: number },
  columns: number,
  rows: number,
  stepMm: number,
): string[] {
  const device = drawn(plan, deviceId)
  if (!device) return []
  const taken = new Set(device.controls.map((c) => c.id))
  const added: string[] = []
  for (let i = 0; i < columns * rows; i++) {
    const number = device.controls.length + 1
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
}

export function deleteControls(plan: Plan, deviceId: string, ids: readonly string[]): void {
  const device = drawn(plan, deviceId)
  if (!device || device.controls.length <= ids.length) return
  device.controls = device.controls.filter((c) => !ids.includes(c.id))
  for (const page of device.pages) page.opens = page.opens.filter((o) => !ids.includes(o.controlId))
  mendRests(plan)
}

/** The outline grows with its controls; it never shrinks by itself. */
export function growToFit(device: DrawnDevice): void {
  const edgeMm = 4
  const right = Math.max(...device.controls.map((c) => c.xMm + c.widthMm / 2)) + edgeMm
  const front = Math.max(...device.controls.map((c) => c.yMm + c.heightMm / 2)) + edgeMm
  device.widthMm = Math.min(1000, Math.max(device.widthMm, Math.ceil(right)))
  device.heightMm = Math.min(1000, Math.max(device.heightMm, Math.ceil(front)))
}

export type Alignment =
  'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom' | 'across' | 'along' | 'size'

/** Brings controls into line with the first of them, spreads them evenly, or gives them its size. */
export function align(plan: Plan, deviceId: string, ids: readonly string[], how: Alignment): void {
  const device = drawn(plan, deviceId)
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
}

/** Where triggers of a device go: another control of it or of another device, on a page or none. */
export interface Destination {
  readonly deviceId: string
  readonly pageId: string | undefined
  /** the controls there, in their order; the first is where the first of the chosen ones goes */
  readonly controlIds: readonly string[]
}

/** Triggers that can be copied: presses, holds and taps of buttons. */
const isButton = (t: Trigger): t is Extract<Trigger, { kind: 'button' }> => t.kind === 'button'

/**
 * Copies or moves what stands on some controls to others, one for one; what they send goes with them. Nothing that
 * stands there is lost: a trigger that the same program has already is left out and counted.
 * @returns how many went, and how many were left out
 */
export function carryButtons(
  plan: Plan,
  from: {
    readonly deviceId: string
    readonly pageId: string | undefined
    readonly controlIds: readonly string[]
  },
  to: Destination,
  move: boolean,
): { readonly done: number; readonly left: number } {
  const arrangement = plan.arrangements.find((a) => a.id === plan.activeArrangementId)
  if (!arrangement || arrangement.isDefault) return { done: 0, left: 0 }
  const programOf = new Map(plan.commands.map((c) => [c.id, c.programId]))
  const onPage = (t: Trigger): boolean =>
    isButton(t) &&
    t.deviceId === from.deviceId &&
    t.pageId === from.pageId &&
    from.controlIds.includes(t.controlId)
  const source = arrangement.placements.filter((p) => onPage(p.trigger))
  let done = 0
  let left = 0
  const gone = new Set<(typeof source)[number]>()
  for (const placement of source) {
    const trigger = placement.trigger as Extract<Trigger, { kind: 'button' }>
    const target = to.controlIds[from.controlIds.indexOf(trigger.controlId)]
    const { pageId: _page, withId, ...rest } = trigger
    // a control that is held with another is carried only where both are on the same device
    if (target === undefined || (withId !== undefined && to.deviceId !== from.deviceId)) {
      left++
      continue
    }
    const next: Trigger = {
      ...rest,
      deviceId: to.deviceId,
      controlId: target,
      ...(to.pageId !== undefined && { pageId: to.pageId }),
      ...(withId !== undefined && { withId }),
    }
    const taken = arrangement.placements.some(
      (p) =>
        !gone.has(p) &&
        triggerKey(p.trigger) === triggerKey(next) &&
        programOf.get(p.commandId) === programOf.get(placement.commandId),
    )
    if (taken) {
      left++
      continue
    }
    if (move) gone.add(placement)
    arrangement.placements.push({ ...placement, trigger: next })
    done++
  }
  arrangement.placements = arrangement.placements.filter((p) => !gone.has(p))
  return { done, left }
}

export function addPage(plan: Plan, deviceId: string, name: string): string | null {
  const device = drawn(plan, deviceId)
  if (!device) return null
  const id = freshId(name, new Set(device.pages.map((p) => p.id)))
  device.pages.push({ id, name, opens: [] })
  // what stood on the device without pages stands on the first page now
  if (device.pages.length === 1)
    for (const arrangement of plan.arrangements)
      for (const p of arrangement.placements)
        if ((p.trigger.kind === 'button' || p.trigger.kind === 'turn') && p.trigger.deviceId === deviceId)
          p.trigger = { ...p.trigger, pageId: id }
  return id
}

/** Takes a page away with what stands on it in every arrangement that can be edited. */
export function deletePage(plan: Plan, deviceId: string, pageId: string): void {
  const device = drawn(plan, deviceId)
  if (!device) return
  device.pages = device.pages.filter((p) => p.id !== pageId)
  for (const page of device.pages) page.opens = page.opens.filter((o) => o.pageId !== pageId)
  for (const arrangement of plan.arrangements)
    if (!arrangement.isDefault)
      arrangement.placements = arrangement.placements.filter(
        ({ trigger }) => !('pageId' in trigger && trigger.deviceId === deviceId && trigger.pageId === pageId),
      )
}

/** Makes a control open a page, go back (null), or carry commands again (undefined). */
export function setOpens(
  plan: Plan,
  deviceId: string,
  pageId: string,
  controlId: string,
  to: string | null | undefined,
): void {
  const page = drawn(plan, deviceId)?.pages.find((p) => p.id === pageId)
  if (!page) return
  page.opens = page.opens.filter((o) => o.controlId !== controlId)
  if (to !== undefined) page.opens.push({ controlId, pageId: to })
}

/** How many directions the strokes of a field have. Strokes of directions that fall away stay, as ones that are lacking. */
export function setDirections(
  plan: Plan,
  deviceId: string,
  controlId: string,
  directions: 2 | 4 | 6 | 8 | 12,
): void {
  const control = drawn(plan, deviceId)?.controls.find((c) => c.id === controlId)
  if (!control) return
  const before = control.directions ?? 8
  control.directions = directions
  for (const arrangement of plan.arrangements) {
    if (arrangement.isDefault) continue
    for (const p of arrangement.placements) {
      const t = p.trigger
      if (t.kind !== 'stroke' || spotOf(t) !== `${deviceId}/${controlId}` || t.of !== before) continue
      // directions that both counts have keep their commands
      const same = (t.direction * directions) / before
      if (Number.isInteger(same)) p.trigger = { ...t, direction: same, of: directions }
    }
  }
}
