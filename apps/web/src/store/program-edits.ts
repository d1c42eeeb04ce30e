import { freshId, type Chord, type Context, type Plan, type Program } from '@reach-plot/core'

/** Edits of programs and contexts, as recipes on an immer draft. */
const programIn = (plan: Plan, id: string): Program | undefined => plan.programs.find((p) => p.id === id)
const contextIn = (plan: Plan, programId: string, id: string): Context | undefined =>
  programIn(plan, programId)?.contexts.find((c) => c.id === id)

export function addProgram(plan: Plan, name: string): void {
  const id = freshId(name, new Set(plan.programs.map((p) => p.id)))
  plan.programs.push({ id, name, contexts: [{ id: 'main', name: 'Main', typing: false, overlaps: [] }] })
}

export function renameProgram(plan: Plan, id: string, name: string): void {
  const program = programIn(plan, id)
  if (program && name.trim() !== '') program.name = name.slice(0, 120)
}

/** Only a program without commands can be taken away. */
export function deleteProgram(plan: Plan, id: string): void {
  if (plan.commands.some((c) => c.programId === id)) return
  plan.programs = plan.programs.filter((p) => p.id !== id)
  plan.routines = plan.routines.filter((r) => r.programId !== id)
  plan.rules.keptProgramIds = plan.rules.keptProgramIds.filter((x) => x !== id)
  for (const device of plan.devices)
    if (device.kind === 'drawn')
      for (const page of device.pages) if (page.programId === id) delete page.programId
}

export function setMenuChord(plan: Plan, id: string, chord: Chord | null): void {
  const program = programIn(plan, id)
  if (!program) return
  if (chord) program.menuChord = { ...chord }
  else delete program.menuChord
}

export function addContext(plan: Plan, programId: string, name: string): void {
  const program = programIn(plan, programId)
  if (!program) return
  const id = freshId(name, new Set(program.contexts.map((c) => c.id)))
  program.contexts.push({ id, name, typing: false, overlaps: [] })
}

export function editContext(
  plan: Plan,
  programId: string,
  id: string,
  change: Partial<Pick<Context, 'name' | 'typing' | 'everywhere'>>,
): void {
  const context = contextIn(plan, programId, id)
  if (context) Object.assign(context, change)
  if (context?.everywhere === false) delete context.everywhere
}

/** Takes a context away; commands that lived there only are live in the contexts that are left. */
export function deleteContext(plan: Plan, programId: string, id: string): void {
  const program = programIn(plan, programId)
  if (!program || program.contexts.length === 1) return
  program.contexts = program.contexts.filter((c) => c.id !== id)
  for (const context of program.contexts) context.overlaps = context.overlaps.filter((o) => o !== id)
  setDrags(
    plan,
    programId,
    (program.drags ?? []).filter((d) => d.contextId !== id),
  )
  for (const command of plan.commands)
    if (command.programId === programId) command.contextIds = command.contextIds.filter((c) => c !== id)
}

export function setOverlap(plan: Plan, programId: string, a: string, b: string, on: boolean): void {
  const first = contextIn(plan, programId, a)
  const second = contextIn(plan, programId, b)
  if (!first || !second) return
  first.overlaps = first.overlaps.filter((id) => id !== b)
  second.overlaps = second.overlaps.filter((id) => id !== a)
  if (on) first.overlaps.push(b)
}

/** Whether the program runs in a browser, and whether it binds characters or places. */
export function setHost(plan: Plan, id: string, inBrowser: boolean): void {
  const program = programIn(plan, id)
  if (!program) return
  if (inBrowser) program.host = 'browser'
  else delete program.host
}

export function setBinds(plan: Plan, id: string, binds: 'characters' | 'places'): void {
  const program = programIn(plan, id)
  if (!program) return
  if (binds === 'characters') program.binds = binds
  else delete program.binds
}

export function setDrags(plan: Plan, id: string, drags: NonNullable<Program['drags']>): void {
  const program = programIn(plan, id)
  if (!program) return
  if (drags.length > 0) program.drags = drags
  else delete program.drags
}
