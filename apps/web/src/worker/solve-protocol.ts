import type {
  Clash,
  CommandId,
  CurvePoint,
  DayPlan,
  LoadPoint,
  MoveDoubt,
  PayBackPoint,
  PlaceGain,
  MoveList,
  Placement,
  Plan,
  SheetColumn,
  SolveOptions,
  SolveProgress,
  SolveRow,
  Trigger,
} from '@reach-plot/core'
import type { TableClashes } from './table-protocol.js'
import type { NearestPlace, StandardOffer } from '@reach-plot/core/carry'

/** Command time and clashes of an arrangement. */
export interface Summary {
  readonly minutesPerDay: number
  readonly clashes: Readonly<Record<string, number>>
}

/** What the solver has found, as plain data. */
export interface SolvedPlan {
  /** placements that the moves start from */
  readonly placements: readonly Placement[]
  readonly rows: readonly SolveRow[]
  readonly list: MoveList
  /** how sure each move is, by its id; none for those that were not looked at */
  readonly doubts: Readonly<Record<number, MoveDoubt>>
  /** what all moves have gained after days */
  readonly payBack: readonly PayBackPoint[]
  /** saving against the busiest finger */
  readonly load: readonly LoadPoint[]
  /** why each move, by its id */
  readonly reasons: Readonly<Record<number, string>>
  readonly beforeMs: number
  readonly curve: readonly CurvePoint[]
  readonly clashesLeft: readonly Clash[]
  readonly before: Summary
  readonly after: Summary
}

/** Where a command goes on another bench. */
export type BenchPlace = Pick<NearestPlace, 'command' | 'trigger' | 'keeps'> & { readonly to: Trigger }

/** What the worker does. `stop` ends a search with the best so far; the worker is ended to drop it. */
export interface SolveService {
  solve(plan: Plan, options: SolveOptions, onProgress: (progress: SolveProgress) => void): Promise<SolvedPlan>
  /** how often each place comes first when all that is assumed is drawn anew, by trigger key */
  placeDoubt(
    plan: Plan,
    commandId: CommandId,
    triggers: readonly Trigger[],
  ): Promise<Readonly<Record<string, number>>>
  /** what a better place would gain for each command, the most used first; a newer question ends it */
  gains(plan: Plan, onGains: (some: readonly PlaceGain[]) => void): Promise<void>
  stop(): void
  /** which changes from what is set now to the arrangement in front to bring in on which day */
  days(plan: Plan, newPerDay: number): Promise<DayPlan>
  /** what a standard would change in a plan; told on the way how many keys that do not serve have been looked at */
  standard(plan: Plan, standard: Plan, onLooked: (count: number) => void): Promise<StandardOffer | null>
  /** places on another bench for what it would leave without a key; told on the way how many are looked at */
  otherBench(
    plan: Plan,
    benchId: string,
    onLooked: (count: number) => void,
  ): Promise<readonly BenchPlace[] | null>
  /** ends what is looked through: it is answered with nothing */
  stopLooking(): void
  /** findings that a change of the plan brings, and how many it ends */
  foresight(before: Plan, after: Plan): Promise<TableClashes>
  compare(plan: Plan, arrangementIds: readonly string[]): Promise<readonly SheetColumn[]>
}
