import type { ChainStep, Command, CandidatePlace, DisplacementChain } from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import { TickField } from '../../parts/fields.js'
import type { Places } from '../../drawing/places.js'
import { useTakeDialog, type TakeDialogView } from './use-take-dialog.js'

const seconds = (msPerHour: number): string => `${(msPerHour / 1000).toFixed(1)} s`
/** Asked when a place is taken: who has to move, where each would go, and what the whole chain costs. */
export function TakeDialog(props: {
  command: Command
  place: CandidatePlace
  places: Places
  onClose: () => void
}) {
  const view = useTakeDialog(props)
  const { name, place, onClose, run, holders, swapTo, chain, free, givenUp, keeps, setKeeps, moveAll } = view
  return (
    <Dialog
      title={`${name(place.trigger)} is taken`}
      onClose={onClose}
      wide
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn" onClick={() => run()}>
            Replace: {holders.length > 1 ? 'the others lose their key' : 'the other loses its key'}
          </button>
          {swapTo && (
            <button type="button" className="btn" onClick={() => run(swapTo)}>
              Swap: the other goes to {name(swapTo)}
            </button>
          )}
          {chain && (
            <button type="button" className="btn btn-main" onClick={moveAll}>
              Move all {chain.steps.length}
            </button>
          )}
        </>
      }
    >
      {givenUp.length > 0 && (
        <div className="mb-3">
          <TickField checked={keeps} onChange={setKeeps}>
            As well: it keeps {givenUp.map(name).join(', ')}
          </TickField>
        </div>
      )}
      {chain && <TakeChain chain={chain} view={view} />}
      {free && chain && <BestFree view={view} chain={chain} />}
      {holders.length > 1 && swapTo && (
        <p className="mt-3 text-ink-2">A swap moves “{holders[0]?.name}”; the others lose the place.</p>
      )}
    </Dialog>
  )
}

/** What the best free place would save, so that the chain does not claim what that saves as well. */
function BestFree({
  view: { free, name, command, takeFree },
  chain,
}: {
  view: TakeDialogView
  chain: DisplacementChain
}) {
  const [own] = chain.steps
  if (!free || !own) return null
  const before = own.beforeMs ?? own.menuMs
  const freeSaves = command.usesPerHour * (before - free.totalMs)
  const more = chain.beforeMsPerHour - chain.afterMsPerHour - freeSaves
  return (
    <p className="mt-2 flex flex-wrap items-baseline gap-x-2">
      <span>
        The best free place, <b>{name(free.trigger)}</b>, costs {Math.round(free.totalMs)} ms a use and moves
        nobody:{' '}
        {more > 0
          ? `moving all saves ${seconds(more)} an hour more than that.`
          : `it saves ${seconds(-more)} an hour more than moving all.`}
      </span>
      <button type="button" className="link" onClick={takeFree}>
        Take {name(free.trigger)}
      </button>
    </p>
  )
}

function TakeChain({ chain, view: { name, saved } }: { chain: DisplacementChain; view: TakeDialogView }) {
  return (
    <>
      <table className="w-full" aria-label="Who moves where">
        <thead>
          <tr className="caption text-left">
            <th className="pb-1 font-medium">Command</th>
            <th className="pb-1 text-right font-medium">Uses/h</th>
            <th className="pb-1 pl-5 font-medium">From</th>
            <th className="pb-1 pl-5 font-medium">To</th>
            <th className="pb-1 pl-5 text-right font-medium">Cost of a use, ms</th>
          </tr>
        </thead>
        <tbody>
          {chain.steps.map((s) => (
            <tr key={s.command.id} className="border-t border-rule align-baseline">
              <td className="max-w-[220px] py-1.5 font-semibold">
                <span className="block truncate" title={s.command.name}>
                  {s.command.name}
                </span>
              </td>
              <td className="text-right">{s.command.usesPerHour}</td>
              <td className="pl-5">{s.from ? name(s.from) : 'no place'}</td>
              <td className="pl-5 font-semibold">
                {s.to ? name(s.to.trigger) : s.keeps ? `keeps ${name(s.keeps)}` : 'no place'}
              </td>
              <td className="pl-5 text-right">
                {costWords(s.beforeMs)} → {costWords(s.afterMs)}
              </td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr className="border-t-2 border-ink">
            <th scope="row" colSpan={4} className="py-1.5 text-left font-semibold">
              All of them together, an hour
            </th>
            <td className="text-right font-semibold">
              {seconds(chain.beforeMsPerHour)} → {seconds(chain.afterMsPerHour)}
            </td>
          </tr>
        </tfoot>
      </table>
      <p className="mt-3 text-ink-2">
        {saved >= 0
          ? `Moving all of them saves ${seconds(saved)} of press time an hour.`
          : `Moving all of them costs ${seconds(-saved)} of press time more an hour.`}{' '}
        {lettingGo(chain.steps)}
      </p>
    </>
  )
}

const costWords = (ms: number | null): string => (ms === null ? 'menu' : String(Math.round(ms)))

function lettingGo(steps: readonly ChainStep[]): string {
  const kept = steps.filter((s) => s.keeps !== null)
  const keeps =
    kept.length > 0
      ? `${kept.map((s) => `“${s.command.name}”`).join(', ')} ${kept.length > 1 ? 'keep their other keys' : 'keeps its other key'}. `
      : ''
  const letGo = steps.filter((s) => s.to === null && s.keeps === null)
  if (letGo.length === 0) return `${keeps}Nobody loses a place.`
  return `${keeps}${letGo.map((s) => `“${s.command.name}”`).join(', ')}, never used, ${letGo.length > 1 ? 'lose their places' : 'loses its place'}.`
}
