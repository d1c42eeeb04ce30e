import { CoreError } from '../errors.js'
import { migrate, planSchema, planVersion, type Plan } from '../plan/index.js'

/** Largest plan file that is read, in bytes: hundreds of times the demo's. */
export const maxPlanBytes = 20_000_000

/** @throws CoreError `FILE_TOO_LARGE` when a file of `bytes` is more than `limit`; call it before reading the file */
export function checkFileSize(bytes: number, limit: number, fileName: string): void {
  if (bytes <= limit) return
  throw new CoreError('FILE_TOO_LARGE', {
    where: [fileName],
    what: `the file has ${(bytes / 1e6).toFixed(1)} MB; at most ${limit / 1e6} MB are read`,
    mend: 'check that it is the right file, or split it',
  })
}

/**
 * Reads a plan file. Nothing is taken from a file that has any fault.
 * @throws CoreError `PLAN_EMPTY`, `PLAN_NOT_JSON`, `PLAN_NOT_A_PLAN`, `PLAN_VERSION`, `PLAN_INVALID`, `PLAN_DANGLING`
 */
export function readPlan(text: string, fileName = 'plan file'): Plan {
  if (text.trim() === '') {
    throw new CoreError('PLAN_EMPTY', {
      where: [fileName],
      what: 'the file is empty',
      mend: 'choose a file that Reach Plot has exported',
    })
  }
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch (error) {
    throw new CoreError('PLAN_NOT_JSON', {
      where: [fileName],
      what: `the file is not JSON (${(error as Error).message})`,
      mend: 'choose a .reachplot.json file, or mend the place that is named',
    })
  }
  const head = raw as { format?: unknown; version?: unknown } | null
  if (typeof raw !== 'object' || head === null || head.format !== 'reachplot-plan') {
    throw new CoreError('PLAN_NOT_A_PLAN', {
      where: [fileName, 'format'],
      what: 'this is JSON, but not a plan',
      mend: 'choose a file whose "format" is "reachplot-plan"',
    })
  }
  const migrated = migrate(raw as Record<string, unknown>)
  if (migrated['version'] !== planVersion) {
    throw new CoreError('PLAN_VERSION', {
      where: [fileName, 'version'],
      what: `the plan has version ${JSON.stringify(head.version)}; this program reads up to version ${planVersion}`,
      mend: 'open it with the version of Reach Plot that wrote it, or update this one',
    })
  }
  const parsed = planSchema.safeParse(migrated)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    const more = parsed.error.issues.length - 1
    throw new CoreError('PLAN_INVALID', {
      where: [fileName, ...(issue?.path ?? []).map((p) => (typeof p === 'symbol' ? String(p) : p))],
      what: `${issue?.message ?? 'not valid'}${more > 0 ? `, and ${more} more fault${more > 1 ? 's' : ''}` : ''}`,
      mend: 'mend the field, or export the plan again; `reach-plot schema` prints what each field holds',
    })
  }
  checkReferences(parsed.data, fileName)
  return parsed.data
}

/** A plan as the text of its file; `readPlan` gives an equal plan back. */
export const writePlan = (plan: Plan): string => `${JSON.stringify(plan, null, 1)}\n`

/** Every id that one part of the plan uses must be defined, once, by another. */
function checkReferences(plan: Plan, fileName: string): void {
  const fail = (where: readonly (string | number)[], what: string): never => {
    throw new CoreError('PLAN_DANGLING', {
      where: [fileName, ...where],
      what,
      mend: 'add what is missing or correct the id',
    })
  }
  const idsOf = (part: readonly { readonly id: string }[], name: string): Set<string> => {
    const ids = new Set<string>()
    part.forEach(({ id }, i) => {
      if (ids.has(id)) fail([name, i, 'id'], `the id "${id}" stands twice`)
      ids.add(id)
    })
    return ids
  }
  const devices = idsOf(plan.devices, 'devices')
  const benches = idsOf(plan.benches, 'benches')
  idsOf(plan.programs, 'programs')
  const commands = idsOf(plan.commands, 'commands')
  const arrangements = idsOf(plan.arrangements, 'arrangements')
  const contexts = new Map(
    plan.programs.map((p, i) => [p.id, idsOf(p.contexts, `programs › ${i} › contexts`)]),
  )
  plan.benches.forEach((bench, i) => {
    bench.devices.forEach((d, j) => {
      if (!devices.has(d.deviceId)) fail(['benches', i, 'devices', j], `there is no device "${d.deviceId}"`)
    })
    bench.hands.forEach((h, j) => {
      if (!bench.devices.some((d) => d.deviceId === h.deviceId))
        fail(['benches', i, 'hands', j], `device "${h.deviceId}" is not on this bench`)
    })
  })
  plan.devices.forEach((device, i) => {
    if (device.kind !== 'drawn') return
    const controls = idsOf(device.controls, `devices › ${i} › controls`)
    const pages = idsOf(device.pages, `devices › ${i} › pages`)
    device.pages.forEach((page, j) => {
      for (const opens of page.opens) {
        if (!controls.has(opens.controlId))
          fail(['devices', i, 'pages', j, 'opens'], `there is no control "${opens.controlId}"`)
        if (opens.pageId !== null && !pages.has(opens.pageId))
          fail(['devices', i, 'pages', j, 'opens'], `there is no page "${opens.pageId}"`)
      }
    })
  })
  plan.programs.forEach((program, i) => {
    program.contexts.forEach((c, j) => {
      const stray = c.overlaps.find((id) => !contexts.get(program.id)?.has(id))
      if (stray !== undefined)
        fail(['programs', i, 'contexts', j, 'overlaps'], `there is no context "${stray}" in ${program.name}`)
    })
    program.drags?.forEach((drag, j) => {
      if (drag.contextId !== null && !contexts.get(program.id)?.has(drag.contextId))
        fail(['programs', i, 'drags', j], `there is no context "${drag.contextId}" in ${program.name}`)
    })
  })
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
  const known = (ids: readonly string[], of: ReadonlySet<string>, where: readonly string[]): void => {
    const stray = ids.find((id) => !of.has(id))
    if (stray !== undefined) fail(where, `there is no "${stray}"`)
  }
  known(plan.rules.keptCommandIds, commands, ['rules', 'keptCommandIds'])
  known(plan.rules.keptProgramIds, new Set(contexts.keys()), ['rules', 'keptProgramIds'])
  known(plan.memory.sameIdeas.flat(), commands, ['memory', 'sameIdeas'])
  known(plan.memory.otherIdeas.flat(), commands, ['memory', 'otherIdeas'])
  idsOf(plan.routines, 'routines')
  plan.routines.forEach((routine, i) => {
    routine.steps.forEach((step, j) => {
      if (step.kind === 'command' && !commands.has(step.commandId))
        fail(['routines', i, 'steps', j], `there is no command "${step.commandId}"`)
    })
  })
  plan.arrangements.forEach((arrangement, i) => {
    idsOf(arrangement.popups, `arrangements › ${i} › popups`)
    arrangement.placements.forEach((p, j) => {
      if (!commands.has(p.commandId))
        fail(['arrangements', i, 'placements', j], `there is no command "${p.commandId}"`)
    })
  })
  if (!benches.has(plan.activeBenchId)) fail(['activeBenchId'], `there is no bench "${plan.activeBenchId}"`)
  if (!arrangements.has(plan.activeArrangementId))
    fail(['activeArrangementId'], `there is no arrangement "${plan.activeArrangementId}"`)
}
