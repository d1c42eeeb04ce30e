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
  /** chains of the arrangement that begin with the command; none where left out */
  chainsOf?(commandId: CommandId): readonly Chain[]
  /** share of a command's uses that go through the menu although it has a trigger, 0 to 1; none where left out */
  menuShareOf?(commandId: CommandId): number
}

/** One press that runs several commands in order, and how long the device sends their chords, ms. */
export interface Chain {
  readonly trigger: Trigger
  readonly run: readonly CommandId[]
  readonly playMs: number
}

/** Time that a device takes for each chord that it sends, ms. Assumed. */
export const chordPlayMs = 10

/** An operator with the step that it belongs to; the way back at the end belongs to none. */
export type StepOperator = Operator & { readonly step: number | null }

/** How a command was given: by a key or button, by the pointing hand on its device, or through the menu. */
export type Way = 'key' | 'pointer' | 'menu'

/** Steps timed by operators, ms in total and of each. */
export interface TimedWork {
  readonly ms: number
  /** the same with no step done at the same time as another, ms */
  readonly oneByOneMs: number
  readonly operators: readonly StepOperator[]
  readonly presses: readonly PressNote[]
  readonly trips: number
  /** menus that are walked, and their levels */
  readonly menuWalks: number
  readonly menuLevels: number
  /** by step: how a command was given, and with what; null for other steps */
  readonly ways: readonly ({ readonly way: Way; readonly trigger: Trigger | null } | null)[]
}

const isMeanwhile = (step: RoutineStep): boolean => 'meanwhile' in step && step.meanwhile === true

function oneByOne(step: RoutineStep): RoutineStep {
  if (!('meanwhile' in step)) return step
  const { meanwhile: _, ...alone } = step
  return alone
}

/** Menu levels of a command that is in no menu. Assumed. */
const unknownLevels = ['a menu', 'its entry'] as const

/** Levels of the menu that a command is found under, its own entry last. */
export const menuLevels = (command: Pick<Command, 'menu'>): readonly string[] =>
  command.menu.length > 0 ? command.menu : unknownLevels

type Choice = Trigger | 'menu' | Chained | null
/** A chain that is pressed at its first step; the steps after it are done by it. */
interface Chained {
  readonly chain: Chain
  readonly isFirst: boolean
}
const isChained = (choice: Choice): choice is Chained =>
  choice !== null && choice !== 'menu' && 'chain' in choice

/**
 * Times steps of work by the state of two hands, from rest until both are back. Of several triggers of a command each
 * use takes the one that ends soonest, and the menu where there is none: no M is spent on a key that is known by heart
 * (rules 1 and 2 of the keystroke-level model), and one on the walk through a menu, or as well as menus are known.
 */
export function timeWork(steps: readonly RoutineStep[], context: WorkContext): TimedWork {
  const choices: Choice[] = []
  while (choices.length < steps.length) {
    const at = choices.length
    const single = bestSingle(steps, choices, context)
    const chained = bestChain(steps, choices, single, context)
    choices.push(...(chained ?? [single]))
    // a chain never runs past the end, so that this ends
    if (choices.length === at) break
  }
  const { hands, stepOf, made } = work(steps, choices, context)
  const ms = total(hands.operators)
  const isOverlapped = steps.some(isMeanwhile)
  return {
    ms,
    oneByOneMs: isOverlapped ? timeWork(steps.map(oneByOne), context).ms : ms,
    operators: hands.operators.map((operator, i) => ({ ...operator, step: stepOf[i] ?? null })),
    presses: hands.presses,
    trips: hands.trips,
    menuWalks: hands.menuWalks,
    menuLevels: hands.menuLevels,
    ways: made.map((choice) => wayOf(choice, context)),
  }
}

function wayOf(choice: Choice, context: WorkContext): TimedWork['ways'][number] {
  if (choice === null) return null
  if (choice === 'menu') return { way: 'menu', trigger: null }
  const trigger = isChained(choice) ? choice.chain.trigger : choice
  return { way: isPointed(trigger, context) ? 'pointer' : 'key', trigger }
}

/** The trigger of the next step that ends soonest, or the menu; null for steps that are no command. */
function bestSingle(steps: readonly RoutineStep[], before: readonly Choice[], context: WorkContext): Choice {
  const at = before.length
  const step = steps[at] as RoutineStep
  if (step.kind !== 'command') return null
  const offered = context.triggersOf(step.commandId)
  if (offered.length === 1) return offered[0] as Trigger
  let best: Choice = 'menu'
  let least = Infinity
  for (const trigger of offered) {
    const run = work(steps.slice(0, at + 1), [...before, trigger], context)
    const ms = run.failed ? Infinity : total(run.hands.operators)
    if (ms < least) {
      least = ms
      best = trigger
    }
  }
  return best
}

/** A chain whose commands come next, one after the other, where it ends sooner than they do singly; null for none. */
function bestChain(
  steps: readonly RoutineStep[],
  before: readonly Choice[],
  single: Choice,
  context: WorkContext,
): Choice[] | null {
  const at = before.length
  const step = steps[at] as RoutineStep
  if (step.kind !== 'command' || !context.chainsOf) return null
  const fitting = context.chainsOf(step.commandId).filter(({ run }) =>
    run.every((id, i) => {
      const there = steps[at + i]
      return there?.kind === 'command' && there.commandId === id
    }),
  )
  let best: { readonly choices: Choice[]; readonly savesMs: number } | null = null
  for (const chain of fitting) {
    const upTo = steps.slice(0, at + chain.run.length)
    const singly = [...before, single]
    while (singly.length < upTo.length) singly.push(bestSingle(upTo, singly, context))
    const choices = chain.run.map((_id, i): Choice => ({ chain, isFirst: i === 0 }))
    const run = work(upTo, [...before, ...choices], context)
    if (run.failed) continue
    const savesMs = total(work(upTo, singly, context).hands.operators) - total(run.hands.operators)
    if (savesMs > (best?.savesMs ?? 0)) best = { choices, savesMs }
  }
  return best?.choices ?? null
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
  // the first operator of what is done at the same time
  let groupFrom = 0
  steps.forEach((step, i) => {
    if (!isMeanwhile(step)) groupFrom = hands.operators.length
    let choice = choices[i] ?? null
    if (step.kind === 'command') {
      const command = context.commands.get(step.commandId)
      if (isChained(choice)) {
        if (choice.isFirst) {
          failed = !hands.press(choice.chain.trigger)
          hands.wait(choice.chain.playMs, `${choice.chain.run.length} combinations are sent`)
        }
      } else {
        failed = choice !== null && choice !== 'menu' && !hands.press(choice)
        if (failed) choice = 'menu'
      }
      if (choice === 'menu') hands.menu(command ? menuLevels(command) : unknownLevels)
    } else if (step.kind === 'point') hands.point()
    else if (step.kind === 'drag') hands.drag()
    else hands.type(step.characters)
    if (isMeanwhile(step) && i > 0) hands.sideBySide(groupFrom)
    made.push(choice)
    while (stepOf.length < hands.operators.length) stepOf.push(i)
  })
  hands.settle()
  return { hands, stepOf, made, failed }
}

/** One command by itself, from rest until the hands are back. */
export const timeCommand = (command: Command, context: WorkContext): TimedWork =>
  timeWork([{ kind: 'command', commandId: command.id }], context)

/** The same work with every command by its menu. */
export const menuOnly = (context: WorkContext): WorkContext => ({
  ...context,
  triggersOf: () => [],
  chainsOf: () => [],
})

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
  return {
    keyMs: context.triggersOf(command.id).length > 0 ? timeWork([step], context).ms : null,
    menuMs: timeWork([step], menuOnly(context)).ms,
    toolAndClickMs: timeWork([step, { kind: 'point' }], context).ms,
    dragMs: timeWork([{ kind: 'drag' }], context).ms,
  }
}
