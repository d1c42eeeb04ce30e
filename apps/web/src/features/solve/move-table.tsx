import type { ProposedMove } from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { usePlan } from '../../store/plan-store.js'
import type { SolvedPlan } from '../../worker/solve-protocol.js'

const marks = { sure: '●●●', likely: '●●○', unsure: '●○○' } as const

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

/** The moves of an answer in the order in which they gain most, each to be taken with what it needs. */
export function MoveTable({
  solved,
  moves,
  taken,
  grouped,
  onTake,
}: {
  solved: SolvedPlan
  moves: readonly ProposedMove[]
  /** null when the arrangement has changed otherwise: nothing can be taken then */
  taken: ReadonlySet<number> | null
  /** whether moves that hang together stand together, to be taken as one */
  grouped: boolean
  onTake: (ids: readonly number[]) => void
}) {
  const plan = usePlan()
  const programs = new Map(plan.programs.map((p) => [p.id, p.name]))
  const row = (move: ProposedMove) => {
    const missing = move.needs.filter((id) => taken?.has(id) !== true)
    const isTaken = taken?.has(move.id) === true
    return (
      <tr key={move.id} className={`border-b border-rule align-top ${isTaken ? 'text-ink-2' : ''}`}>
        <th scope="row" className="py-[5px] pr-3 pl-[14px] text-left font-semibold">
          <span className="block truncate" title={move.command.name}>
            {move.command.name}
          </span>
          <span className="block text-[12px] font-normal text-ink-2">
            {programs.get(move.command.programId)}
          </span>
        </th>
        <td className="py-[5px]">
          {move.from ? <TriggerChip trigger={move.from} /> : <span className="text-ink-2">no place</span>}
        </td>
        <td className="py-[5px]">
          {move.to ? <TriggerChip trigger={move.to} /> : <span className="text-ink-2">let go</span>}
        </td>
        <td className="py-[5px] pr-3 text-right font-semibold">
          {(move.gainMs / 1000).toFixed(1).replace('-', '−')}
        </td>
        <td className="py-[5px]">
          <span aria-hidden="true" className="block text-[10px] leading-[18px] tracking-[0.12em]">
            {marks[move.confidence]}
          </span>
          <span className="block text-[12px] text-ink-2">{move.confidence}</span>
        </td>
        <td className="py-[5px] pr-3">
          {solved.reasons[move.id]}
          <span className="block text-[12px] text-ink-2 first-letter:uppercase">{move.because}.</span>
        </td>
        <td className="py-[5px]">
          {isTaken ? (
            <span>✓ taken</span>
          ) : (
            <button
              type="button"
              className="btn min-h-6 py-0"
              disabled={taken === null}
              aria-label={
                missing.length > 1
                  ? `Take “${move.command.name}” with ${missing.length - 1} more`
                  : `Take “${move.command.name}”`
              }
              onClick={() => onTake([move.id])}
            >
              {missing.length > 1 ? `Take, + ${missing.length - 1}` : 'Take'}
            </button>
          )}
        </td>
      </tr>
    )
  }
  const groupHead = (group: readonly ProposedMove[]) => {
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
              aria-label={`Take the group of “${group[0]?.command.name}”`}
              onClick={() => onTake(open.map((m) => m.id))}
            >
              Take group
            </button>
          )}
        </td>
      </tr>
    )
  }
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
            take
          </th>
        </tr>
      </thead>
      {grouped ? (
        inGroups(moves).map((group) => (
          <tbody key={group[0]?.id}>
            {group.length > 1 && groupHead(group)}
            {group.map(row)}
          </tbody>
        ))
      ) : (
        <tbody>{moves.map(row)}</tbody>
      )}
    </table>
  )
}
