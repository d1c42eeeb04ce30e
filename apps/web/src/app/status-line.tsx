import { ClashSign } from '../parts/severity-sign.js'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { arrangementFigures } from '@reach-plot/core'
import { autosave } from '../store/autosave.js'
import { redo, undo, useHistory, usePlan } from '../store/plan-store.js'
import { noHeld, useReachOfSets } from '../store/reach.js'
import { heldSetsUsed, useDerived } from '../store/selectors.js'

/** The arrangement's few figures, always live, and whether all is saved. */
export function StatusLine() {
  const plan = usePlan()
  const { arrangement, index, clashes, triggersOf } = useDerived()
  const used = heldSetsUsed(arrangement)
  const { reachOf, reachBySet } = useReachOfSets(noHeld, used)
  // a part of the reach would make the share look smaller than it is
  const isKnown = Object.keys(reachBySet).length >= used.length
  const figures = useMemo(
    () => arrangementFigures(plan.commands, triggersOf, reachOf, index.readerOf),
    [plan.commands, triggersOf, reachOf, index],
  )
  const blocking = clashes.filter((c) => c.severity === 'blocks').length
  const canUndo = useHistory((h) => h.pastStates.length > 0)
  const canRedo = useHistory((h) => h.futureStates.length > 0)
  return (
    <footer
      className="flex h-[34px] shrink-0 items-center gap-6 border-t border-ink bg-panel px-[14px]"
      aria-label="Figures of the arrangement"
    >
      <span>
        <b>{isKnown ? `${Math.round(figures.nearShare * 100)} %` : '…'}</b> of use at rest or easy
      </span>
      <span>
        <b>{figures.placedCount}</b> of {figures.commandCount} commands placed
      </span>
      {figures.mnemonicMean !== null && (
        <span>
          mnemonic <b>{figures.mnemonicMean.toFixed(2)}</b>
        </span>
      )}
      <Link to="/clashes" className={clashes.length > 0 ? 'text-magenta' : ''}>
        <b>
          {clashes.length > 0 && <ClashSign />} {clashes.length} clash{clashes.length === 1 ? '' : 'es'}
        </b>
        {blocking > 0 && `, ${blocking} never arrive${blocking === 1 ? 's' : ''}`}
      </Link>
      <span className="ml-auto flex items-center gap-3">
        <SaveNote />
        <button
          type="button"
          className="min-h-6 px-1 underline-offset-2 enabled:hover:underline disabled:text-ink-2"
          disabled={!canUndo}
          onClick={undo}
        >
          Undo
        </button>
        <button
          type="button"
          className="min-h-6 px-1 underline-offset-2 enabled:hover:underline disabled:text-ink-2"
          disabled={!canRedo}
          onClick={redo}
        >
          Redo
        </button>
      </span>
    </footer>
  )
}

function SaveNote() {
  const { state, reason } = autosave.useState()
  if (state === 'failed') {
    return (
      <span role="alert" className="text-magenta">
        <b>Not saved:</b> {reason || 'the browser refused'}. Export the plan, then make room.{' '}
        <button type="button" className="link" onClick={() => void autosave.saveAnyway()}>
          Try again
        </button>
      </span>
    )
  }
  const text = { loading: 'opening', saving: 'saving', saved: 'saved', conflict: 'not saved' }[state]
  return (
    <span role="status" className="text-ink-2">
      {text}
    </span>
  )
}
