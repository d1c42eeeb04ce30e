import type { ProposedMove } from '@reach-plot/core'
import { TriggerChip } from '../../shared/trigger-chip.js'
import { usePlan } from '../../store/plan-store.js'
import type { SolvedPlan } from '../../worker/solve-protocol.js'

const marks = { sure: '●●●', likely: '●●○', unsure: '●○○' } as const

/** The moves of an answer in the order in which they gain most, each to be taken with what it needs. */
export function MoveTable({
  solved,
  moves,
  taken,
  onTake,
}: {
  solved: SolvedPlan
  moves: readonly ProposedMove[]
  /** null when the arrangement has changed otherwise: nothing can be taken then */
  taken: ReadonlySet<number> | null
  onTake: (ids: readonly number[]) => void
}) {
  const plan = usePlan()
  const programs = new Map(plan.programs.map((p) => [p.id, p.name]))
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
      <tbody>
        {moves.map((move) => {
          const missing = move.needs.filter((id) => taken?.has(id) !== true)
          const isTaken = taken?.has(move.id) === true
          return (
            <tr key={move.id} className={`border-b border-rule align-top ${isTaken ? 'text-ink-2' : ''}`}>
              <th scope="row" className="py-[5px] pl-[14px] text-left font-semibold">
                <span className="block truncate" title={move.command.name}>
                  {move.command.name}
                </span>
                <span className="block text-[12px] font-normal text-ink-2">
                  {programs.get(move.command.programId)}
                </span>
              </th>
              <td className="py-[5px]">
                {move.from ? (
                  <TriggerChip trigger={move.from} />
                ) : (
                  <span className="text-ink-2">no place</span>
                )}
              </td>
              <td className="py-[5px]">
                {move.to ? <TriggerChip trigger={move.to} /> : <span className="text-ink-2">let go</span>}
              </td>
              <td className="py-[5px] pr-3 text-right font-semibold">
                {(move.gainMs / 1000).toFixed(1).replace('-', '−')}
              </td>
              <td className="py-[5px]" title={move.because}>
                <span aria-hidden="true" className="block text-[10px] leading-[18px] tracking-[0.12em]">
                  {marks[move.confidence]}
                </span>
                <span className="block text-[12px] text-ink-2">{move.confidence}</span>
              </td>
              <td className="py-[5px] pr-3">{solved.reasons[move.id]}</td>
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
        })}
      </tbody>
    </table>
  )
}
