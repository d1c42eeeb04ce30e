import { ClashSign } from '../parts/severity-sign.js'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { arrangementFigures, arrivingTriggers, changeInWords } from '@reach-plot/core'
import { autosave } from '../store/autosave.js'
import { redo, undo, useHistoryInWords, usePlan } from '../store/plan-store.js'
import { noHeld, useReachOfSets } from '../store/reach.js'
import { heldSetsUsed, useDerived } from '../store/selectors.js'

/** The arrangement's few figures, always live, and whether all is saved. */
export function StatusLine() {
  const plan = usePlan()
  const { arrangement, env, index, clashes } = useDerived()
  const used = heldSetsUsed(arrangement)
  const { reachOf, reachBySet } = useReachOfSets(noHeld, used)
  // a part of the reach would make the share look smaller than it is
  const isKnown = Object.keys(reachBySet).length >= used.length
  const figures = useMemo(
    () => arrangementFigures(plan.commands, arrivingTriggers(index, clashes), reachOf, index.readerOf),
    [plan.commands, clashes, reachOf, index],
  )
  // placed is placed, whether or not the press arrives; the clashes say which do not
  const placedCount = plan.commands.filter((c) => (index.triggers.get(c.id)?.length ?? 0) > 0).length
  // without commands there is no use of which there could be a share
  const nearText =
    figures.commandCount === 0 ? '–' : isKnown ? `${Math.round(figures.nearShare * 100)} %` : '…'
  const blocking = clashes.filter((c) => c.severity === 'blocks').length
  const { undone, redone } = useHistoryInWords((before, after) => changeInWords(before, after, env))
  return (
    <footer
      className="flex min-h-[34px] shrink-0 flex-wrap items-center gap-x-6 border-t border-ink bg-panel px-[14px]"
      aria-label="Figures of the arrangement"
    >
      <span>
        <b>{nearText}</b> of use at rest or easy
      </span>
      <span>
        <b>{placedCount}</b> of {figures.commandCount} commands placed
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
        <StepButton name="Undo" what={undone} onClick={undo} />
        <StepButton name="Redo" what={redone} onClick={redo} />
      </span>
    </footer>
  )
}

/** Undo or redo, with what it is about. */
function StepButton({ name, what, onClick }: { name: string; what: string | null; onClick: () => void }) {
  return (
    <button
      type="button"
      className="flex min-h-6 max-w-[230px] gap-1 px-1 underline-offset-2 enabled:hover:underline disabled:text-ink-2"
      disabled={what === null}
      title={what === null ? undefined : `${name}: ${what}`}
      onClick={onClick}
    >
      {name}
      {what !== null && <span className="truncate text-ink-2">{what}</span>}
    </button>
  )
}

function SaveNote() {
  const { state, reason } = autosave.useState()
  if (state === 'failed') {
    return (
      <span role="alert" className="text-magenta">
        <b>Not saved:</b> {reason || 'The browser refused.'} Export the plan, then make room.{' '}
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
