import type { MoveDoubt, ProposedMove } from '@reach-plot/core'
import { DeclineMenu } from './decline-menu.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { usePlan } from '../../store/plan-store.js'
import type { SolvedPlan } from '../../worker/solve-protocol.js'

/** Moves that hang together, in the order of the list: those of one group are one after another. */
function inGroups(moves: readonly ProposedMove[]): readonly (readonly ProposedMove[])[] {
  const groups = new Map<number, ProposedMove[]>()
  for (const move of moves) {
    const group = groups.get(move.group)
    if (group) group.push(move)
    else groups.set(move.group, [move])
  }
  return [...groups.values()]
}

const marks = { sure: '●●●', likely: '●●○', unsure: '●○○' } as const

const seconds = (ms: number): string => (ms / 1000).toFixed(1).replace('-', '−')

/** In how many draws a move gains, between what, and whether its uses were counted; what it needs is drawn with it. */
const doubtWords = (move: ProposedMove, { holds, draws, lowMs, highMs, counted }: MoveDoubt): string =>
  `${seconds(lowMs)} to ${seconds(highMs)} s${move.needs.length > 1 ? ' with what it needs' : ''} in ${holds} of ${draws} draws; ${
    counted > 0 ? `${counted.toLocaleString('en-GB')} uses logged` : 'uses not logged'
  }.`

interface MoveTableProps {
  readonly solved: SolvedPlan
  readonly moves: readonly ProposedMove[]
  /** null when the arrangement has changed otherwise: nothing can be applied then */
  readonly taken: ReadonlySet<number> | null
  /** whether moves that hang together stand together, to be applied as one */
  readonly grouped: boolean
  readonly onApply: (ids: readonly number[]) => void
}

/** The moves of an answer in the order in which they gain most, each to be taken with what it needs. */
export function MoveTable(props: MoveTableProps) {
  const { grouped, moves } = props
  return (
    <table className="w-full table-fixed">
      <thead className="sticky top-0 z-10 bg-paper">
        <tr className="caption text-left">
          <th scope="col" className="w-[178px] py-1 pl-[14px] font-medium">
            Command
          </th>
          <th scope="col" className="w-[112px] font-medium">
            from
          </th>
          <th scope="col" className="w-[128px] font-medium">
            to
          </th>
          <th scope="col" className="w-[74px] pr-3 text-right font-medium">
            s an hour
          </th>
          <th scope="col" className="w-[64px] font-medium">
            sure
          </th>
          <th scope="col" className="font-medium">
            why
          </th>
          <th scope="col" className="w-[104px] font-medium">
            apply
          </th>
        </tr>
      </thead>
      {grouped ? (
        inGroups(moves).map((group) => (
          <tbody key={group[0]?.id}>
            {group.length > 1 && <GroupHead group={group} {...props} />}
            {group.map((move) => (
              <MoveRow key={move.id} move={move} {...props} />
            ))}
          </tbody>
        ))
      ) : (
        <tbody>
          {moves.map((move) => (
            <MoveRow key={move.id} move={move} {...props} />
          ))}
        </tbody>
      )}
    </table>
  )
}

function MoveRow({ move, solved, taken, onApply }: MoveTableProps & { move: ProposedMove }) {
  const { programs } = usePlan()
  const missing = move.needs.filter((id) => taken?.has(id) !== true)
  const isTaken = taken?.has(move.id) === true
  const doubt = solved.doubts[move.id]
  return (
    <tr className={`border-b border-rule align-top ${isTaken ? 'text-ink-2' : ''}`}>
      <th scope="row" className="py-[5px] pr-3 pl-[14px] text-left font-semibold">
        <span className="block truncate" title={move.command.name}>
          {move.command.name}
        </span>
        <span className="block text-[12px] font-normal text-ink-2">
          {programs.find((p) => p.id === move.command.programId)?.name}
        </span>
      </th>
      <td className="py-[5px]">
        {move.from ? <TriggerChip trigger={move.from} /> : <span className="text-ink-2">no key</span>}
      </td>
      <td className="py-[5px]">
        {move.to ? <TriggerChip trigger={move.to} /> : <span className="text-ink-2">removed</span>}
      </td>
      <td className="py-[5px] pr-3 text-right font-semibold">{seconds(move.partMs)}</td>
      <td className="py-[5px]">
        {doubt ? (
          <>
            <span aria-hidden="true" className="block text-[10px] leading-[18px] tracking-[0.12em]">
              {marks[doubt.confidence]}
            </span>
            <span className="block text-[12px] text-ink-2">{doubt.confidence}</span>
          </>
        ) : (
          <span className="text-[12px] text-ink-2">not looked at</span>
        )}
      </td>
      <td className="py-[5px] pr-3">
        {solved.reasons[move.id]}
        {doubt && <span className="block text-[12px] text-ink-2">{doubtWords(move, doubt)}</span>}
      </td>
      <td className="py-[5px]">
        {isTaken ? (
          <span>✓ applied</span>
        ) : (
          <button
            type="button"
            className="btn min-h-6 py-0"
            disabled={taken === null}
            aria-label={
              missing.length > 1
                ? `Apply “${move.command.name}” with ${missing.length - 1} more`
                : `Apply “${move.command.name}”`
            }
            onClick={() => onApply([move.id])}
          >
            {missing.length > 1 ? `Apply, + ${missing.length - 1}` : 'Apply'}
          </button>
        )}
        {!isTaken && move.to && <DeclineMenu move={move} />}
      </td>
    </tr>
  )
}

function GroupHead({ group, taken, onApply }: MoveTableProps & { group: readonly ProposedMove[] }) {
  const open = group.filter((m) => taken?.has(m.id) !== true)
  return (
    <tr className="border-b border-rule bg-reach-1">
      <th scope="rowgroup" colSpan={6} className="py-[3px] pl-[14px] text-left font-semibold">
        {group.length} moves that hang together: {group.map((m) => m.command.name).join(', ')}
      </th>
      <td className="py-[3px]">
        {open.length > 0 && (
          <button
            type="button"
            className="btn min-h-6 py-0"
            disabled={taken === null}
            aria-label={`Apply the group of “${group[0]?.command.name}”`}
            onClick={() => onApply(open.map((m) => m.id))}
          >
            Apply group
          </button>
        )}
      </td>
    </tr>
  )
}
