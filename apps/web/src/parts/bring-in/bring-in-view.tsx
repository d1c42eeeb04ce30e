import { ClipboardPaste, FileUp } from 'lucide-react'
import { useEffect, useRef, useState, type RefObject } from 'react'
import { chooseFile } from '../download.js'
import { isTyping } from '../shortcuts/use-shortcuts.js'
import { usePlan } from '../../store/plan-store.js'
import { ColumnsPanel } from './columns-panel.js'
import { Preview } from './preview.js'
import { TakeBar } from './take-bar.js'
import { pastedText, readSource, useBringIn } from './use-bring-in.js'

/** A person's own table of commands and keys, in whatever form they have it, looked over before it is taken. */
export function BringInView() {
  const view = useBringIn()
  return (
    <div className="flex min-h-0 min-w-0 grow flex-col">
      {view.table ? (
        <>
          <div className="flex min-h-0 grow flex-col gap-3 overflow-y-auto px-[14px] py-3">
            <ColumnsPanel view={view} table={view.table} />
            <Preview view={view} />
          </div>
          <TakeBar view={view} />
        </>
      ) : (
        <Source isReading={view.isReading} fileName={view.fileName} />
      )}
    </div>
  )
}

/** Reads what is pasted anywhere but into another field, and what is dropped. */
function useHandedOver(area: RefObject<HTMLTextAreaElement | null>): void {
  const plan = usePlan()
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      if (isTyping(event.target) && event.target !== area.current) return
      const pasted = pastedText(event.clipboardData)
      if (pasted.trim() === '') return
      event.preventDefault()
      void readSource(pasted, 'what was pasted', plan)
    }
    const onDragOver = (event: DragEvent): void => event.preventDefault()
    const onDrop = (event: DragEvent): void => {
      event.preventDefault()
      const file = event.dataTransfer?.files[0]
      const text = pastedText(event.dataTransfer)
      if (file) void readSource(file, file.name, plan)
      else if (text.trim() !== '') void readSource(text, 'what was dropped', plan)
    }
    addEventListener('paste', onPaste)
    addEventListener('dragover', onDragOver)
    addEventListener('drop', onDrop)
    return () => {
      removeEventListener('paste', onPaste)
      removeEventListener('dragover', onDragOver)
      removeEventListener('drop', onDrop)
    }
  }, [plan, area])
}

/** Where a table can come from: a file, the clipboard, or what is dropped. */
function Source({ isReading, fileName }: { isReading: boolean; fileName: string }) {
  const plan = usePlan()
  const [text, setText] = useState('')
  const area = useRef<HTMLTextAreaElement>(null)
  const button = useRef<HTMLButtonElement>(null)
  // after a table was taken or put away
  useEffect(() => {
    if (document.activeElement === document.body) button.current?.focus()
  }, [])
  const choose = async (): Promise<void> => {
    const file = await chooseFile('')
    if (file) await readSource(file, file.name, plan)
  }
  useHandedOver(area)
  return (
    <div className="min-h-0 grow overflow-y-auto px-[14px] py-4">
      <div className="grid max-w-[980px] grid-cols-[minmax(0,1fr)_300px] gap-8 max-[900px]:grid-cols-1">
        <div>
          <h3 className="text-[15px] font-semibold">Bring in commands and keys as you have them</h3>
          <p className="mt-1 text-ink-2">
            A spreadsheet, the table of a web page, a program’s own settings or key file, a list that you
            wrote. What the columns mean is guessed, and you see what would change before anything does.
          </p>
          <div className="mt-3 flex flex-wrap items-center gap-3">
            <button
              ref={button}
              type="button"
              className="btn btn-main"
              disabled={isReading}
              onClick={() => void choose()}
            >
              <FileUp size={14} aria-hidden="true" /> Choose a file
            </button>
            <span className="text-ink-2">or drop one here, or press Ctrl+V</span>
          </div>
          <label className="mt-4 block" htmlFor="bring-in-text">
            <span className="caption">Or type or paste it</span>
          </label>
          <textarea
            id="bring-in-text"
            ref={area}
            className="field mt-1 h-[230px] w-full font-mono text-[12px]"
            placeholder={'Save chart\tCtrl+S\nFit chart\tF5'}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <button
            type="button"
            className="btn mt-2"
            disabled={text.trim() === '' || isReading}
            onClick={() => void readSource(text, 'what was typed', plan)}
          >
            <ClipboardPaste size={14} aria-hidden="true" /> Read it
          </button>
          <p role="status" className="mt-2">
            {isReading && `Reading ${fileName} …`}
          </p>
        </div>
        <Forms />
      </div>
    </div>
  )
}

const forms: readonly (readonly [string, string])[] = [
  ['Tables', 'CSV, tabs, semicolons, .xlsx, cells that you copy'],
  ['Pages', 'HTML and Markdown tables, also copied from a page'],
  ['Settings', 'JSON, XML, property lists, INI, YAML, TOML'],
  ['Key files', 'a line for each key: bind Ctrl+S save'],
  ['Lists', 'Save chart … Ctrl+S'],
]
const spellings = ['Ctrl+Shift+E', 'C-x C-s', '⌘⇧A', '^A', '<Control>a', 'Strg+Umschalt+F5', 'Num 7', 'PgDn']

function Forms() {
  return (
    <aside aria-label="What can be read">
      <h4 className="caption">What can be read</h4>
      <dl className="mt-1">
        {forms.map(([name, what]) => (
          <div key={name} className="border-t border-rule py-1.5">
            <dt className="font-semibold">{name}</dt>
            <dd className="text-ink-2">{what}</dd>
          </div>
        ))}
      </dl>
      <h4 className="caption mt-3">Keys in any spelling</h4>
      <p className="mt-1 flex flex-wrap gap-x-3 gap-y-1 font-chart text-[14px]">
        {spellings.map((s) => (
          <span key={s}>{s}</span>
        ))}
      </p>
    </aside>
  )
}
