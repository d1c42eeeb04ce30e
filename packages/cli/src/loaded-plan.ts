import {
  arrangementSetNow,
  benchCandidates,
  isModifier,
  proposedSets,
  pageFor,
  prepare,
  type Arrangement,
  type Candidate,
  type Command,
  type Modifier,
  type Plan,
  type PreparedModel,
  type ProgramId,
} from '@reach-plot/core'
import { catalogues, loadPlan, usageError } from './io.js'
import { text } from './verb.js'

/** A plan file that a verb works on, prepared. */
export interface LoadedPlan {
  readonly plan: Plan
  readonly model: PreparedModel
  /** every trigger for a command of a program */
  candidatesFor(programId: ProgramId, held?: readonly Modifier[]): Candidate[]
}

/** @param arrangementId  the one to work on; the one in front where left out */
export function openPlan(path: string | undefined, arrangementId?: string): LoadedPlan {
  return loadedPlan(loadPlan(path), arrangementId)
}

export function loadedPlan(plan: Plan, arrangementId?: string): LoadedPlan {
  const model = prepare(plan, catalogues, {
    ...(arrangementId !== undefined && { arrangement: arrangementOf(plan, arrangementId) }),
  })
  const { env, index } = model
  return {
    plan,
    model,
    candidatesFor: (programId, held) =>
      benchCandidates(index, held ? [held] : proposedSets(env.layout.altGraph), (id) =>
        pageFor(id, programId, env),
      ),
  }
}

export const arrangementOf = (plan: Plan, id: string): Arrangement =>
  known(plan.arrangements, id, 'arrangement')

/** Options of verbs that go from one arrangement to another. */
export const betweenOptions = {
  from: text(
    'ARRANGEMENT',
    'what is in use now, by id or name; what is set now, or the defaults, where left out',
  ),
  to: text('ARRANGEMENT', 'where it goes; the one in front, where left out'),
} as const

/** The two arrangements of such a verb, prepared. */
export function betweenArrangements(
  plan: Plan,
  options: { readonly from: string | undefined; readonly to: string | undefined },
): { readonly from: PreparedModel; readonly to: PreparedModel } {
  const start = options.from === undefined ? arrangementSetNow(plan) : arrangementOf(plan, options.from)
  const from = prepare(plan, catalogues, { arrangement: start })
  return { from, to: from.withArrangement(arrangementOf(plan, options.to ?? plan.activeArrangementId)) }
}

/** What of a list has this id, or this name. */
export function known<T extends { readonly id: string; readonly name: string }>(
  list: readonly T[],
  id: string,
  what: string,
): T {
  const found = named(list, id)
  if (found) return found
  throw usageError(
    `there is no ${what} "${id.slice(0, 40)}"`,
    `choose one of ${list.map((x) => x.id).join(', ')}`,
  )
}

/** What of a list has this id or name; capitals do not count. */
export function named<T extends { readonly id: string; readonly name: string }>(
  list: readonly T[],
  wanted: string,
): T | undefined {
  return list.find((x) => x.id === wanted) ?? list.find((x) => x.name.toLowerCase() === wanted.toLowerCase())
}

export function commandOf(plan: Plan, wanted: string | undefined, option = 'command'): Command {
  const found = plan.commands.filter((c) => c.id === wanted || c.name.toLowerCase() === wanted?.toLowerCase())
  const [command] = found
  if (command && found.length === 1) return command
  throw usageError(
    command
      ? `${found.length} commands are called "${wanted}"`
      : `there is no command "${wanted ?? ''}" for --${option}`,
    command ? `give the id: ${found.map((c) => c.id).join(', ')}` : 'give its name or id',
  )
}

/** `Control+Shift`, or `none`; undefined when the option is not given. */
export function modifiersOf(given: string | undefined): Modifier[] | undefined {
  if (given === undefined) return undefined
  const words = given === 'none' ? [] : given.split('+').filter(Boolean)
  const held = words.filter(isModifier)
  if (held.length !== words.length)
    throw usageError(`--modifiers "${given}" is not known`, 'join Control, Shift, Alt, AltGraph, Meta by +')
  return held
}
