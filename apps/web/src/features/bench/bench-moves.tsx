import { triggerKey, chooseBench } from '@reach-plot/core'
import { howMany } from '../../parts/words.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { BenchProposalDialog } from './bench-proposal.js'
import { useBenchMoves, type BenchMovesView } from './use-bench-moves.js'

/** What the arrangement in front loses when it moves to another bench: keys and controls that are not there. */
export function BenchMoves() {
  const view = useBenchMoves()
  if (!view)
    return (
      <p className="p-5 text-ink-2">
        There is only this bench. Make another in the Bench menu, such as one for the road; what an
        arrangement loses there is then listed here.
      </p>
    )
  const { bench, to, setToId, others, loss, arrangement, edit, proposal } = view
  return (
    <div className="flex min-h-0 min-w-0 grow flex-col">
      <div className="flex items-center gap-3 px-5 pt-4 pb-3">
        <label htmlFor="move-to" className="flex max-w-[220px] gap-1.5">
          From{' '}
          <b className="truncate" title={bench.name}>
            {bench.name}
          </b>{' '}
          to
        </label>
        <select
          id="move-to"
          className="field max-w-[220px]"
          value={to.id}
          onChange={(e) => setToId(e.target.value)}
        >
          {others.map((b) => (
            <option key={b.id} value={b.id}>
              {b.name}
            </option>
          ))}
        </select>
        <p className="grow">
          <b>{loss.kept}</b> keys of “{arrangement.name}” stay,{' '}
          <b className="text-magenta">{loss.lost.length} are lost</b>; <b>{loss.without.length}</b> commands
          are left without one, {Math.round(loss.usesPerHour)} uses an hour.
        </p>
        {loss.without.length > 0 && (
          <button
            type="button"
            className="btn btn-main"
            disabled={proposal.looked !== null}
            onClick={() => void proposal.find()}
          >
            Find places for them
          </button>
        )}
        <button
          type="button"
          className="btn block max-w-[220px] truncate"
          title={to.name}
          onClick={() => edit((plan) => chooseBench(plan, to.id))}
        >
          Work on “{to.name}”
        </button>
      </div>
      <OwnPlaces view={view} />
      <BenchProposalDialog proposal={proposal} to={to} />
      {/* a region that scrolls takes the focus, so that it can be scrolled by keys */}
      <LossList view={view} />
    </div>
  )
}

/** What the other bench has as its own, and the search for more. */
function OwnPlaces({ view: { to, own, clearOwn, proposal, loss } }: { view: BenchMovesView }) {
  return (
    <div className="px-5 empty:hidden">
      {proposal.looked !== null && (
        <p role="status" className="pb-3">
          {proposal.looked} of {loss.without.length} commands looked at …{' '}
          <button type="button" className="link" onClick={proposal.stop}>
            Stop
          </button>
        </p>
      )}
      {own.length > 0 && (
        <p className="pb-3">
          {howMany(own.length, 'key is', 'keys are')} {to.name}’s own.{' '}
          <button type="button" className="link" onClick={clearOwn}>
            Take them off
          </button>
        </p>
      )}
    </div>
  )
}

function LossList({ view: { loss, plan } }: { view: BenchMovesView }) {
  return (
    <div
      role="region"
      aria-label="What is lost"
      tabIndex={0}
      className="min-h-0 grow overflow-y-auto px-5 pb-4"
    >
      {loss.lost.length === 0 ? (
        <p className="text-ink-2">Nothing is lost: every key and control is there too.</p>
      ) : (
        <table className="w-full">
          <thead className="sticky top-0 bg-paper">
            <tr className="caption border-b border-ink text-left">
              <th className="py-1.5 font-medium">Command</th>
              <th className="font-medium">Program</th>
              <th className="pr-8 text-right font-medium">Uses/h</th>
              <th className="font-medium">Trigger that is lost</th>
              <th className="font-medium">Not there</th>
              <th className="font-medium">Other triggers</th>
            </tr>
          </thead>
          <tbody>
            {loss.lost.map(({ placement, command, lacks }) => (
              <tr key={`${command.id} ${triggerKey(placement.trigger)}`} className="border-b border-rule">
                <td className="py-1.5 font-semibold">{command.name}</td>
                <td>{plan.programs.find((p) => p.id === command.programId)?.name}</td>
                <td className="pr-8 text-right">{command.usesPerHour}</td>
                <td>
                  <TriggerChip trigger={placement.trigger} />
                </td>
                <td className="text-ink-2">{lacks.join(', ')}</td>
                <td>
                  {loss.without.includes(command) ? <b className="text-magenta">none</b> : 'still has one'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  )
}
