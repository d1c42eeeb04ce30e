import {
  activeArrangement,
  activeBench,
  benchCandidates,
  chordTable,
  isModifier,
  modifierSets,
  pageFor,
  reachIn,
  reachSituation,
  surroundings,
  surveyPlaces,
  type BenchSurroundings,
  type Candidate,
  type ChordTable,
  type Command,
  type Modifier,
  type Plan,
  type PlaceSurvey,
  type ReachAt,
} from '@reach-plot/core'
import { catalogues, usageError } from './io.js'

/** What the verbs about places ask: the active arrangement over the active bench. */
export interface Desk {
  readonly around: BenchSurroundings
  readonly survey: PlaceSurvey
  readonly table: ChordTable
  readonly reachAt: ReachAt
  /** every trigger for a command of a program */
  candidatesFor(programId: string, held?: readonly Modifier[]): Candidate[]
}

/** Sets of more modifiers than this are only looked at when they are asked for. */
const mostHeld = 2

export function deskOf(plan: Plan): Desk {
  const around = surroundings(plan, catalogues)
  const survey = surveyPlaces(activeArrangement(plan).placements, around)
  const table = chordTable(reachSituation(activeBench(plan), plan.devices, around.layout.altGraph))
  return {
    around,
    survey,
    table,
    reachAt: reachIn(table),
    candidatesFor: (programId, held) =>
      benchCandidates(survey, held ? [held] : modifierSets(around.layout.altGraph, mostHeld), (id) =>
        pageFor(id, programId, around),
      ),
  }
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
