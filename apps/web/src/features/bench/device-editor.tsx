import { keyLegend, type DrawnControl } from '@reach-plot/core'
import { useDerived } from '../../store/selectors.js'
import { CapShape } from '../../drawing/cap-shape.js'
import { ControlForm } from './control-form.js'
import { EditorTools } from './editor-tools.js'
import { useDeviceEditor } from './use-device-editor.js'

const marginMm = 8
/** Draws a device: controls are dragged, moved by arrow keys, or set by numbers; several are aligned at once. */
export function DeviceEditor() {
  const view = useDeviceEditor()
  const { device, known, setChosen, svg, onDown, onMove, onUp, onKeyDown, controls } = view
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
            onPointerDown={(e) => {
              // empty paper lets go of what is chosen
              if (!(e.target as Element).closest('[data-control]')) setChosen([])
            }}
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
                transform={`translate(${c.xMm} ${c.yMm}) rotate(${c.turnDeg ?? 0})`}
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
        className="side w-[312px] shrink-0 overflow-y-auto border-l border-rule bg-panel px-[14px] pt-3 pb-4"
      >
        <ControlForm key={known.join()} device={device} controls={controls} />
      </section>
    </>
  )
}

function ControlShape({ control, isChosen }: { control: DrawnControl; isChosen: boolean }) {
  const { env } = useDerived()
  const { widthMm: w, heightMm: h } = control
  const { label } = control
  return (
    <>
      <CapShape
        widthMm={w}
        heightMm={h}
        isRound={control.shape === 'round'}
        outlineMm={control.outlineMm}
        className="editor-cap"
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
        {control.name ||
          (control.code === null ? control.id : keyLegend(control.code, env.layout, env.systemId))}
      </text>
    </>
  )
}
