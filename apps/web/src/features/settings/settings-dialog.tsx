import {
  boardIds,
  boardName,
  systemIds,
  setSide,
  editDevice,
  setPlanSettings,
  type BoardDevice,
} from '@reach-plot/core'
import { layouts, systems } from '@reach-plot/data'
import { Dialog } from '../../parts/dialog.js'
import { SpanField } from '../../parts/span-field.js'
import { useSettingsDialog, type SettingsDialogView } from './use-settings-dialog.js'

/** The hand, the board under it, the national layout and the system. Every change shows at once and can be undone. */
export function SettingsDialog(props: { onClose: () => void }) {
  const view = useSettingsDialog(props)
  const { onClose } = view
  return (
    <Dialog
      title="Hand, board and system"
      onClose={onClose}
      actions={
        <button type="button" className="btn" onClick={onClose}>
          Done
        </button>
      }
    >
      <SettingsFields view={view} />
    </Dialog>
  )
}

function SettingsFields({ view }: { view: SettingsDialogView }) {
  const { hand, edit, rests, device, plan } = view
  return (
    <div className="grid grid-cols-[150px_1fr] items-center gap-x-4 gap-y-3">
      <span id="hand-side">Hand on the keys</span>
      <div role="radiogroup" aria-labelledby="hand-side" className="flex gap-4">
        {(['left', 'right'] as const).map((side) => (
          <label key={side} className="flex items-center gap-1.5">
            <input
              type="radio"
              name="side"
              className="accent-(--magenta)"
              checked={hand.side === side}
              onChange={() => edit((plan) => setSide(plan, side))}
            />{' '}
            {side}
          </label>
        ))}
        <span className="text-ink-2">rests on {rests.join(' ')}</span>
      </div>
      <label htmlFor="span">Hand span</label>
      <SpanField id="span" />
      {device.kind === 'board' && <BoardFields device={device} view={view} />}
      <Choice
        id="layout"
        label="National layout"
        value={plan.layoutId}
        options={layouts.map((l) => [l.id, l.name])}
        onChange={(id) => edit((before) => setPlanSettings(before, { layoutId: id }))}
      />
      <Choice
        id="other-layout"
        label="Another layout in use"
        value={plan.otherLayoutId ?? ''}
        options={[['', 'none'], ...layouts.map((l) => [l.id, l.name] as const)]}
        onChange={(id) => edit((before) => setPlanSettings(before, { otherLayoutId: id === '' ? null : id }))}
      />
      <Choice
        id="system"
        label="System"
        value={plan.system}
        options={systemIds.map((id) => [id, systems.find((s) => s.id === id)?.name ?? id])}
        onChange={(id) => edit((before) => setPlanSettings(before, { system: id }))}
      />
      <label htmlFor="plan-name">Name of the plan</label>
      <input
        id="plan-name"
        className="field"
        value={plan.name}
        maxLength={120}
        onChange={(e) =>
          e.target.value !== '' &&
          edit((before) => setPlanSettings(before, { name: e.target.value }), 'plan-name')
        }
      />
    </div>
  )
}

function BoardFields({ device, view: { edit } }: { device: BoardDevice; view: SettingsDialogView }) {
  return (
    <>
      <Choice
        id="board"
        label="Board"
        value={device.board}
        options={boardIds.map((id) => [id, boardName(id)])}
        onChange={(id) => edit((before) => editDevice(before, device.id, { board: id }))}
      />
      <Choice
        id="bottom-row"
        label="Bottom row"
        value={device.bottomRow}
        options={[
          ['windows', 'Windows style'],
          ['mac', 'Mac style'],
        ]}
        onChange={(row) => edit((before) => editDevice(before, device.id, { bottomRow: row }))}
      />
    </>
  )
}

function Choice<T extends string>({
  id,
  label,
  value,
  options,
  onChange,
}: {
  id: string
  label: string
  value: T
  options: readonly (readonly [T, string])[]
  onChange: (value: T) => void
}) {
  return (
    <>
      <label htmlFor={id}>{label}</label>
      <select id={id} className="field" value={value} onChange={(e) => onChange(e.target.value as T)}>
        {options.map(([v, name]) => (
          <option key={v} value={v}>
            {name}
          </option>
        ))}
      </select>
    </>
  )
}
