import { fullName, triggerName, type Chord, type Trigger, type CommandId } from '@reach-plot/core'
import { CommandChooser } from '../command-chooser.js'
import { TickField } from '../fields.js'
import { SeveritySign } from '../severity-sign.js'
import { reservedNote, verdictWords } from '../words.js'
import { Dialog } from '../dialog.js'
import { ActList } from './act-list.js'
import { RelayField } from './relay-field.js'
import { useTriggerDialog, type TakenBy, type TriggerDialogView } from './use-trigger-dialog.js'

/**
 * Places a command by any act on any control of the bench: repeated taps, holds, dials, strokes, pages, pen buttons,
 * pad keys held together, pop-up sets; and says what the control sends, where it sends keys.
 */
export function TriggerDialog(props: {
  /** chosen in the dialog where left out */
  commandId?: CommandId | undefined
  start: Trigger
  sends?: readonly Chord[]
  /** the device that was clicked, where several have the same key */
  deviceId?: string
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
      <TriggerForm view={view} deviceId={props.deviceId} />
    </Dialog>
  )
}

function TriggerForm({ view, deviceId }: { view: TriggerDialogView; deviceId: string | undefined }) {
  const { commandId, chosen, setChosen, front, trigger, setTrigger, isKey, sends, setSends, command } = view
  return (
    <div className="grid grid-cols-[130px_1fr] items-center gap-x-4 gap-y-3">
      {commandId === undefined && (
        <>
          <span>Command</span>
          <CommandChooser label="Command" hideLabel commands={front} value={chosen} onChange={setChosen} />
        </>
      )}
      <ActList trigger={trigger} onChange={setTrigger} command={command} clickedDeviceId={deviceId} />
      {!isKey && <RelayField sends={sends} onChange={setSends} onBind={view.setBound} command={command} />}
      <TriggerJudgement view={view} />
      <OldKeysField view={view} />
    </div>
  )
}

/** How the trigger is reached, and who or what stands there already. */
function TriggerJudgement({ view }: { view: TriggerDialogView }) {
  const { lacks, reach, reserved, holders, foreseen } = view
  return (
    <>
      <span>Reached</span>
      <p>
        {lacks.length > 0
          ? 'This bench does not have it.'
          : reach
            ? `${verdictWords[reach.verdict]}, ${Math.round(reach.timeMs)} ms`
            : 'working it out …'}
      </p>
      {(reserved !== null || holders.length > 0) && (
        <>
          <span>In the way</span>
          <p className="text-magenta">
            {reserved !== null && `${reservedNote(reserved)}. `}
            {holders.length > 0 && `${holders.map((c) => `“${fullName(c)}”`).join(', ')}, which`}
          </p>
          {holders.length > 0 && <TakenField view={view} />}
        </>
      )}
      {foreseen.length > 0 && (
        <>
          <span className="self-start">It would bring</span>
          <ul>
            {foreseen.slice(0, 4).map((clash) => (
              <li key={clash.id} className="flex items-baseline gap-1.5 text-magenta">
                <SeveritySign severity={clash.severity} /> {clash.message}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  )
}

/** What becomes of those who stand there. */
function TakenField({ view: { taken, setTaken, own, env } }: { view: TriggerDialogView }) {
  const choices: readonly (readonly [TakenBy, string])[] = [
    ['stays', 'stays there too'],
    ['goes', 'loses this key'],
    ...(own ? [['swaps', `takes ${triggerName(own, env)} instead`] as const] : []),
  ]
  return (
    <div
      role="radiogroup"
      aria-label="What becomes of what is there"
      className="col-start-2 -mt-2 flex flex-wrap gap-x-5"
    >
      {choices.map(([id, name]) => (
        <label key={id} className="flex min-h-6 items-center gap-1.5">
          <input
            type="radio"
            name="taken"
            className="accent-(--magenta)"
            checked={taken === id}
            onChange={() => setTaken(id)}
          />
          {name}
        </label>
      ))}
    </div>
  )
}

/** Whether the command keeps the keys that it has. */
function OldKeysField({ view: { command, triggersOf, keep, setKeep, env } }: { view: TriggerDialogView }) {
  const own = command ? triggersOf(command.id) : []
  if (own.length === 0) return null
  return (
    <div className="col-start-2">
      <TickField checked={keep} onChange={setKeep}>
        Keep {own.map((t) => triggerName(t, env)).join(' and ')} as well
      </TickField>
    </div>
  )
}
