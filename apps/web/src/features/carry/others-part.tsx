import type { DifferenceKind } from '@reach-plot/core'
import { ClashesOfChange } from '../../parts/clashes-of-change.js'
import { Dialog } from '../../parts/dialog.js'
import { howMany } from '../../parts/words.js'
import { useOthers, type OtherChange, type OthersScreen } from './use-others.js'

const kindNames: Readonly<Record<DifferenceKind, string>> = {
  placements: 'Keys',
  commands: 'Commands',
  programs: 'Programs',
  devices: 'Devices',
  benches: 'Benches',
  labels: 'Labels',
  rules: 'Rules',
  settings: 'Settings',
}

/** Another's plan: what is different in it, and what to take of it. */
export function OthersPart() {
  const view = useOthers()
  return (
    <div className="border-t border-rule px-[14px] py-4">
      <h3 className="caption">From another’s plan</h3>
      <p className="mt-1 text-ink-2">
        See what is different in a colleague’s plan or a team’s standard, and take what you want of it.
      </p>
      <button type="button" className="btn mt-2" onClick={() => void view.readTheirs()}>
        Choose their plan…
      </button>
      {view.theirs && <OthersDialog view={view} />}
    </div>
  )
}

function OthersDialog({ view }: { view: OthersScreen }) {
  const { theirs, base, all, conflicts, taken, take, close, readBase } = view
  return (
    <Dialog
      title={`What is different in ${theirs?.name ?? ''}`}
      wide
      onClose={close}
      actions={
        <>
          <button type="button" className="btn" onClick={close}>
            Cancel
          </button>
          <button type="button" className="btn btn-main" disabled={taken === 0} onClick={take}>
            Take {howMany(taken, 'change', 'changes')}
          </button>
        </>
      }
    >
      <p>
        {howMany(all, 'difference', 'differences')}
        {base
          ? `, ${howMany(conflicts, 'of them changed by both', 'of them changed by both')}, since ${base.name}.`
          : '.'}
      </p>
      {!base && (
        <p className="mt-1 text-ink-2">
          With the plan that both of you began with, what they alone have changed is ticked, and what both
          have changed is shown as a conflict.{' '}
          <button type="button" className="link" onClick={() => void readBase()}>
            Choose the plan that both began with…
          </button>
        </p>
      )}
      <KindRow view={view} />
      <ClashesOfChange after={view.after} />
      <ul className="mt-2" aria-label="Differences">
        {view.changes.slice(0, mostShown).map((c) => (
          <ChangeItem key={c.key} change={c} view={view} />
        ))}
      </ul>
      {view.changes.length > mostShown && (
        <p className="mt-2 text-ink-2">and {view.changes.length - mostShown} more: choose a kind above.</p>
      )}
    </Dialog>
  )
}

/** A longer list is looked through kind by kind. */
const mostShown = 400

function KindRow({ view: { counts, kind, setKind, all } }: { view: OthersScreen }) {
  return (
    <div role="group" aria-label="Kinds" className="mt-3 flex flex-wrap gap-2">
      <button type="button" className="btn" aria-pressed={kind === null} onClick={() => setKind(null)}>
        All {all}
      </button>
      {counts.map((c) => (
        <button
          key={c.kind}
          type="button"
          className="btn"
          aria-pressed={kind === c.kind}
          onClick={() => setKind(c.kind)}
        >
          {kindNames[c.kind]} {c.count}
        </button>
      ))}
    </div>
  )
}

function ChangeItem({ change, view }: { change: OtherChange; view: OthersScreen }) {
  const isTaken = view.isTaken(change)
  return (
    <li className="border-b border-rule py-1.5">
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-0.5 size-4 shrink-0 accent-(--magenta)"
          checked={isTaken}
          onChange={(e) => view.choose(change.key, e.target.checked)}
        />
        <span className="min-w-0 break-words">
          {change.isConflict && (
            <b className="text-magenta">Changed by both, {isTaken ? 'theirs is taken' : 'yours stays'}: </b>
          )}
          {change.words}
        </span>
      </label>
    </li>
  )
}
