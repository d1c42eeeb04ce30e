import { fullName, triggerName, type Bench } from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import { keptInWords } from '../../parts/kept-ideas.js'
import { TickList } from '../../parts/tick-list.js'
import { howMany } from '../../parts/words.js'
import { useDerived } from '../../store/selectors.js'
import type { BenchProposal } from './use-bench-proposal.js'

/** Where the commands that a bench would leave without a key could go there. */
export function BenchProposalDialog({ proposal, to }: { proposal: BenchProposal; to: Bench }) {
  const { env } = useDerived()
  const { places, taken } = proposal
  if (!places) return null
  return (
    <Dialog
      title={`Places on ${to.name}`}
      wide
      onClose={proposal.close}
      actions={
        <>
          <button type="button" className="btn" onClick={proposal.close}>
            Cancel
          </button>
          <button type="button" className="btn btn-main" disabled={taken === 0} onClick={proposal.take}>
            Take {howMany(taken, 'place', 'places')}
          </button>
        </>
      }
    >
      <p className="text-ink-2">
        They hold on {to.name} alone: your other benches stay as they are. Labels, Learn and Carry follow the
        bench that you work on.
      </p>
      {places.length === 0 && <p className="mt-2">No free place was found there.</p>}
      <TickList
        label="Places"
        items={places}
        keyOf={(p) => p.command.id}
        isTaken={proposal.isTaken}
        onChoose={proposal.choose}
      >
        {(p) => (
          <>
            <b>{fullName(p.command)}</b>{' '}
            <span className="font-chart text-[14px]">
              {triggerName(p.trigger, env)} → {triggerName(p.to, env)}
            </span>
            {p.keeps.length > 0 && <span className="text-ink-2"> {keptInWords(p.keeps)}</span>}
          </>
        )}
      </TickList>
    </Dialog>
  )
}
