import { useState } from 'react'
import { LabelOptionsPanel } from './label-options.js'
import { LabelRows } from './label-rows.js'
import { SheetPreview } from './sheet-preview.js'
import { useLabelSheet, type LabelChoice } from './use-label-sheet.js'

/** Labels for the key tops of the program and context in front: what is printed, how it will look, what cannot be read. */
export function LabelsView() {
  const choice = useLabelSheet()
  return (
    <>
      <LabelOptionsPanel choice={choice} />
      <Preview choice={choice} />
      <LabelRows choice={choice} />
    </>
  )
}

function Preview({ choice }: { choice: LabelChoice }) {
  const [page, setPage] = useState(0)
  const [actual, setActual] = useState(false)
  const { font, printed, count } = choice
  const pageCount = printed?.pages.length ?? 0
  const shown = Math.min(page, Math.max(0, pageCount - 1))
  return (
    <section aria-label="Preview" className="flex min-w-0 grow flex-col items-center gap-2 p-4">
      <div className="flex w-full items-center gap-2">
        <p className="caption grow">
          Sheet in true proportion
          {printed && ` · ${printed.paper.widthMm.toFixed(0)} x ${printed.paper.heightMm.toFixed(0)} mm`}
        </p>
        <button type="button" className="btn" aria-pressed={!actual} onClick={() => setActual(false)}>
          Whole sheet
        </button>
        <button type="button" className="btn" aria-pressed={actual} onClick={() => setActual(true)}>
          Actual size
        </button>
      </div>
      <div
        role="region"
        aria-label="Sheet"
        tabIndex={0}
        className={`flex min-h-0 w-full grow ${actual ? 'overflow-auto' : 'justify-center'}`}
      >
        {printed && font && count > 0 ? (
          <SheetPreview sheet={printed} page={shown} font={font} actual={actual} />
        ) : (
          <p className="pt-8 text-ink-2">
            {font
              ? 'Nothing to print here. Place commands on the Plot, or choose another context.'
              : 'Reading the label font …'}
          </p>
        )}
      </div>
      {pageCount > 1 && (
        <div className="flex items-center gap-2">
          <button type="button" className="btn" disabled={shown === 0} onClick={() => setPage(shown - 1)}>
            Previous page
          </button>
          {shown + 1} of {pageCount}
          <button
            type="button"
            className="btn"
            disabled={shown === pageCount - 1}
            onClick={() => setPage(shown + 1)}
          >
            Next page
          </button>
        </div>
      )}
    </section>
  )
}
