import { contextsInWords, fullName, triggerName, type Chord, type Trigger } from '@reach-plot/core'
import { Dialog } from '../dialog.js'
import { RelayField } from './relay-field.js'
import { TriggerField } from './trigger-field.js'
import { useTriggerDialog, type TriggerDialogView } from './use-trigger-dialog.js'

/**
 * Places a command by any act on any control of the bench: repeated taps, holds, dials, strokes, pages, pen buttons,
 * pad keys held together, pop-up sets; and says what the control sends, where it sends keys.
 */
export function TriggerDialog(props: {
  /** chosen in the sheet where left out */
  commandId?: string | undefined
  start: Trigger
  sends?: readonly Chord[]
  onClose: () => void
}) {
  const view = useTriggerDialog(props)
  const { commandId, command, onClose, lacks, run, name } = view
  return (
    <Dialog
      title={commandId === undefined ? 'Place a command' : `Place “${command ? fullName(command) : ''}”`}
      onClose={onClose}
      wide
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-main"
            disabled={!command || lacks.length > 0}
            onClick={run}
          >
            Place on {name}
          </button>
        </>
      }
    >
      <TriggerForm view={view} />
    </Dialog>
  )
}

function TriggerForm({
  view: {
    commandId,
    chosen,
    setChosen,
    front,
    program,
    trigger,
    setTrigger,
    isKey,
    sends,
    setSends,
    command,
    lacks,
    reach,
    kept,
    holders,
    triggersOf,
    keep,
    setKeep,
    env,
  },
}: {
  view: TriggerDialogView
}) {
  return (
    <div className="grid grid-cols-[130px_1fr] items-center gap-x-4 gap-y-3">
      {commandId === undefined && (
        <>
          <label htmlFor="trigger-command">Command</label>
          <select
            id="trigger-command"
            className="field"
            value={chosen}
            onChange={(e) => setChosen(e.target.value)}
          >
            {front.map((c) => (
              <option key={c.id} value={c.id}>
                {fullName(c)} · {contextsInWords(c, program)}
              </option>
            ))}
          </select>
        </>
      )}
      <TriggerField trigger={trigger} onChange={setTrigger} />
      {!isKey && <RelayField sends={sends} onChange={setSends} command={command} />}
      <span>Reached</span>
      <p>
        {lacks.length > 0
          ? 'This bench does not have it.'
          : reach
            ? `${reach.verdict}, ${Math.round(reach.timeMs)} ms`
            : 'working it out …'}
      </p>
      {(kept !== null || holders.length > 0) && (
        <>
          <span>In the way</span>
          <p className="text-magenta">
            {kept !== null && `Kept: ${kept}. `}
            {holders.length > 0 &&
              `Held by ${holders.map((c) => `“${fullName(c)}”`).join(', ')}, which stays there too.`}
          </p>
        </>
      )}
      {command && triggersOf(command.id).length > 0 && (
        <label className="col-start-2 flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-(--magenta)"
            checked={keep}
            onChange={(e) => setKeep(e.target.checked)}
          />
          Keep{' '}
          {triggersOf(command.id)
            .map((t) => triggerName(t, env))
            .join(' and ')}{' '}
          as well
        </label>
      )}
    </div>
  )
}
