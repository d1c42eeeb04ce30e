import { table } from '../table.js'
import type { Command } from '../commands/index.js'
import { heldOf, controlRefOf, triggerKey, type Trigger } from '../triggers/index.js'
import type { MnemonicContext } from './context.js'
import type { Side } from './neighbours.js'
import type { Way } from './opposites.js'
import { ruleScores, type Link, type MnemonicScore } from './score.js'
import { isShiftPartner, onSpot, oppositeWay, toggleShift } from './trigger-partners.js'

/** Rules that link a command to single triggers, by what stands elsewhere. */
type PlaceRule = (command: Command, context: MnemonicContext) => readonly Link[]

export const oppositeWithShift: PlaceRule = (command, context) =>
  context.finder.oppositesOf(command).flatMap(({ command: other }) =>
    context.triggersOf(other.id).flatMap((there): Link[] => {
      const here = toggleShift(there)
      if (!isShiftPartner(here, there)) return []
      const how = heldOf(here).includes('Shift') ? 'with' : 'without'
      return [
        {
          to: triggerKey(here),
          score: ruleScores.opposite,
          reason: `Its opposite “${other.name}” is on the same key, this one ${how} Shift.`,
        },
      ]
    }),
  )

export const oppositeTurn: PlaceRule = (command, context) =>
  context.finder.oppositesOf(command).flatMap(({ command: other }) =>
    context.triggersOf(other.id).flatMap((there): Link[] => {
      const here = oppositeWay(there)
      if (!here) return []
      return [
        {
          to: triggerKey(here),
          score: ruleScores.opposite,
          reason: `Its opposite “${other.name}” is on the opposite ${there.kind === 'turn' ? 'turn' : 'direction'}.`,
        },
      ]
    }),
  )

/** Side on which the opposite lies, seen from this command. */
const sideOf = (axis: 'across' | 'along', isFirst: boolean): Side =>
  axis === 'across' ? (isFirst ? 'right' : 'left') : isFirst ? 'down' : 'up'

const opposed = { left: 'right', right: 'left', up: 'down', down: 'up' } as const
const sideWords = { left: 'to the right of', right: 'to the left of', up: 'below', down: 'above' } as const

/** Beside its opposite in the natural direction: left of, above, or as the person's pairs have it. */
export const sideBySide: PlaceRule = (command, context) =>
  context.finder.oppositesOf(command).flatMap(({ command: other, axis, isFirst }) => {
    if (axis === 'opposite') return []
    const side = sideOf(axis, isFirst)
    return context.triggersOf(other.id).flatMap((there): Link[] => {
      // the opposite lies on `side` of this one, so this one lies on the opposed side of it
      const beside = context.neighbours.get(controlRefOf(there) ?? '')?.[opposed[side]]
      const here = beside === undefined ? null : onSpot(there, beside)
      return here
        ? [
            {
              to: triggerKey(here),
              score: ruleScores.sideBySide,
              reason: `Lies ${sideWords[side]} its opposite “${other.name}”.`,
            },
          ]
        : []
    })
  })

const arrows = table<Side>({
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
})
const strokeSides: Readonly<Record<number, Side>> = { 0: 'up', 0.25: 'right', 0.5: 'down', 0.75: 'left' }

/** The side that a trigger leads to by itself: an arrow key, a turn, a stroke along an axis. */
export function sideOfTrigger(trigger: Trigger): Side | undefined {
  if (trigger.kind === 'turn') return trigger.turn
  if (trigger.kind === 'stroke') return strokeSides[trigger.direction / trigger.of]
  return 'code' in trigger ? arrows[trigger.code] : undefined
}

/** Left on the arrow to the left, more by turning a dial to the right, up by a stroke upwards. */
export function naturalWay(ways: readonly Way[], trigger: Trigger): MnemonicScore | undefined {
  const side = sideOfTrigger(trigger)
  const way =
    side &&
    ways.find(
      ({ axis, isFirst }) =>
        (axis === 'across' && side === (isFirst ? 'left' : 'right')) ||
        (axis === 'along' && side === (isFirst ? 'up' : 'down')),
    )
  return way && { score: ruleScores.naturalWay, reason: `“${way.word}” leads ${side}, as this does.` }
}

/** On the trigger of the same idea in another program. */
export const sameIdea: PlaceRule = (command, context) =>
  context.sameIdeas(command).flatMap((other) =>
    context.triggersOf(other.id).map((there) => ({
      to: triggerKey(there),
      score: ruleScores.sameIdea,
      reason: `“${other.name}” is on it in ${context.programName(other.programId)}.`,
    })),
  )

/** On the key that its standard action has on this system, which is known already. */
export const standardKey: PlaceRule = (command, context) =>
  context
    .standardKeysOf(command)
    .slice(0, 1)
    .map((there) => ({
      to: triggerKey(there),
      score: ruleScores.standardKey,
      reason: `The standard key for “${command.name}”.`,
    }))

export const placeRules: readonly PlaceRule[] = [
  standardKey,
  oppositeWithShift,
  oppositeTurn,
  sideBySide,
  sameIdea,
]
