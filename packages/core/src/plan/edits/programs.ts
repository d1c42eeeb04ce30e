import type { ProgramId } from '../../ids.js'
import type { Context, Program } from '../../commands/index.js'
import type { Chord } from '../../triggers/index.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { edit, editWith } from './edit.js'

/** Edits of programs and contexts. */
const programIn = (plan: Plan, id: string): Program | undefined => plan.programs.find((p) => p.id === id)
const contextIn = (plan: Plan, programId: ProgramId, id: string): Context | undefined =>
  programIn(plan, programId)?.contexts.find((c) => c.id === id)

/** Whether a name can be given: it is no blank, and no other of the list has it; capitals do not count. */
const isNameFree = (
  list: readonly { readonly id: string; readonly name: string }[],
  name: string,
  ownId?: string,
): boolean =>
  name.trim() !== '' &&
  !list.some((x) => x.id !== ownId && x.name.trim().toLowerCase() === name.trim().toLowerCase())

/** Adds a program with one context; a blank name, or one that there is, changes nothing. */
export const addProgram = editWith((plan: Plan, name: string) => {
  if (!isNameFree(plan.programs, name)) return
  const id = freshId(name, new Set(plan.programs.map((p) => p.id)))
  plan.programs.push({
    id,
    name,
    // as most programs do
    restsWhileTyping: true,
    contexts: [{ id: 'main', name: 'Main', typing: false, overlaps: [] }],
  })
})

/** Renames a program; a blank name, or that of another, changes nothing. */
export const renameProgram = edit((plan: Plan, id: string, name: string) => {
  const program = programIn(plan, id)
  if (program && isNameFree(plan.programs, name, id)) program.name = name.slice(0, 120)
})

/** Only a program without commands can be taken away. */
export const deleteProgram = edit((plan: Plan, id: string) => {
  if (plan.commands.some((c) => c.programId === id)) return
  plan.programs = plan.programs.filter((p) => p.id !== id)
  plan.routines = plan.routines.filter((r) => r.programId !== id)
  plan.rules.lockedProgramIds = plan.rules.lockedProgramIds.filter((x) => x !== id)
  if (plan.keyFiles) plan.keyFiles = plan.keyFiles.filter((f) => f.programId !== id)
  for (const device of plan.devices)
    if (device.kind === 'drawn')
      for (const page of device.pages) if (page.programId === id) delete page.programId
})

/** The key that opens the menus of a program, or null for none. */
export const setMenuChord = edit((plan: Plan, id: string, chord: Chord | null) => {
  const program = programIn(plan, id)
  if (!program) return
  if (chord) program.menuChord = { ...chord }
  else delete program.menuChord
})

/** Adds a context to a program; a blank name, or one that the program has, changes nothing. */
export const addContext = editWith((plan: Plan, programId: ProgramId, name: string) => {
  const program = programIn(plan, programId)
  if (!program || !isNameFree(program.contexts, name)) return
  const id = freshId(name, new Set(program.contexts.map((c) => c.id)))
  program.contexts.push({ id, name, typing: false, overlaps: [] })
})

/** Changes a context: name, where no other has it, whether text is typed, whether it is live everywhere. */
export const editContext = edit(
  (
    plan: Plan,
    programId: ProgramId,
    id: string,
    change: Partial<Pick<Context, 'name' | 'typing' | 'everywhere'>>,
  ) => {
    const context = contextIn(plan, programId, id)
    const { name, ...rest } = change
    if (!context) return
    Object.assign(context, rest)
    if (name !== undefined && isNameFree(programIn(plan, programId)?.contexts ?? [], name, id))
      context.name = name
    if (context.everywhere === false) delete context.everywhere
  },
)

/** Takes a context away; commands that lived there only are live in the contexts that are left. */
export const deleteContext = edit((plan: Plan, programId: ProgramId, id: string) => {
  const program = programIn(plan, programId)
  if (!program || program.contexts.length === 1) return
  program.contexts = program.contexts.filter((c) => c.id !== id)
  for (const context of program.contexts) context.overlaps = context.overlaps.filter((o) => o !== id)
  assignDrags(
    program,
    (program.drags ?? []).filter((d) => d.contextId !== id),
  )
  for (const command of plan.commands)
    if (command.programId === programId) command.contextIds = command.contextIds.filter((c) => c !== id)
  leaveContext(plan, programId, id)
})

/** Whether two contexts of a program can be live together. */
export const setOverlap = edit((plan: Plan, programId: ProgramId, a: string, b: string, on: boolean) => {
  const first = contextIn(plan, programId, a)
  const second = contextIn(plan, programId, b)
  if (!first || !second) return
  first.overlaps = first.overlaps.filter((id) => id !== b)
  second.overlaps = second.overlaps.filter((id) => id !== a)
  if (on) first.overlaps.push(b)
})

/** Where a program runs: by itself (null), in a web browser or in a terminal. */
export const setHost = edit((plan: Plan, id: string, host: Program['host'] | null) => {
  const program = programIn(plan, id)
  if (!program) return
  if (host) program.host = host
  else delete program.host
})

/** Habits of a program that are on or off; off where left out. */
export const programHabits = ['takesHostKeys', 'extendedKeys', 'restsWhileTyping', 'contextsTie'] as const
export type ProgramHabit = (typeof programHabits)[number]

const withoutHabit = (program: Program, habit: ProgramHabit): Program => {
  const { [habit]: _off, ...rest } = program
  return rest
}

/** Turns a habit of a program on or off. */
export const setHabit = edit((plan: Plan, id: string, habit: ProgramHabit, isOn: boolean) => {
  const program = programIn(plan, id)
  if (!program) return
  if (isOn) program[habit] = true
  else plan.programs = plan.programs.map((p) => (p.id === id ? withoutHabit(p, habit) : p))
})

/** Says whether a program leaves an act of the pointer free, such as `Control+wheel`. */
export const setFreed = edit((plan: Plan, id: string, act: string, isFree: boolean) => {
  const program = programIn(plan, id)
  if (!program) return
  const others = (program.frees ?? []).filter((a) => a !== act)
  const frees = isFree ? [...others, act] : others
  if (frees.length > 0) program.frees = frees
  else delete program.frees
})

/** Whether the shortcuts of a program follow the printed character or the key position. */
export const setBinds = edit((plan: Plan, id: string, binds: 'characters' | 'places') => {
  const program = programIn(plan, id)
  if (!program) return
  if (binds === 'characters') program.binds = binds
  else delete program.binds
})

/** What was placed for that context alone goes with it. */
function leaveContext(plan: Plan, programId: ProgramId, contextId: string): void {
  const own = new Set(plan.commands.filter((c) => c.programId === programId).map((c) => c.id))
  for (const arrangement of plan.arrangements)
    arrangement.placements = arrangement.placements.flatMap((placed) => {
      if (!own.has(placed.commandId) || placed.contextIds?.includes(contextId) !== true) return [placed]
      const contextIds = placed.contextIds.filter((c) => c !== contextId)
      return contextIds.length > 0 ? [{ ...placed, contextIds }] : []
    })
}

/** What drags do in a program, by context and modifier. */
export const setDrags = edit((plan: Plan, id: string, drags: NonNullable<Program['drags']>) => {
  const program = programIn(plan, id)
  if (program) assignDrags(program, drags)
})

function assignDrags(program: Program, drags: NonNullable<Program['drags']>): void {
  if (drags.length > 0) program.drags = drags
  else delete program.drags
}
