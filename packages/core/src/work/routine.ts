import type { CommandId } from '../ids.js'
import type { HandSide } from '../bench/index.js'
import type { Command } from '../commands/index.js'
import type { Trigger } from '../triggers/index.js'
import type { RoutineStep } from '../usage/index.js'
import { simulateHands, type Hands } from './hands.js'
import type { PressNote, Workplace } from './workplace.js'
import type { Operator } from './operators.js'

/** Who works where, and what the commands are worked by. */
export interface WorkContext {
  readonly place: Workplace
  readonly side: HandSide
  readonly commands: ReadonlyMap<string, Command>
  /** triggers that reach the command; none when it goes through the menu */
  triggersOf(commandId: CommandId): readonly Trigger[]
}

/** An operator with the step that it belongs to; the way back at the end belongs to none. */
export type StepOperator = Operator & { readonly step: number | null }

/** How a command was given: by a key or button, by the pointing hand on its device, or through the menu. */
export type Way = 'key' | 'pointer' | 'menu'

/** Steps timed by operators, ms in total and of each. */
export interface TimedWork {
  readonly ms: number
  readonly operators: readonly StepOperator[]
  readonly presses: readonly PressNote[]
  readonly trips: number
  /** by step: how a command was given, and with what; null for other steps */
  readonly ways: readonly ({ readonly way: Way; readonly trigger: Trigger | null } | null)[]
}

/** Menu levels of a command that is in no menu. Assumed. */
const unknownLevels = ['a menu', 'its entry'] as const

/** Levels of the menu that a command is found under, its own entry last. */
export const menuLevels = (command: Pick<Command, 'menu'>): readonly string[] =>
  command.menu.length > 0 ? command.menu : unknownLevels

type Choice = Trigger | 'menu' | null

/**
 * Times steps of work by the state of two hands, from rest until both are back. Of several triggers of a command each
 * use takes the one that ends soonest, and the menu where there is none: no M is spent on a key that is known by heart
 * (rules 1 and 2 of the keystroke-level model), and one on each level of a menu.
 */
export function timeWork(steps: readonly RoutineStep[], context: WorkContext): TimedWork {
  const choices: Choice[] = []
  for (const [at, step] of steps.entries()) {
    if (step.kind !== 'command') {
      choices.push(null)
      continue
    }
    const offered = context.triggersOf(step.commandId)
    let best: Choice = 'menu'
    if (offered.length === 1) best = offered[0] as Trigger
    else {
      let least = Infinity
      for (const trigger of offered) {
        const run = work(steps.slice(0, at + 1), [...choices, trigger], context)
        const ms = run.failed ? Infinity : total(run.hands.operators)
        if (ms < least) {
          least = ms
          best = trigger
        }
      }
    }
    choices.push(best)
  }
  const { hands, stepOf, made } = work(steps, choices, context)
  return {
    ms: total(hands.operators),
    operators: hands.operators.map((operator, i) => ({ ...operator, step: stepOf[i] ?? null })),
    presses: hands.presses,
    trips: hands.trips,
    ways: made.map((choice) =>
      choice === null
        ? null
        : choice === 'menu'
          ? { way: 'menu', trigger: null }
          : { way: isPointed(choice, context) ? 'pointer' : 'key', trigger: choice },
    ),
  }
}

const total = (operators: readonly Operator[]): number => operators.reduce((sum, o) => sum + o.ms, 0)

const isPointed = (trigger: Trigger, { place }: WorkContext): boolean =>
  'deviceId' in trigger && place.reachContext.acquireMs(trigger.deviceId) !== null

interface Run {
  readonly hands: Hands
  readonly stepOf: readonly number[]
  /** what each command was given by in the end: a trigger that cannot be made goes through the menu */
  readonly made: readonly Choice[]
  /** the last trigger could not be made */
  readonly failed: boolean
}

function work(steps: readonly RoutineStep[], choices: readonly Choice[], context: WorkContext): Run {
  const hands = simulateHands(context.place, context.side)
  const stepOf: number[] = []
  const made: Choice[] = []
  let failed = false
  steps.forEach((step, i) => {
    let choice = choices[i] ?? null
    if (step.kind === 'command') {
      const command = context.commands.get(step.commandId)
      failed = choice !== null && choice !== 'menu' && !hands.press(choice)
      if (failed) choice = 'menu'
      if (choice === 'menu') hands.menu(command ? menuLevels(command) : unknownLevels)
    } else if (step.kind === 'point') hands.point()
    else if (step.kind === 'drag') hands.drag()
    else hands.type(step.characters)
    made.push(choice)
    while (stepOf.length < hands.operators.length) stepOf.push(i)
  })
  hands.settle()
  return { hands, stepOf, made, failed }
}

/** One command by itself, from rest until the hands are back. */
export const timeCommand = (command: Command, context: WorkContext): TimedWork =>
  timeWork([{ kind: 'command', commandId: command.id }], context)

/** One command done in each of the ways that people do it, ms; null where there is no such way. */
export interface WaysToDo {
  readonly keyMs: number | null
  readonly menuMs: number
  /** the tool is chosen by its trigger or menu, then clicked once */
  readonly toolAndClickMs: number
  /** by dragging instead of giving a command */
  readonly dragMs: number
}

/** A command by its shortcut and by the menu, each timed, ms. */
export function waysToDo(command: Command, context: WorkContext): WaysToDo {
  const step = { kind: 'command', commandId: command.id } as const
  const menuOnly: WorkContext = { ...context, triggersOf: () => [] }
  return {
    keyMs: context.triggersOf(command.id).length > 0 ? timeWork([step], context).ms : null,
    menuMs: timeWork([step], menuOnly).ms,
    toolAndClickMs: timeWork([step, { kind: 'point' }], context).ms,
    dragMs: timeWork([{ kind: 'drag' }], context).ms,
  }
}
