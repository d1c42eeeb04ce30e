import type { CommandId } from '../ids.js'
import { handSides, type HandSide } from '../bench/index.js'
import { fingers } from '../hand/index.js'
import type { Plan } from '../plan/index.js'
import type { Trigger } from '../triggers/index.js'
import {
  fairShares,
  timeCommand,
  waysToDo,
  type ByFinger,
  type PayBackPoint,
  type StepOperator,
  type WaysToDo,
} from '../work/index.js'
import { changeKinds, type ChangeKind } from './changes.js'
import type { Compared, Saving } from './comparison.js'
import { figureList, type Explanation, type Figure } from './figure-list.js'

/** One figure of one arrangement, with its computation. */
export interface SheetFigure {
  readonly value: number | null
  readonly range: readonly [least: number, most: number] | null
  readonly explanation: Explanation
}
/** A routine in one column: ms for a run of it. */
export interface SheetRoutine {
  readonly id: string
  readonly ms: number
  /** with no step done at the same time as another, ms */
  readonly oneByOneMs: number
  readonly trips: number
  readonly operators: readonly StepOperator[]
}
export interface SheetChange {
  readonly commandId: CommandId
  readonly name: string
  readonly kind: ChangeKind
  readonly from: readonly Trigger[]
  readonly to: readonly Trigger[]
  /** what the command's uses take less an hour, each by itself, ms */
  readonly gainMs: number
}

/** A comparison as plain data, that can be sent from a worker and shown. */
export interface SheetColumn {
  readonly id: string
  readonly name: string
  readonly isDefault: boolean
  /** by the figure's id */
  readonly figures: Readonly<Record<string, SheetFigure>>
  readonly routines: readonly SheetRoutine[]
  readonly presses: Readonly<Record<HandSide, ByFinger>>
  readonly fair: Readonly<Record<HandSide, ByFinger>>
  readonly changes: readonly SheetChange[]
  /** by command id: how long it takes in each way of doing it */
  readonly ways: Readonly<Record<string, WaysToDo>>
  /** what a day saves against the first; null for the first */
  readonly saved: Saving | null
  readonly learningMs: number
  readonly paysAfterDays: number | null
  readonly payBack: readonly PayBackPoint[]
}

/** What a figure is called and how it is written, without its value. */
export type FigureHead = Pick<Figure, 'id' | 'name' | 'unit' | 'digits' | 'better'>

/** The figures without their functions. */
export const figureHeads: readonly FigureHead[] = figureList.map(({ id, name, unit, digits, better }) => ({
  id,
  name,
  unit,
  digits,
  better,
}))

/** Arrangements side by side: one column each, in the order given; the first is the base. */
export function comparisonSheet(compared: readonly Compared[], plan: Plan): SheetColumn[] {
  const [first] = compared
  return compared.map((one): SheetColumn => {
    const { day, work } = one.report
    const { arrangement } = work.model
    const msOf = ({ report }: Compared, commandId: CommandId): number => {
      const command = report.work.model.index.commands.get(commandId)
      return command ? timeCommand(command, report.work.context).ms * command.usesPerHour : 0
    }
    return {
      id: arrangement.id,
      name: arrangement.name,
      isDefault: arrangement.isDefault,
      figures: Object.fromEntries(
        figureList.map((f) => [
          f.id,
          {
            value: f.value(one, plan),
            range: f.range?.(one) ?? null,
            explanation: f.explain(one, plan),
          },
        ]),
      ),
      routines: plan.routines.flatMap((routine): SheetRoutine[] => {
        const part = day.parts.find((p) => p.kind === 'routine' && p.id === routine.id)
        return part
          ? [
              {
                id: routine.id,
                ms: part.work.ms,
                oneByOneMs: part.work.oneByOneMs,
                trips: part.work.trips,
                operators: part.work.operators,
              },
            ]
          : []
      }),
      presses: day.pressesPerHour,
      fair: {
        left: fairShares('left', day.pressesPerHour.left),
        right: fairShares('right', day.pressesPerHour.right),
      },
      changes: one.changes.map((c) => ({
        commandId: c.command.id,
        name: c.command.name,
        kind: c.kind,
        from: c.from,
        to: c.to,
        gainMs: first ? msOf(first, c.command.id) - msOf(one, c.command.id) : 0,
      })),
      ways: Object.fromEntries(plan.commands.map((c) => [c.id, waysToDo(c, work.context)])),
      saved: one.saved,
      learningMs: one.learningMs,
      paysAfterDays: one.paysAfterDays,
      payBack: one.payBack,
    }
  })
}

/** A sheet as rows for a CSV: a head, each figure, each routine in seconds, presses of each finger, changes by kind. */
export function sheetRows(columns: readonly SheetColumn[], plan: Pick<Plan, 'routines'>): string[][] {
  return [
    ['figure', 'unit', ...columns.map((c) => c.name)],
    ...figureHeads.map((f) => [
      f.name,
      f.unit,
      ...columns.map((c) => c.figures[f.id]?.value?.toFixed(f.digits) ?? ''),
    ]),
    ...plan.routines.map((routine) => [
      routine.name,
      's',
      ...columns.map((c) => {
        const found = c.routines.find((r) => r.id === routine.id)
        return found ? (found.ms / 1000).toFixed(2) : ''
      }),
    ]),
    ...handSides.flatMap((side) =>
      fingers.map((finger) => [
        `${side} ${finger}`,
        'presses an hour',
        ...columns.map((c) => c.presses[side][finger].toFixed(0)),
      ]),
    ),
    ...changeKinds.map((kind) => [
      `commands ${kind}`,
      '',
      ...columns.map((c) => String(c.changes.filter((x) => x.kind === kind).length)),
    ]),
  ]
}
