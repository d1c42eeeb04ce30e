import { useMemo } from 'react'
import { takeCommands, type CommandImport } from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import { usePlan } from '../../store/plan-store.js'
import { BadLines } from './bad-lines.js'
import { ImportForesight } from './import-foresight.js'

/** What a CSV would do, with every bad line named, before anything changes. */
export function ImportDialog({
  fileName,
  read,
  onTake,
  onClose,
}: {
  fileName: string
  read: CommandImport
  onTake: () => void
  onClose: () => void
}) {
  const plan = usePlan()
  const after = useMemo(() => takeCommands(plan, read), [plan, read])
  const count = (status: string): number => read.rows.filter((r) => r.status === status).length
  const good = count('new') + count('changed')
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
          <button type="button" className="btn btn-main" disabled={good === 0} onClick={onTake}>
            {read.bad.length > 0 ? `Import the ${good} good lines` : `Import ${good} commands`}
          </button>
        </>
      }
    >
      <p>
        <b>{count('new')}</b> new, <b>{count('changed')}</b> changed, <b>{count('same')}</b> as they are,{' '}
        <b className={read.bad.length > 0 ? 'text-magenta' : ''}>{read.bad.length} with errors</b>
      </p>
      {good > 0 && <ImportForesight after={after} />}
      <BadLines bad={read.bad} />
      <table className="mt-4 w-full">
        <caption className="caption pb-1 text-left">Commands read</caption>
        <tbody>
          {read.rows.slice(0, 50).map(({ line, status, command }) => (
            <tr key={command.id} className="border-t border-rule">
              <td className="w-[80px] py-1">line {line}</td>
              <td className="w-[110px] py-1 text-ink-2">{status}</td>
              <td className="py-1">{command.name}</td>
              <td className="py-1 text-ink-2">{command.menu.join(' › ')}</td>
              <td className="py-1 text-right">{command.usesPerHour}/h</td>
            </tr>
          ))}
        </tbody>
      </table>
      {read.rows.length > 50 && <p className="mt-1 text-ink-2">and {read.rows.length - 50} more</p>}
    </Dialog>
  )
}
