import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { shiftControls } from '@reach-plot/core'
import { useEdit } from '../../store/plan-store.js'
import { useDevice } from './device-page.js'

/** Dragged controls land on this grid unless Alt is held, mm. */
const gridMm = 0.5

/** What is shown and can be done there. */
export function useDeviceEditor() {
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
  return { device, known, setChosen, svg, onDown, onMove, onUp, onKeyDown, controls }
}
