import {
  boardIds,
  boardName,
  keyLegend,
  spot,
  systemIds,
  type BoardDevice,
  type Device,
  type Plan,
} from '@reach-plot/core'
import { layouts, systems } from '@reach-plot/data'
import { Sheet } from '../../shared/dialog.js'
import { SpanField } from '../../shared/span-field.js'
import { setSide } from '../../store/bench-edits.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** The hand, the board under it, the national layout and the system. Every change shows at once and can be undone. */
export function DeskSheet({ onClose }: { onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const { hand, around } = useDerived()
  const device = plan.devices.find((d) => d.id === hand.deviceId) as Device
  const inDraft = (draft: Plan) => {
    const bench = draft.benches.find((b) => b.id === draft.activeBenchId) ?? draft.benches[0]!
    const first = bench.hands[0]!
    return { hand: first, device: draft.devices.find((d) => d.id === first.deviceId)! }
  }
  const onBoard = (draft: Plan, change: (board: BoardDevice) => void): void => {
    const { device: home } = inDraft(draft)
    if (home.kind === 'board') change(home)
  }
  const { little, ring, middle, index } = hand.rests
  const tips = hand.side === 'left' ? [little, ring, middle, index] : [index, middle, ring, little]
  const rests = tips.map((id) =>
    device.kind === 'board'
      ? keyLegend(id, around.layout, around.systemId)
      : (around.legends?.get(spot(device.id, id)) ?? id),
  )
  return (
    <Sheet
      title="Hand, board and system"
      onClose={onClose}
      actions={
        <button type="button" className="btn" onClick={onClose}>
          Done
        </button>
      }
    >
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
                onChange={() => edit((draft) => setSide(draft, side))}
              />{' '}
              {side}
            </label>
          ))}
          <span className="text-ink-2">rests on {rests.join(' ')}</span>
        </div>
        <label htmlFor="span">Hand span</label>
        <SpanField id="span" />
        {device.kind === 'board' && (
          <>
            <Choice
              id="board"
              label="Board"
              value={device.board}
              options={boardIds.map((id) => [id, boardName(id)])}
              onChange={(id) => edit((draft) => onBoard(draft, (board) => void (board.board = id)))}
            />
            <Choice
              id="bottom-row"
              label="Bottom row"
              value={device.bottomRow}
              options={[
                ['windows', 'Windows style'],
                ['mac', 'Mac style'],
              ]}
              onChange={(row) => edit((draft) => onBoard(draft, (board) => void (board.bottomRow = row)))}
            />
          </>
        )}
        <Choice
          id="layout"
          label="National layout"
          value={plan.layoutId}
          options={layouts.map((l) => [l.id, l.name])}
          onChange={(id) => edit((draft) => void (draft.layoutId = id))}
        />
        <Choice
          id="other-layout"
          label="Another layout in use"
          value={plan.otherLayoutId ?? ''}
          options={[['', 'none'], ...layouts.map((l) => [l.id, l.name] as const)]}
          onChange={(id) => edit((draft) => void (draft.otherLayoutId = id === '' ? null : id))}
        />
        <Choice
          id="system"
          label="System"
          value={plan.system}
          options={systemIds.map((id) => [id, systems.find((s) => s.id === id)?.name ?? id])}
          onChange={(id) => edit((draft) => void (draft.system = id))}
        />
        <label htmlFor="plan-name">Name of the plan</label>
        <input
          id="plan-name"
          className="field"
          value={plan.name}
          maxLength={120}
          onChange={(e) =>
            e.target.value !== '' && edit((draft) => void (draft.name = e.target.value), 'plan-name')
          }
        />
      </div>
    </Sheet>
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
