import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignStartHorizontal,
  AlignStartVertical,
  Scaling,
  StretchHorizontal,
  StretchVertical,
  Trash2,
} from 'lucide-react'
import { controlTypes, type DrawnDevice, align, deleteControls, type Alignment } from '@reach-plot/core'
import { NumberBox } from '../../parts/number-box.js'
import { TypeCodes } from './type-codes.js'
import { useEditorTools, type EditorToolsView } from './use-editor-tools.js'

const alignments: readonly (readonly [Alignment, string, typeof Trash2])[] = [
  ['left', 'Left edges in line', AlignStartVertical],
  ['centre', 'Centres in line, one above the other', AlignCenterVertical],
  ['right', 'Right edges in line', AlignEndVertical],
  ['top', 'Back edges in line', AlignStartHorizontal],
  ['middle', 'Centres in line, side by side', AlignCenterHorizontal],
  ['bottom', 'Front edges in line', AlignEndHorizontal],
  ['across', 'Spread evenly across', StretchHorizontal],
  ['along', 'Spread evenly along', StretchVertical],
  ['size', 'Size of the first', Scaling],
]
/** Adds controls, singly or as a grid, and aligns or deletes the chosen ones. */
export function EditorTools(props: {
  device: DrawnDevice
  chosen: readonly string[]
  onChosen: (ids: readonly string[]) => void
}) {
  const view = useEditorTools(props)
  const { type, setType, columns, setColumns, rows, setRows, stepMm, setStepMm, add } = view
  return (
    <div className="flex shrink-0 flex-wrap items-end gap-2 border-b border-rule bg-panel px-[14px] py-2">
      <div>
        <label htmlFor="new-type" className="block text-[12px] text-ink-2">
          Add
        </label>
        <select
          id="new-type"
          className="field"
          value={type}
          onChange={(e) => setType(controlTypes.find((t) => t === e.target.value) ?? 'key')}
        >
          {controlTypes.map((t) => (
            <option key={t} value={t}>
              {t === 'field' ? 'stroke field' : t}
            </option>
          ))}
        </select>
      </div>
      <div className="w-[70px]">
        <NumberBox
          label="Columns"
          value={columns}
          min={1}
          max={20}
          onChange={(n) => setColumns(Math.round(n))}
        />
      </div>
      <div className="w-[60px]">
        <NumberBox label="Rows" value={rows} min={1} max={20} onChange={(n) => setRows(Math.round(n))} />
      </div>
      <div className="w-[76px]">
        <NumberBox label="Pitch, mm" value={stepMm} min={5} max={200} step={0.05} onChange={setStepMm} />
      </div>
      <button type="button" className="btn" onClick={add}>
        Add {columns * rows === 1 ? 'it' : columns * rows}
      </button>
      <button
        type="button"
        className="btn"
        title="As many keys as there are columns, on an arc"
        onClick={view.addArc}
      >
        Add a thumb arc
      </button>
      <button type="button" className="btn" disabled={view.chosen.length === 0} onClick={view.copyBeside}>
        Copy beside
      </button>
      <button
        type="button"
        className="btn"
        title="All that is drawn, once more as the other half"
        onClick={view.mirror}
      >
        Mirror as the other half
      </button>
      <TypeCodes device={view.device} chosen={view.chosen} onChosen={props.onChosen} />
      <button
        type="button"
        className="btn"
        title="As many zones as there are columns and rows, along the edges of the chosen zone or stroke field, else of the whole device"
        onClick={view.addEdges}
      >
        Zones along its edges
      </button>
      <AlignTools view={view} />
    </div>
  )
}

function AlignTools({ view: { chosen, edit, device } }: { view: EditorToolsView }) {
  return (
    <div role="group" aria-label="Align the chosen controls" className="ml-auto flex gap-1">
      {alignments.map(([how, name, Icon]) => (
        <button
          key={how}
          type="button"
          className="btn px-[6px]"
          aria-label={name}
          title={name}
          disabled={chosen.length < 2}
          onClick={() => edit((plan) => align(plan, device.id, chosen, how))}
        >
          <Icon size={15} aria-hidden="true" />
        </button>
      ))}
      <button
        type="button"
        className="btn ml-2 px-[6px]"
        aria-label="Delete the chosen controls"
        title="Delete the chosen controls"
        disabled={chosen.length === 0 || chosen.length >= device.controls.length}
        onClick={() => edit((plan) => deleteControls(plan, device.id, chosen))}
      >
        <Trash2 size={15} aria-hidden="true" />
      </button>
    </div>
  )
}
