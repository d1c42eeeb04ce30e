import { useMemo } from 'react'
import { setPlacements, type PlacementImport } from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import { editable } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { BadLines } from './bad-lines.js'
import { ImportForesight } from './import-foresight.js'

/** What a CSV of placements would do, all or none, before anything changes. */
export function PlacementsDialog({
  fileName,
  read: { placements, bad },
  onTake,
  onClose,
}: {
  fileName: string
  read: PlacementImport
  onTake: () => void
  onClose: () => void
}) {
  const plan = usePlan()
  const { arrangement } = useDerived()
  const after = useMemo(() => setPlacements(editable(plan), placements), [plan, placements])
  const isGood = bad.length === 0
  return (
    <Dialog
      title={`Import ${fileName}`}
      wide
      onClose={onClose}
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn btn-main" disabled={!isGood} onClick={onTake}>
            Import {placements.length} {placements.length === 1 ? 'placement' : 'placements'}
          </button>
        </>
      }
    >
      <p>
        <b>{placements.length}</b> placements take the place of the <b>{arrangement.placements.length}</b> of
        “{arrangement.name}”{arrangement.isDefault && ', in a copy of it'}.
      </p>
      {isGood ? (
        <ImportForesight after={after} />
      ) : (
        <p className="mt-1">
          <b className="text-magenta">{bad.length} with errors</b>: nothing can be imported until they are
          mended in the file.
        </p>
      )}
      <BadLines bad={bad} />
    </Dialog>
  )
}
