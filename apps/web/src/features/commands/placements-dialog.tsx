import { useMemo, useState } from 'react'
import { mergePlacements, takePlacements, type PlacementImport, type TakeMode } from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import { SelectField } from '../../parts/fields.js'
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
  onTake: (mode: TakeMode) => void
  onClose: () => void
}) {
  const plan = usePlan()
  const { arrangement } = useDerived()
  const [mode, setMode] = useState<TakeMode>('merge')
  const after = useMemo(() => takePlacements(editable(plan), placements, mode), [plan, placements, mode])
  const { held } = useMemo(
    () => mergePlacements(arrangement.placements, placements, mode, plan),
    [arrangement, placements, mode, plan],
  )
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
          <button type="button" className="btn btn-main" disabled={!isGood} onClick={() => onTake(mode)}>
            Import {placements.length} {placements.length === 1 ? 'placement' : 'placements'}
          </button>
        </>
      }
    >
      <SelectField
        label={`${placements.length} ${placements.length === 1 ? 'placement goes' : 'placements go'} into “${arrangement.name}”${arrangement.isDefault ? ', a copy of it,' : ''}`}
        labelClass="mb-1 block"
        className="w-[360px]"
        value={mode}
        choices={[
          { id: 'merge', name: 'in place of the keys that these commands have' },
          { id: 'add', name: 'as further keys of these commands' },
          { id: 'replace', name: 'in place of all keys of these programs' },
        ]}
        onChange={setMode}
      />
      {held.length > 0 && (
        <p className="mt-1">
          <b>{held.length}</b> stay as they are, since the command or the key is locked.
        </p>
      )}
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
