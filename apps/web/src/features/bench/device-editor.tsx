import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { type DrawnControl, shiftControls } from '@reach-plot/core'
import { useEdit } from '../../store/plan-store.js'
import { ControlForm } from './control-form.js'
import { useDevice } from './device-page.js'
import { EditorTools } from './editor-tools.js'

/** Dragged controls land on this grid unless Alt is held, mm. */
const gridMm = 0.5
const marginMm = 8

/** Draws a device: controls are dragged, moved by arrow keys, or set by numbers; several are aligned at once. */
export function DeviceEditor() {
  const device = useDevice()
  const edit = useEdit()
  const [chosen, setChosen] = useState<readonly string[]>([])
  const svg = useRef<SVGSVGElement>(null)
  const drag = useRef<{
    x: number
    y: number
    ids: readonly string[]
    click: string | null
    dx: number
    dy: number
  } | null>(null)
  const known = chosen.filter((id) => device.controls.some((c) => c.id === id))
  const controls = known.flatMap((id) => device.controls.find((c) => c.id === id) ?? [])

  const toMm = (e: PointerEvent): { x: number; y: number } => {
    const m = svg.current?.getScreenCTM()
    return m ? { x: (e.clientX - m.e) / m.a, y: (e.clientY - m.f) / m.d } : { x: 0, y: 0 }
  }
  const choose = (id: string, add: boolean): readonly string[] => {
    const next = add
      ? known.includes(id)
        ? known.filter((k) => k !== id)
        : [...known, id]
      : known.includes(id)
        ? known
        : [id]
    setChosen(next)
    return next
  }
  const shift = (ids: readonly string[], dx: number, dy: number, group?: string): void =>
    edit((plan) => shiftControls(plan, device.id, ids, dx, dy), group)
  const shown = (ids: readonly string[]): readonly SVGGElement[] =>
    ids.flatMap((id) => svg.current?.querySelector<SVGGElement>(`[data-control="${id}"]`) ?? [])

  const onDown = (e: PointerEvent<SVGGElement>, id: string): void => {
    const ids = choose(id, e.shiftKey)
    const { x, y } = toMm(e)
    drag.current = { x, y, ids, click: e.shiftKey ? null : id, dx: 0, dy: 0 }
    e.currentTarget.setPointerCapture(e.pointerId)
  }
  const onMove = (e: PointerEvent): void => {
    const d = drag.current
    if (!d) return
    const { x, y } = toMm(e)
    const snap = (mm: number): number => (e.altKey ? mm : Math.round(mm / gridMm) * gridMm)
    d.dx = snap(x - d.x)
    d.dy = snap(y - d.y)
    for (const g of shown(d.ids)) {
      const c = device.controls.find((k) => k.id === g.dataset['control'])
      if (c) g.setAttribute('transform', `translate(${c.xMm + d.dx} ${c.yMm + d.dy})`)
    }
  }
  const onUp = (): void => {
    const d = drag.current
    drag.current = null
    if (!d) return
    if (d.dx !== 0 || d.dy !== 0) shift(d.ids, d.dx, d.dy)
    // a click that was no drag chooses that control alone
    else if (d.click !== null) setChosen([d.click])
  }
  const onKeyDown = (e: KeyboardEvent, id: string): void => {
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault()
      choose(id, e.shiftKey)
    }
    const direction = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key]
    if (!direction) return
    e.preventDefault()
    const step = e.shiftKey ? 0.5 : 1
    const ids = known.includes(id) ? known : choose(id, false)
    shift(ids, (direction[0] as number) * step, (direction[1] as number) * step, `nudge ${ids.join()}`)
  }

  return (
    <>
      <div className="flex min-w-0 grow flex-col">
        <EditorTools device={device} chosen={known} onChosen={setChosen} />
        <div className="relative min-h-0 grow bg-paper">
          <svg
            ref={svg}
            className="absolute inset-0 size-full touch-none"
            viewBox={`${-marginMm} ${-marginMm} ${device.widthMm + 2 * marginMm} ${device.heightMm + 2 * marginMm}`}
            role="group"
            aria-label={`Drawing of ${device.name}`}
          >
            <rect
              width={device.widthMm}
              height={device.heightMm}
              rx={1.5}
              fill="var(--panel)"
              stroke="var(--ink)"
              strokeWidth={0.4}
            />
            {device.controls.map((c) => (
              <g
                key={c.id}
                data-control={c.id}
                className="editor-control cursor-move outline-none"
                transform={`translate(${c.xMm} ${c.yMm})`}
                role="button"
                tabIndex={0}
                aria-pressed={known.includes(c.id)}
                aria-label={`${c.type} ${c.name || c.id}, ${c.xMm} mm across, ${c.yMm} mm along`}
                onPointerDown={(e) => onDown(e, c.id)}
                onPointerMove={onMove}
                onPointerUp={onUp}
                onPointerCancel={onUp}
                onKeyDown={(e) => onKeyDown(e, c.id)}
              >
                <ControlShape control={c} isChosen={known.includes(c.id)} />
              </g>
            ))}
          </svg>
        </div>
        <p className="border-t border-rule bg-panel px-[14px] py-1 text-[12px] text-ink-2">
          Drag, or move by the arrow keys (Shift: half a millimetre). Shift and click chooses several; the
          first chosen is the one that the others are aligned with.
        </p>
      </div>
      <section
        aria-label="The chosen controls"
        className="w-[312px] shrink-0 overflow-y-auto border-l border-rule bg-panel px-[14px] pt-3 pb-4"
      >
        <ControlForm key={known.join()} device={device} controls={controls} />
      </section>
    </>
  )
}

function ControlShape({ control, isChosen }: { control: DrawnControl; isChosen: boolean }) {
  const { widthMm: w, heightMm: h } = control
  const { label } = control
  return (
    <>
      <rect
        className="editor-cap"
        x={-w / 2}
        y={-h / 2}
        width={w}
        height={h}
        rx={control.shape === 'round' ? Math.min(w, h) / 2 : 0.8}
        fill={isChosen ? 'var(--reach-2)' : 'var(--key)'}
        stroke={isChosen ? 'var(--magenta)' : 'var(--edge)'}
        strokeWidth={isChosen ? 0.8 : 0.35}
      />
      {label && (
        <rect
          x={label.dxMm - label.widthMm / 2}
          y={label.dyMm - label.heightMm / 2}
          width={label.widthMm}
          height={label.heightMm}
          fill="none"
          stroke="var(--contour)"
          strokeWidth={0.3}
          strokeDasharray="1.2 0.8"
        />
      )}
      <text
        y={1.2}
        fontSize={3.4}
        textAnchor="middle"
        className="font-chart"
        fill={isChosen ? 'var(--on-reach)' : 'var(--ink)'}
      >
        {control.name || control.id}
      </text>
    </>
  )
}
