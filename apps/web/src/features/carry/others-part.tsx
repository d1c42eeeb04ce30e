import type { DifferenceKind } from '@reach-plot/core'
import { ClashesOfChange } from '../../parts/clashes-of-change.js'
import { Dialog } from '../../parts/dialog.js'
import { KindRow, TickList } from '../../parts/tick-list.js'
import { howMany } from '../../parts/words.js'
import { useOthers, type OthersScreen } from './use-others.js'

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
      <KindRow
        kinds={[
          { kind: 'all' as const, name: 'All', count: all },
          ...view.counts.map((c) => ({ ...c, name: kindNames[c.kind] })),
        ]}
        chosen={view.kind ?? 'all'}
        onChoose={(k) => view.setKind(k === 'all' ? null : k)}
      />
      <ClashesOfChange after={view.after} />
      <TickList
        label="Differences"
        items={view.changes}
        keyOf={(c) => c.key}
        isTaken={view.isTaken}
        onChoose={(c, on) => view.choose(c.key, on)}
      >
        {(c) => (
          <>
            {c.isConflict && (
              <b className="text-magenta">
                Changed by both, {view.isTaken(c) ? 'theirs is taken' : 'yours stays'}:{' '}
              </b>
            )}
            {c.words}
          </>
        )}
      </TickList>
    </Dialog>
  )
}
