import { FileDown } from 'lucide-react'
import { listHtml, listMarkdown, triggerList } from '@reach-plot/core/labels'
import { labelDpis } from '@reach-plot/core/drawing'
import type { FileForm } from '@reach-plot/print'
import { download } from '../../parts/download.js'
import { showProblem } from '../../store/problem.js'
import { useDerived } from '../../store/selectors.js'
import { makeFaces } from '../../worker/label-client.js'
import { SelectField } from '../../parts/fields.js'
import { NumberField } from '../../parts/number-field.js'
import type { FileMaker } from './use-file.js'
import type { SheetState, SheetView } from './use-sheet.js'
import { useSavePanel } from './use-save-panel.js'

const forms: readonly { readonly id: FileForm; readonly name: string; readonly note: string }[] = [
  { id: 'pdf', name: 'PDF', note: 'vector, font embedded' },
  { id: 'svg', name: 'SVG', note: 'vector, one file a page' },
  { id: 'png', name: 'PNG', note: 'colours, one file a page' },
  { id: 'png1', name: 'PNG, 1 bit', note: 'one ink, one file a page' },
  { id: 'pwg', name: 'PWG raster', note: 'one ink, for printers' },
]

const dpiChoices = labelDpis.map((dpi) => ({ id: String(dpi), name: `${dpi} dots per inch` }))
/** Files of the sheet, in each form that it has. */
export function SavePanel(props: {
  view: SheetView
  state: SheetState
  maker: FileMaker
  onDpi: (dpi: number) => void
}) {
  const view = useSavePanel(props)
  const { isReady, save, state, title, onDpi, faces, px, setPx, hand, maker } = view
  return (
    <section aria-label="Save as" className="border-b border-rule px-[14px] pt-[10px] pb-3">
      <h3 className="caption mb-1">Save as</h3>
      <ul className="flex flex-col gap-1">
        {forms.map((form) => (
          <li key={form.id} className="flex items-center gap-2">
            <button
              type="button"
              className="btn w-[112px] justify-start"
              disabled={!isReady}
              onClick={() => void save(form.id)}
            >
              <FileDown size={14} aria-hidden="true" /> {form.name}
            </button>
            <span className="text-[12px] text-ink-2">{form.note}</span>
          </li>
        ))}
        {state.kind === 'list' && <ListForms title={title} order={state.order} />}
      </ul>
      <div className="mt-2 flex items-end gap-3">
        <SelectField
          label="Pictures with"
          className="w-[160px]"
          value={String(state.dpi)}
          choices={dpiChoices}
          onChange={(dpi) => onDpi(Number(dpi))}
        />
      </div>
      {faces && (
        <div className="mt-2 flex items-end gap-3 border-t border-rule pt-2">
          <NumberField
            label="Each button, pixels"
            value={px}
            least={16}
            most={1024}
            step={8}
            onChange={(value) => setPx(Math.round(value))}
          />
          <button
            type="button"
            className="btn"
            disabled={faces.length === 0}
            onClick={() => {
              makeFaces(faces, px).then(hand, showProblem)
            }}
          >
            <FileDown size={14} aria-hidden="true" /> {faces.length} pictures in a zip
          </button>
        </div>
      )}
      {maker.progress && <Progress progress={maker.progress} onCancel={maker.cancel} />}
    </section>
  )
}

function Progress({
  progress,
  onCancel,
}: {
  progress: NonNullable<FileMaker['progress']>
  onCancel: () => void
}) {
  const percent = progress.of === 0 ? 0 : Math.round((100 * progress.done) / progress.of)
  return (
    <div className="mt-2">
      <p className="flex items-center justify-between">
        <span>
          Page {progress.done} of {progress.of}
        </span>
        <button type="button" className="btn" onClick={onCancel}>
          Cancel
        </button>
      </p>
      <div
        role="progressbar"
        aria-label="Making the file"
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        className="mt-1 h-[6px] border border-edge"
      >
        <div className="h-full bg-contour" style={{ width: `${percent}%` }} />
      </div>
    </div>
  )
}

/** The list as a page for a browser and as text. */
function ListForms({ title, order }: { title: string; order: SheetState['order'] }) {
  const { arrangement, env } = useDerived()
  const isEmpty = arrangement.placements.length === 0
  const save = (form: 'md' | 'html'): void => {
    const list = triggerList(title, arrangement.placements, env, order)
    const text = form === 'md' ? listMarkdown(list) : listHtml(list)
    download(text, `triggers.${form}`, form === 'md' ? 'text/markdown' : 'text/html')
  }
  return (
    <>
      {(['html', 'md'] as const).map((form) => (
        <li key={form} className="flex items-center gap-2">
          <button
            type="button"
            className="btn w-[112px] justify-start"
            disabled={isEmpty}
            onClick={() => save(form)}
          >
            <FileDown size={14} aria-hidden="true" /> {form === 'md' ? 'Markdown' : 'HTML page'}
          </button>
          <span className="text-[12px] text-ink-2">
            {form === 'md' ? 'text with tables' : 'for a browser'}
          </span>
        </li>
      ))}
    </>
  )
}
