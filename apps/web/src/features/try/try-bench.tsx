import { deviceTitle, pagesOf, type ProgramId } from '@reach-plot/core'
import { ChartKey } from '../../drawing/chart-key.js'
import { DeviceOutline } from '../../drawing/device-outline.js'
import { useTryBench } from './use-try-bench.js'

/** The bench as keys that can be pressed; what stands on them in front is written on them. */
export function TryBench(props: {
  front: { readonly programId: ProgramId; readonly contextId: string }
  onControl: (controlRef: string) => void
}) {
  const view = useTryBench(props)
  const { svg, bench, group, walk, reveal, outlines, pageOf, faces } = view
  return (
    <div className="relative min-h-0 grow">
      <svg
        ref={svg}
        className="absolute inset-0 size-full touch-none bg-paper"
        role="group"
        aria-label={`Controls of ${bench.name}`}
      >
        <g
          ref={group}
          onKeyDown={walk.onKeyDown}
          onClick={walk.onClick}
          onFocus={(e) => e.target.matches(':focus-visible') && reveal(e.target)}
        >
          {outlines.map(({ placed, device }) => {
            const page = pagesOf(device).find((p) => p.id === pageOf(device.id))
            return (
              <DeviceOutline
                key={device.id}
                placed={placed}
                device={device}
                title={[deviceTitle(device), page?.name].filter(Boolean).join(' · ')}
              />
            )
          })}
          {faces.map((face) => (
            <ChartKey key={face.control.id} face={face} />
          ))}
        </g>
      </svg>
    </div>
  )
}
