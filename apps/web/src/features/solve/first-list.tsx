import type { ProposedMove } from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'

/** The moves of an answer that is still worked on: to look at, not to apply yet. */
export function FirstList({ moves }: { moves: readonly ProposedMove[] }) {
  return (
    <section aria-label="First moves" className="min-w-0 grow overflow-y-auto px-6 pt-4">
      <h3 className="title">What comes first, so far</h3>
      <p className="mt-2 text-ink-2">
        The search goes on: clashes of the whole, the best of few moves and how sure each one is are still
        worked out. These can change.
      </p>
      <ol className="mt-3 max-w-[560px] border-t border-ink">
        {moves.map((move) => (
          <li
            key={move.id}
            className="grid grid-cols-[minmax(0,1fr)_130px_20px_130px] items-baseline gap-3 border-b border-rule py-1"
          >
            <b className="truncate" title={move.command.name}>
              {move.command.name}
            </b>
            {move.from ? <TriggerChip trigger={move.from} /> : <span className="text-ink-2">no key</span>}
            <span aria-label="to">→</span>
            {move.to ? <TriggerChip trigger={move.to} /> : <span className="text-ink-2">removed</span>}
          </li>
        ))}
      </ol>
    </section>
  )
}
