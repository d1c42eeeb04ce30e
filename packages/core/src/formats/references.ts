import { CoreError } from '../errors.js'
import type { Arrangement, Plan } from '../plan/index.js'
import { deviceControls, type Device } from '../bench/index.js'

type Where = readonly (string | number)[]
type Fail = (where: Where, what: string) => never

/** Ids of one part of the plan; fails when one of them stands twice. */
function idsOf(part: readonly { readonly id: string }[], where: Where, fail: Fail): ReadonlySet<string> {
  const ids = new Set<string>()
  part.forEach(({ id }, i) => {
    if (ids.has(id)) fail([...where, i, 'id'], `the id "${id}" stands twice`)
    ids.add(id)
  })
  return ids
}

/**
 * Every id that one part of the plan uses must be defined, once, by another.
 * @throws CoreError `PLAN_DANGLING`
 */
export function checkReferences(plan: Plan, fileName: string): void {
  const fail: Fail = (where, what) => {
    throw new CoreError('PLAN_DANGLING', {
      where: [fileName, ...where],
      what,
      remedy: 'add what is missing or correct the id',
    })
  }
  checkBenches(plan, fail)
  plan.devices.forEach((device, i) => checkDevice(device, i, fail))
  const contexts = checkPrograms(plan, fail)
  checkKeyFiles(plan, contexts, fail)
  const commands = checkCommands(plan, contexts, fail)
  checkNotes(plan, commands, new Set(contexts.keys()), fail)
  checkArrangements(plan, commands, contexts, fail)
}

function checkBenches(plan: Plan, fail: Fail): void {
  const devices = idsOf(plan.devices, ['devices'], fail)
  const benches = idsOf(plan.benches, ['benches'], fail)
  plan.benches.forEach((bench, i) => {
    bench.devices.forEach((d, j) => {
      if (!devices.has(d.deviceId)) fail(['benches', i, 'devices', j], `there is no device "${d.deviceId}"`)
    })
    bench.hands.forEach((h, j) => {
      if (!bench.devices.some((d) => d.deviceId === h.deviceId))
        fail(['benches', i, 'hands', j], `device "${h.deviceId}" is not on this bench`)
    })
  })
  if (!benches.has(plan.activeBenchId)) fail(['activeBenchId'], `there is no bench "${plan.activeBenchId}"`)
}

function checkDevice(device: Device, i: number, fail: Fail): void {
  const controls = new Set(deviceControls(device).map((c) => c.id))
  const control = (id: string, where: Where): void => {
    if (!controls.has(id)) fail(['devices', i, ...where], `there is no control "${id}"`)
  }
  device.layers?.forEach((layer, j) => {
    for (const { controlId } of layer.openedBy) control(controlId, ['layers', j, 'openedBy'])
    for (const { controlId } of layer.keys) control(controlId, ['layers', j, 'keys'])
  })
  device.tapHolds?.forEach((tapHold, j) => control(tapHold.controlId, ['tapHolds', j]))
  if (device.kind !== 'drawn') return
  idsOf(device.controls, ['devices', i, 'controls'], fail)
  const pages = idsOf(device.pages, ['devices', i, 'pages'], fail)
  device.pages.forEach((page, j) => {
    for (const { controlId, pageId } of page.opens) {
      control(controlId, ['pages', j, 'opens'])
      if (pageId !== null && !pages.has(pageId))
        fail(['devices', i, 'pages', j, 'opens'], `there is no page "${pageId}"`)
    }
  })
}

/** Contexts by program id. */
type Contexts = ReadonlyMap<string, ReadonlySet<string>>

function checkPrograms(plan: Plan, fail: Fail): Contexts {
  idsOf(plan.programs, ['programs'], fail)
  const contexts = new Map(
    plan.programs.map((p, i) => [p.id, idsOf(p.contexts, ['programs', i, 'contexts'], fail)]),
  )
  plan.programs.forEach((program, i) => {
    const known = contexts.get(program.id)
    const context = (id: string, where: Where): void => {
      if (known?.has(id) !== true)
        fail(['programs', i, ...where], `there is no context "${id}" in ${program.name}`)
    }
    program.contexts.forEach((c, j) => {
      for (const id of c.overlaps) context(id, ['contexts', j, 'overlaps'])
    })
    program.drags?.forEach((drag, j) => {
      if (drag.contextId !== null) context(drag.contextId, ['drags', j])
    })
  })
  return contexts
}

function checkKeyFiles(plan: Plan, programs: Contexts, fail: Fail): void {
  plan.keyFiles?.forEach(({ programId }, i) => {
    if (!programs.has(programId)) fail(['keyFiles', i, 'programId'], `there is no program "${programId}"`)
  })
  idsOf(plan.keyFiles ?? [], ['keyFiles'], fail)
}

function checkCommands(plan: Plan, contexts: Contexts, fail: Fail): ReadonlySet<string> {
  const commands = idsOf(plan.commands, ['commands'], fail)
  plan.commands.forEach((command, i) => {
    const known = contexts.get(command.programId)
    if (!known) return fail(['commands', i, 'programId'], `there is no program "${command.programId}"`)
    const stray = command.contextIds.find((id) => !known.has(id))
    if (stray !== undefined)
      fail(['commands', i, 'contextIds'], `there is no context "${stray}" in that program`)
    if (command.oppositeId !== undefined && !commands.has(command.oppositeId))
      fail(['commands', i, 'oppositeId'], `there is no command "${command.oppositeId}"`)
    const strange = command.siblingIds?.find((id) => !commands.has(id))
    if (strange !== undefined) fail(['commands', i, 'siblingIds'], `there is no command "${strange}"`)
  })
  return commands
}

/** What the person notes about commands and programs: rules, ideas, routines. */
function checkNotes(
  plan: Plan,
  commands: ReadonlySet<string>,
  programs: ReadonlySet<string>,
  fail: Fail,
): void {
  const known = (ids: readonly string[], of: ReadonlySet<string>, where: Where): void => {
    const stray = ids.find((id) => !of.has(id))
    if (stray !== undefined) fail(where, `there is no "${stray}"`)
  }
  known(plan.rules.lockedCommandIds, commands, ['rules', 'lockedCommandIds'])
  known(plan.rules.lockedProgramIds, programs, ['rules', 'lockedProgramIds'])
  known(plan.memory.sameIdeas.flat(), commands, ['memory', 'sameIdeas'])
  known(plan.memory.otherIdeas.flat(), commands, ['memory', 'otherIdeas'])
  idsOf(plan.routines, ['routines'], fail)
  plan.routines.forEach((routine, i) => {
    routine.steps.forEach((step, j) => {
      if (step.kind === 'command' && !commands.has(step.commandId))
        fail(['routines', i, 'steps', j], `there is no command "${step.commandId}"`)
    })
  })
}

function checkArrangements(plan: Plan, commands: ReadonlySet<string>, contexts: Contexts, fail: Fail): void {
  const arrangements = idsOf(plan.arrangements, ['arrangements'], fail)
  const programOf = new Map(plan.commands.map((c) => [c.id, c.programId]))
  const benches = new Set(plan.benches.map((b) => b.id))
  plan.arrangements.forEach((arrangement, i) => {
    idsOf(arrangement.popups, ['arrangements', i, 'popups'], fail)
    arrangement.placements.forEach((placed, j) => {
      const where = ['arrangements', i, 'placements', j]
      checkPlacement(placed, commands, contexts.get(programOf.get(placed.commandId) ?? ''), where, fail)
      if (placed.benchId !== undefined && !benches.has(placed.benchId))
        fail([...where, 'benchId'], `there is no bench "${placed.benchId}"`)
    })
  })
  for (const field of ['activeArrangementId', 'setNowArrangementId'] as const) {
    const id = plan[field]
    if (id !== null && !arrangements.has(id)) fail([field], `there is no arrangement "${id}"`)
  }
}

function checkPlacement(
  { commandId, then = [], contextIds = [] }: Arrangement['placements'][number],
  commands: ReadonlySet<string>,
  contexts: ReadonlySet<string> | undefined,
  where: Where,
  fail: Fail,
): void {
  const missing = [commandId, ...then].find((id) => !commands.has(id))
  if (missing !== undefined) fail(where, `there is no command "${missing}"`)
  const stray = contextIds.find((id) => contexts?.has(id) !== true)
  if (stray !== undefined) fail([...where, 'contextIds'], `there is no context "${stray}" in that program`)
}
