import { useState } from 'react'
import type { SheetKind } from '@reach-plot/core/labels'
import { ellipsePath, rectPath, white, type Drawing, type LabelFont } from '@reach-plot/core/drawing'
import { DrawingMarks } from './drawing-view.js'
import type { SheetView } from './use-sheet.js'

type Zoom = 'page' | 'width' | 'actual'

const zooms: readonly { readonly id: Zoom; readonly name: string }[] = [
  { id: 'page', name: 'Whole page' },
  { id: 'width', name: 'Full width' },
  { id: 'actual', name: 'Actual size' },
]

/** The pages of the sheet, one at a time, fitted or in the browser's millimetres. */
export function SheetPreview({ view, kind }: { view: SheetView; kind: SheetKind }) {
  const [page, setPage] = useState(0)
  const [zoom, setZoom] = useState<Zoom>(kind === 'labels' || kind === 'list' ? 'width' : 'page')
  const { font, sheet, nothing } = view
  const pages = sheet?.document.pages ?? []
  const shown = Math.min(page, Math.max(0, pages.length - 1))
  const drawing = pages[shown]
  const isRoll = sheet?.stock.kind === 'roll'
  return (
    <section aria-label="Preview" className="flex min-w-0 grow flex-col items-center gap-2 p-4">
      <div className="flex w-full items-center gap-2">
        <p className="caption grow truncate">
          {drawing ? `${drawing.widthMm.toFixed(0)} x ${drawing.heightMm.toFixed(0)} mm` : 'Preview'}
        </p>
        {pages.length > 1 && !isRoll && (
          <>
            <button
              type="button"
              className="btn"
              disabled={shown === 0}
              onClick={() => setPage(shown - 1)}
              aria-label="Previous page"
            >
              ‹
            </button>
            <span className="whitespace-nowrap">
              {shown + 1} of {pages.length}
            </span>
            <button
              type="button"
              className="btn"
              disabled={shown === pages.length - 1}
              onClick={() => setPage(shown + 1)}
              aria-label="Next page"
            >
              ›
            </button>
          </>
        )}
        {zooms
          .filter(({ id }) => !isRoll || id !== 'page')
          .map(({ id, name }) => (
            <button
              key={id}
              type="button"
              className="btn"
              aria-pressed={zoom === id}
              onClick={() => setZoom(id)}
            >
              {isRoll && id === 'width' ? 'Enlarged' : name}
            </button>
          ))}
      </div>
      <div
        role="region"
        aria-label="Sheet"
        tabIndex={0}
        className={`flex min-h-0 w-full grow ${zoom === 'page' && !isRoll ? 'items-center justify-center' : 'overflow-auto'}`}
      >
        {isRoll && font && drawing ? (
          <div
            className="flex flex-wrap content-start items-start"
            // as far apart as on the roll, but never touching
            style={{ gap: sheet.stock.kind === 'roll' ? Math.max(4, sheet.stock.gapMm * pxPerMm) : 0 }}
          >
            {pages.slice(0, mostOfRoll).map((label, i) => (
              <Page key={i} drawing={label} number={i + 1} view={view} font={font} zoom={zoom} isOnRoll />
            ))}
            {pages.length > mostOfRoll && <p>and {pages.length - mostOfRoll} more</p>}
          </div>
        ) : drawing && font ? (
          <Page drawing={drawing} number={shown + 1} view={view} font={font} zoom={zoom} />
        ) : (
          <p className="self-start pt-8 text-ink-2">{emptyText(view, nothing)}</p>
        )}
      </div>
    </section>
  )
}

const emptyText = (view: SheetView, nothing: string): string => {
  if (nothing !== '') return nothing
  return view.sheet
    ? 'Nothing to print here. Place commands on the Plot, or choose another context.'
    : 'Reading the label font …'
}

const zoomClass = (zoom: Zoom, ratio: number): string => {
  if (zoom === 'actual') return ''
  if (zoom === 'width') return 'h-fit w-full'
  return ratio < 1.1 ? 'h-full max-w-full' : 'max-h-full w-full'
}

/** A label by itself is small: so many pixels a millimetre show its dots. */
const pxPerMm = 6

/** Labels of a roll that are shown at once. */
const mostOfRoll = 150

const sizeOf = ({ widthMm, heightMm }: Drawing, zoom: Zoom, isOnRoll: boolean) => {
  if (zoom === 'actual') return { width: `${widthMm}mm`, height: `${heightMm}mm` }
  return isOnRoll ? { width: widthMm * pxPerMm, height: heightMm * pxPerMm } : {}
}

/** Paper is white by night too; labels of clear and black stock show what is behind their ink. */
function Page({
  drawing,
  number,
  view: { sheet, adjust },
  font,
  zoom,
  isOnRoll = false,
}: {
  drawing: Drawing
  number: number
  view: SheetView
  font: LabelFont
  zoom: Zoom
  isOnRoll?: boolean
}) {
  const { widthMm, heightMm, marks } = drawing
  const byId = new Map(sheet?.labels?.labels.map((label) => [label.controlId, label]))
  const ground = sheet?.ground ?? white
  const count = sheet?.labels ? marks.filter((m) => m.kind === 'group').length : null
  return (
    <svg
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      {...sizeOf(drawing, zoom, isOnRoll)}
      className={`shrink-0 border border-edge bg-white ${isOnRoll ? '' : zoomClass(zoom, widthMm / heightMm)}`}
      role="img"
      aria-label={`Page ${number}${count === null ? '' : ` with ${count} labels`}`}
    >
      <g transform={adjust.mirror ? `matrix(-1 0 0 1 ${widthMm} 0)` : undefined}>
        {ground !== white &&
          marks.map((mark) => {
            const label = mark.kind === 'group' ? byId.get(mark.id) : undefined
            if (mark.kind !== 'group' || !label) return null
            const { widthMm: w, heightMm: h } = label.drawing
            const shape = label.round ? ellipsePath : rectPath
            return <path key={mark.id} d={shape(mark.xMm, mark.yMm, w, h)} fill={ground} />
          })}
        <DrawingMarks marks={marks} font={font} />
      </g>
    </svg>
  )
}
