import { Maximize2, Minus, Plus, ScanSearch } from 'lucide-react'
import { useEffect, useMemo, useRef, useState, type FocusEvent, type KeyboardEvent, type Ref } from 'react'
import { useImperativeHandle } from 'react'
import { activeBench, boardName, verdictLimits, type BenchControl } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { heldKey, useReachChart, useReachLayers } from '../../store/reach.js'
import { useDerived, useFront } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { keyFaces } from './chart-faces.js'
import { ChartGround, ContourCaptions, HandBearings } from './chart-ground.js'
import { ContourKey } from './contour-key.js'
import { ChartKey } from './chart-key.js'
import { useChartZoom, type Extent } from './use-chart-zoom.js'
import type { Places } from './use-places.js'

export interface ChartHandle {
  fitReach(): void
  fitDesk(): void
  focusKey(code?: string | null): void
}

const efforts = [verdictLimits.easy, verdictLimits.stretch]
const edgeMm = 8
const bare = [[]] as const

const extentOf = (controls: readonly BenchControl[]): Extent => ({
  x0: Math.min(...controls.map((c) => c.xMm - c.widthMm / 2)) - edgeMm,
  x1: Math.max(...controls.map((c) => c.xMm + c.widthMm / 2)) + edgeMm,
  y0: Math.min(...controls.map((c) => c.yMm - c.heightMm / 2)) - edgeMm,
  y1: Math.max(...controls.map((c) => c.yMm + c.heightMm / 2)) + edgeMm,
})

export function Chart({
  places,
  onKey,
  ref,
}: {
  places: Places | null
  onKey: (code: string) => void
  ref: Ref<ChartHandle>
}) {
  const plan = usePlan()
  const derived = useDerived()
  const front = useFront()
  const held = useHeld()
  const code = useView((s) => s.code)
  const set = useView((s) => s.set)
  const { layers } = useReachLayers([held])
  const { layers: bareLayers } = useReachLayers(bare)
  const { around, hand } = derived
  const bareLayer = bareLayers['']
  const svg = useRef<SVGSVGElement>(null)
  const group = useRef<SVGGElement>(null)
  const [pxPerMm, setPxPerMm] = useState(3)
  const [tabCode, setTabCode] = useState(hand.rests.index)
  const { fit, scaleBy, reveal } = useChartZoom(svg, group, setPxPerMm)

  const desk = useMemo(() => extentOf(around.controls), [around.controls])
  const reach = useMemo(() => {
    const near = around.controls.filter(
      (c) => c.code !== null && bareLayer?.[c.code] !== undefined && bareLayer[c.code]?.verdict !== 'away',
    )
    return near.length > 0 ? extentOf(near) : desk
  }, [around.controls, bareLayer, desk])
  const area = useMemo(
    () => ({ x0Mm: desk.x0 - 160, x1Mm: desk.x1 + 160, y0Mm: desk.y0 - 160, y1Mm: desk.y1 + 200, cellMm: 4 }),
    [desk],
  )
  const chart = useReachChart(area, efforts)

  const fitReach = (): void => fit(reach)
  const focusKey = (id?: string | null): void =>
    (svg.current?.querySelector(`[data-code="${id ?? tabCode}"]`) as SVGGElement | null)?.focus()
  useImperativeHandle(ref, () => ({ fitReach, fitDesk: () => fit(desk), focusKey }))
  // The first view, and the view of another board or hand, is what the hand can reach.
  const fitted = useRef<Extent | null>(null)
  useEffect(() => {
    if (!bareLayer || fitted.current === reach) return
    if (fitted.current === null || JSON.stringify(fitted.current) !== JSON.stringify(reach)) fit(reach)
    fitted.current = reach
  }, [bareLayer, reach, fit])

  const faces = useMemo(
    () => keyFaces({ derived, front, held, layer: layers[heldKey(held)], places, chosenCode: code, tabCode }),
    [derived, front.programId, front.contextId, held, layers, places, code, tabCode], // eslint-disable-line react-hooks/exhaustive-deps
  )

  const onKeyDown = (event: KeyboardEvent<SVGGElement>): void => {
    const here = (event.target as Element).closest<SVGGElement>('[data-code]')?.dataset['code']
    if (here === undefined) return
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      onKey(here)
      return
    }
    const direction = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[
      event.key
    ]
    if (!direction) return
    event.preventDefault()
    const next = neighbour(around.controls, here, direction[0] as number, direction[1] as number)
    if (next === null) return
    setTabCode(next)
    focusKey(next)
  }
  const setHovered = (at: string | null): void => {
    if (useView.getState().hovered !== at) set({ hovered: at })
  }
  const codeUnder = (target: EventTarget): string | null =>
    (target as Element).closest<SVGGElement>('[data-code]')?.dataset['code'] ?? null
  const onFocus = (event: FocusEvent<SVGGElement>): void => {
    setHovered(codeUnder(event.target))
    // a pointer needs no help to see what it presses
    if (event.target.matches(':focus-visible')) reveal(event.target)
  }
  const barMm = pxPerMm > 2 ? 25 : 100
  const device = plan.devices.find((d) => d.id === hand.deviceId)
  const board = useMemo(
    () => ({
      x0: desk.x0 + edgeMm - 4,
      x1: desk.x1 - edgeMm + 4,
      y0: desk.y0 + edgeMm - 4,
      y1: desk.y1 - edgeMm + 4,
    }),
    [desk],
  )

  return (
    <div className="relative min-h-0 grow">
      <svg
        ref={svg}
        className="absolute inset-0 size-full touch-none bg-paper"
        role="group"
        aria-label={`Chart of ${activeBench(plan).name}`}
      >
        <defs>
          <pattern
            id="hatch"
            width="2"
            height="2"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="2" stroke="var(--edge)" strokeWidth="0.6" />
          </pattern>
        </defs>
        <g
          ref={group}
          onKeyDown={onKeyDown}
          onClick={(e) => {
            const at = codeUnder(e.target)
            if (at !== null) {
              setTabCode(at)
              onKey(at)
            }
          }}
          onPointerOver={(e) => setHovered(codeUnder(e.target))}
          onFocus={onFocus}
        >
          <ChartGround chart={chart} />
          <rect
            x={board.x0}
            y={board.y0}
            width={board.x1 - board.x0}
            height={board.y1 - board.y0}
            rx={1}
            fill="var(--paper)"
            fillOpacity={0.45}
            stroke="var(--ink)"
            strokeWidth={0.45}
          />
          <text
            x={board.x0}
            y={board.y0 - 1.6}
            fontSize={3}
            letterSpacing={0.25}
            className="font-chart"
            fill="var(--ink-2)"
          >
            {`${device ? boardName(device.board) : ''} · ${around.layout.name}`.toUpperCase()}
          </text>
          <HandBearings hand={hand} controls={around.controls} />
          <ContourCaptions chart={chart} board={board} />
          {faces.map((face) => (
            <ChartKey key={face.control.id} face={face} />
          ))}
        </g>
      </svg>
      <div
        className="pointer-events-none absolute bottom-2 left-4 flex items-end gap-6 font-chart text-[12px]"
        aria-hidden="true"
      >
        <svg width={barMm * pxPerMm + 16} height="26" className="overflow-visible">
          <path
            d={`M0 4 V10 M0 7 H${barMm * pxPerMm} M${barMm * pxPerMm} 4 V10 M${(barMm * pxPerMm) / 2} 4 V10`}
            stroke="var(--ink)"
            fill="none"
          />
          <text y="23" fill="currentColor">
            0
          </text>
          <text x={barMm * pxPerMm} y="23" textAnchor="middle" fill="currentColor">
            {barMm} mm
          </text>
        </svg>
        <ContourKey />
      </div>
      <div className="absolute right-3 bottom-2 flex gap-1.5" role="group" aria-label="Zoom">
        <button type="button" className="btn px-[6px]" aria-label="Smaller" onClick={() => scaleBy(1 / 1.3)}>
          <Minus size={14} aria-hidden="true" />
        </button>
        <button type="button" className="btn px-[6px]" aria-label="Larger" onClick={() => scaleBy(1.3)}>
          <Plus size={14} aria-hidden="true" />
        </button>
        <button type="button" className="btn" onClick={fitReach}>
          <ScanSearch size={14} aria-hidden="true" /> Reach
        </button>
        <button type="button" className="btn" onClick={() => fit(desk)}>
          <Maximize2 size={13} aria-hidden="true" /> Desk
        </button>
      </div>
    </div>
  )
}

/** The nearest key in a direction; sideways distance counts double, so that the focus keeps to its row or column. */
function neighbour(controls: readonly BenchControl[], from: string, dx: number, dy: number): string | null {
  const here = controls.find((c) => c.id === from)
  if (!here) return null
  let best: string | null = null
  let least = Infinity
  for (const c of controls) {
    const along = (c.xMm - here.xMm) * dx + (c.yMm - here.yMm) * dy
    const across = Math.abs((c.xMm - here.xMm) * dy) + Math.abs((c.yMm - here.yMm) * dx)
    const cost = along + 2 * across
    if (c.id !== from && along > 4 && across < along * 2 && cost < least) {
      least = cost
      best = c.id
    }
  }
  return best
}
