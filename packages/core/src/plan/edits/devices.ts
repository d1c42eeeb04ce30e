import {
  boardName,
  deviceFromModel,
  splitControlRef,
  type BoardDevice,
  type BoardId,
  type Device,
  type DeviceModel,
  type DrawnDevice,
} from '../../bench/index.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { deviceOf, idsOf, isNeeded, putOnBenchIn, structuredCopy } from './benches.js'
import { edit, editWith } from './edit.js'

/** Adds a device of the catalogue to the plan and puts it on the bench; gives back its id. */
export const addModel = editWith((plan: Plan, model: DeviceModel): string => {
  const id = freshId(model.id, idsOf(plan.devices))
  const same = plan.devices.filter((d) => d.name === model.name || d.name.startsWith(`${model.name} `)).length
  plan.devices.push(deviceFromModel(model, id, same > 0 ? `${model.name} ${same + 1}` : model.name))
  putOnBenchIn(plan, id)
  return id
})

/** Adds a keyboard of the catalogue and puts it on the bench; gives back its id. */
export const addBoard = editWith((plan: Plan, board: BoardId): string => {
  const id = freshId(board, idsOf(plan.devices))
  const name = boardName(board)
  plan.devices.push({ id, name, kind: 'board', board, bottomRow: 'windows' })
  putOnBenchIn(plan, id)
  return id
})

/** Adds a device that is there already, such as one that was imported; its id is made new where it is taken. */
export const addDevice = editWith(addDeviceIn)

function addDeviceIn(plan: Plan, device: Device): string {
  const id = freshId(device.id, idsOf(plan.devices))
  plan.devices.push({ ...device, id })
  putOnBenchIn(plan, id)
  return id
}

/** Copies a device of the plan and puts the copy on the bench; gives back its id, or null where there is none. */
export const copyDevice = editWith((plan: Plan, id: string): string | null => {
  const device = deviceOf(plan, id)
  return device ? addDeviceIn(plan, { ...structuredCopy(device), name: `${device.name}, copy` }) : null
})

/** Takes a device out of the plan, off all benches. Triggers on it stay in the arrangements, as ones that are lacking. */
export const deleteDevice = edit((plan: Plan, id: string) => {
  if (plan.benches.some((b) => b.devices.some((d) => d.deviceId === id) && isNeeded(b, id))) return
  plan.devices = plan.devices.filter((d) => d.id !== id)
  for (const bench of plan.benches) bench.devices = bench.devices.filter((d) => d.deviceId !== id)
  // another device may get its id
  plan.labels.keys = plan.labels.keys.filter((key) => splitControlRef(key.controlId).deviceId !== id)
})

/** What of a device can be changed, whatever its kind; each kind takes what it has. */
export type DeviceChange = Partial<
  Pick<BoardDevice, 'name' | 'board' | 'bottomRow' | 'functionKeys' | 'force'>
> &
  Partial<Pick<DrawnDevice, 'widthMm' | 'heightMm' | 'form' | 'isSetByProgram'>>

const fieldsOf = {
  board: ['name', 'board', 'bottomRow', 'functionKeys', 'force'],
  drawn: ['name', 'widthMm', 'heightMm', 'form', 'isSetByProgram', 'functionKeys', 'force'],
} as const

/** Changes a device; fields that its kind does not have are passed over. */
export const editDevice = edit((plan: Plan, id: string, change: DeviceChange) => {
  const device = deviceOf(plan, id)
  if (!device) return
  for (const field of fieldsOf[device.kind])
    if (change[field] !== undefined) Reflect.set(device, field, change[field])
})
