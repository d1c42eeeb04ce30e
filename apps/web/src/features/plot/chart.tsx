import { Maximize2, Minus, Plus, ScanSearch } from 'lucide-react'
import type { Ref } from 'react'
import { deviceTitle, handOnBench, pagesOf, type Page } from '@reach-plot/core'
import { DeviceOutline } from '../../drawing/device-outline.js'
import { ChartGround, ContourCaptions, HandBearings } from '../../drawing/chart-ground.js'
import { ContourKey } from '../../drawing/contour-key.js'
import { ChartKey } from '../../drawing/chart-key.js'
import { FingerToggle } from './finger-toggle.js'
import { keyUnder } from '../../drawing/use-key-walk.js'
import type { Places } from '../../drawing/places.js'
import { useChart, type ChartView, type ChartHandle } from './use-chart.js'

export function Chart(props: {
  places: Places | null
  /** controls that are free within the verdict that is looked for, or null */
  free: ReadonlySet<string> | null
  onKey: (controlRef: string) => void
  ref: Ref<ChartHandle>
}) {
  const view = useChart(props)
  const { barMm, pxPerMm, scaleBy, fitReach, fit, desk, env } = view
  return (
    <div className="relative min-h-0 grow">
      <ChartDrawing view={view} />
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
        <ContourKey env={env} />
      </div>
      <div className="absolute right-3 bottom-2 flex gap-1.5" role="group" aria-label="Zoom and contours">
        <FingerToggle />
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

function ChartDrawing({
  view: {
    svg,
    bench,
    group,
    walk,
    setHovered,
    onFocus,
    chart,
    outlines,
    env,
    pageOf,
    hand,
    prints,
    caps,
    faces,
  },
}: {
  view: ChartView
}) {
  return (
    <svg
      ref={svg}
      className="absolute inset-0 size-full touch-none bg-paper"
      role="group"
      aria-label={`Chart of ${bench.name}`}
    >
      <defs>
        <pattern id="hatch" width="2" height="2" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="2" stroke="var(--edge)" strokeWidth="0.6" />
        </pattern>
      </defs>
      <g
        ref={group}
        onKeyDown={walk.onKeyDown}
        onClick={walk.onClick}
        onPointerOver={(e) => setHovered(keyUnder(e.target)?.['code'] ?? null)}
        onFocus={onFocus}
      >
        <ChartGround chart={chart} />
        {outlines.map(({ placed, device }) => (
          <DeviceOutline
            key={device.id}
            placed={placed}
            device={device}
            title={[
              deviceTitle(device),
              device.kind === 'board' ? env.layout.name : pageTitle(pagesOf(device), pageOf(device.id)),
            ]
              .filter(Boolean)
              .join(' · ')}
          />
        ))}
        <HandBearings hand={handOnBench(hand)} controls={env.controls} />
        <ContourCaptions chart={chart} outlines={prints} caps={caps} />
        {faces.map((face) => (
          <ChartKey key={face.control.id} face={face} />
        ))}
      </g>
    </svg>
  )
}

/** Which of its pages a device shows, in words. */
function pageTitle(pages: readonly Page[], openId: string | undefined): string {
  const at = pages.findIndex((p) => p.id === openId)
  return at === -1 ? '' : `page ${at + 1} of ${pages.length}, ${pages[at]?.name}`
}
