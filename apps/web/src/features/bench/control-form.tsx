import { useId, useState } from 'react'
import {
  controlTypes,
  deviceForms,
  strokeCounts,
  type DrawnControl,
  type DrawnDevice,
  editControls,
  setDirections,
  type ControlChange,
  editDevice,
} from '@reach-plot/core'
import { w3cCodes } from '@reach-plot/data'
import { NumberBox } from '../../parts/number-box.js'
import { useEdit } from '../../store/plan-store.js'

const codes = Object.keys(w3cCodes).sort()

/** Numbers and names of the chosen controls; of the device itself when none is chosen. */
export function ControlForm({
  device,
  controls,
}: {
  device: DrawnDevice
  controls: readonly DrawnControl[]
}) {
  const edit = useEdit()
  const id = useId()
  const [first] = controls
  if (!first) return <DeviceForm device={device} />
  const ids = controls.map((c) => c.id)
  const set = (change: ControlChange, group: string): void =>
    edit((plan) => editControls(plan, device.id, ids, () => change), `${group} ${ids.join()}`)
  const one = controls.length === 1
  return (
    <>
      <p className="caption">{one ? first.id : `${controls.length} controls`}</p>
      <h3 className="title mt-0.5">{one ? first.name || first.id : 'Set for all of them'}</h3>
      <div className="mt-3 grid grid-cols-2 gap-2">
        {one && (
          <label className="col-span-2">
            <span className="block text-[12px] text-ink-2">Name</span>
            <input
              className="field w-full"
              value={first.name}
              maxLength={40}
              onChange={(e) => set({ name: e.target.value }, 'name')}
            />
          </label>
        )}
        {one && (
          <>
            <NumberBox
              label="Centre across, mm"
              value={first.xMm}
              min={-1000}
              max={2000}
              onChange={(xMm) => set({ xMm }, 'x')}
            />
            <NumberBox
              label="Centre along, mm"
              value={first.yMm}
              min={-1000}
              max={2000}
              onChange={(yMm) => set({ yMm }, 'y')}
            />
          </>
        )}
        <NumberBox
          label="Width, mm"
          value={first.widthMm}
          min={1}
          max={1000}
          onChange={(widthMm) => set({ widthMm }, 'w')}
        />
        <NumberBox
          label="Depth, mm"
          value={first.heightMm}
          min={1}
          max={1000}
          onChange={(heightMm) => set({ heightMm }, 'h')}
        />
        <label>
          <span className="block text-[12px] text-ink-2">Kind</span>
          <select
            className="field w-full"
            value={first.type}
            onChange={(e) => {
              const type = controlTypes.find((t) => t === e.target.value)
              if (type) set({ type }, 'type')
            }}
          >
            {controlTypes.map((t) => (
              <option key={t} value={t}>
                {t === 'field' ? 'stroke field' : t}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block text-[12px] text-ink-2">Shape</span>
          <select
            className="field w-full"
            value={first.shape}
            onChange={(e) => set({ shape: e.target.value === 'round' ? 'round' : 'rect' }, 'shape')}
          >
            <option value="rect">rectangular</option>
            <option value="round">round</option>
          </select>
        </label>
        {one && first.type !== 'field' && (
          <CodeField code={first.code} onChange={(code) => set({ code }, 'code')} />
        )}
        {first.type === 'field' && (
          <div className="col-span-2">
            <label htmlFor={`${id}-directions`} className="block text-[12px] text-ink-2">
              Directions of its strokes
            </label>
            <select
              id={`${id}-directions`}
              className="field w-full"
              value={first.directions ?? 8}
              onChange={(e) => {
                const count = strokeCounts.find((n) => n === Number(e.target.value))
                if (count) edit((plan) => setDirections(plan, device.id, first.id, count))
              }}
            >
              {strokeCounts.map((n) => (
                <option key={n} value={n}>
                  {n}
                </option>
              ))}
            </select>
          </div>
        )}
        <label className="col-span-2 mt-1 flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-(--magenta)"
            checked={first.thumb === true}
            onChange={(e) => set({ thumb: e.target.checked }, 'thumb')}
          />
          The thumb may work it
        </label>
        {(first.type === 'dial' || first.type === 'wheel') && (
          <NumberBox
            label="Steps in a turn, 0 for not known"
            value={first.stepsPerTurn ?? 0}
            min={0}
            max={1000}
            onChange={(steps) => set({ stepsPerTurn: steps >= 1 ? Math.round(steps) : undefined }, 'steps')}
          />
        )}
        <label className="col-span-2 flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-(--magenta)"
            checked={first.label !== undefined}
            onChange={(e) => edit((plan) => editControls(plan, device.id, ids, labelArea(e.target.checked)))}
          />
          A label area of its own
        </label>
        {first.label && (
          <>
            {(
              [
                ['Label width, mm', 'widthMm', 1],
                ['Label depth, mm', 'heightMm', 1],
                ['from the centre across', 'dxMm', -1000],
                ['from the centre along', 'dyMm', -1000],
              ] as const
            ).map(([label, field, min]) => (
              <NumberBox
                key={field}
                label={label}
                value={first.label?.[field] ?? 0}
                min={min}
                max={1000}
                onChange={(value) =>
                  edit(
                    (plan) =>
                      editControls(plan, device.id, ids, ({ label }) =>
                        label ? { label: { ...label, [field]: value } } : {},
                      ),
                    `label ${field} ${ids.join()}`,
                  )
                }
              />
            ))}
          </>
        )}
      </div>
    </>
  )
}

/** The key code that a control sends, checked against the codes that there are; empty for none. */
function CodeField({ code, onChange }: { code: string | null; onChange: (code: string | null) => void }) {
  const id = useId()
  const [text, setText] = useState<string | null>(null)
  const shown = text ?? code ?? ''
  const wrong = shown !== '' && !codes.includes(shown)
  return (
    <div className="col-span-2">
      <label htmlFor={id} className="block text-[12px] text-ink-2">
        Key code that it sends
      </label>
      <input
        id={id}
        className="field w-full"
        list={`${id}-codes`}
        placeholder="none: its driver is told what it does"
        value={shown}
        aria-invalid={wrong}
        onChange={(e) => {
          setText(e.target.value)
          if (e.target.value === '') onChange(null)
          else if (codes.includes(e.target.value)) onChange(e.target.value)
        }}
        onBlur={() => setText(null)}
      />
      <datalist id={`${id}-codes`}>
        {codes.map((c) => (
          <option key={c} value={c} />
        ))}
      </datalist>
      {wrong && <p className="text-[12px] text-magenta">There is no key code of that name.</p>}
    </div>
  )
}

/** A label area of its own, a little smaller than the cap; or none. */
const labelArea =
  (isOwn: boolean) =>
  ({ widthMm, heightMm }: DrawnControl): ControlChange => ({
    label: isOwn
      ? { dxMm: 0, dyMm: 0, widthMm: Math.max(1, widthMm - 3), heightMm: Math.max(1, heightMm - 3) }
      : undefined,
  })

function DeviceForm({ device }: { device: DrawnDevice }) {
  const edit = useEdit()
  const set = (
    change: Partial<Pick<DrawnDevice, 'widthMm' | 'heightMm' | 'form' | 'name'>>,
    group: string,
  ): void => edit((plan) => editDevice(plan, device.id, change), `${group} ${device.id}`)
  return (
    <>
      <p className="caption">The device</p>
      <h3 className="title mt-0.5">{device.controls.length} controls</h3>
      <div className="mt-3 grid grid-cols-2 gap-2">
        <label className="col-span-2">
          <span className="block text-[12px] text-ink-2">Name</span>
          <input
            className="field w-full"
            value={device.name}
            maxLength={120}
            onChange={(e) => e.target.value !== '' && set({ name: e.target.value }, 'name')}
          />
        </label>
        <NumberBox
          label="Width, mm"
          value={device.widthMm}
          min={1}
          max={1000}
          onChange={(widthMm) => set({ widthMm }, 'w')}
        />
        <NumberBox
          label="Depth, mm"
          value={device.heightMm}
          min={1}
          max={1000}
          onChange={(heightMm) => set({ heightMm }, 'h')}
        />
        <label className="col-span-2">
          <span className="block text-[12px] text-ink-2">What it is</span>
          <select
            className="field w-full"
            value={device.form}
            onChange={(e) => {
              const form = deviceForms.find((f) => f === e.target.value)
              if (form) set({ form }, 'form')
            }}
          >
            {deviceForms.map((f) => (
              <option key={f} value={f}>
                {f === 'touch' ? 'touch zone' : f}
              </option>
            ))}
          </select>
        </label>
      </div>
      <p className="mt-3 text-[12px] text-ink-2">
        A pen, mouse or trackball is worked by the pointing hand; everything else by the hand on the keys.
        Choose a control on the drawing to set it by numbers.
      </p>
    </>
  )
}
