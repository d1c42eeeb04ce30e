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
import { ChoiceField, TextField, TickField } from '../../parts/fields.js'
import { NumberBox } from '../../parts/number-box.js'
import { useEdit } from '../../store/plan-store.js'

const codes = Object.keys(w3cCodes).sort()

/** Changes what all chosen controls have in common. */
type SetControls = (change: ControlChange, group: string) => void

/** Numbers and names of the chosen controls; of the device itself when none is chosen. */
export function ControlForm({
  device,
  controls,
}: {
  device: DrawnDevice
  controls: readonly DrawnControl[]
}) {
  const edit = useEdit()
  const [first] = controls
  if (!first) return <DeviceForm device={device} />
  const ids = controls.map((c) => c.id)
  const set: SetControls = (change, group) =>
    edit((plan) => editControls(plan, device.id, ids, () => change), `${group} ${ids.join()}`)
  const isOne = controls.length === 1
  return (
    <>
      <p className="caption">{isOne ? first.id : `${controls.length} controls`}</p>
      <h3 className="title mt-0.5">{isOne ? first.name || first.id : 'Set for all of them'}</h3>
      <div className="mt-3 grid grid-cols-2 gap-2">
        {isOne && <PlaceOfControl control={first} set={set} />}
        <ShapeFields control={first} set={set} />
        {isOne && first.type !== 'field' && (
          <CodeField code={first.code} onChange={(code) => set({ code }, 'code')} />
        )}
        {first.type === 'field' && <DirectionsField device={device} control={first} />}
        <div className="col-span-2 mt-1">
          <TickField checked={first.thumb === true} onChange={(thumb) => set({ thumb }, 'thumb')}>
            The thumb may work it
          </TickField>
        </div>
        {(first.type === 'dial' || first.type === 'wheel') && (
          <NumberBox
            label="Steps in a turn, 0 for not known"
            value={first.stepsPerTurn ?? 0}
            min={0}
            max={1000}
            onChange={(steps) => set({ stepsPerTurn: steps >= 1 ? Math.round(steps) : undefined }, 'steps')}
          />
        )}
        <LabelAreaFields device={device} ids={ids} control={first} />
      </div>
    </>
  )
}

function PlaceOfControl({ control, set }: { control: DrawnControl; set: SetControls }) {
  return (
    <>
      <TextField
        className="col-span-2"
        label="Name"
        value={control.name}
        maxLength={40}
        onChange={(name) => set({ name }, 'name')}
      />
      <NumberBox
        label="Centre across, mm"
        value={control.xMm}
        min={-1000}
        max={2000}
        onChange={(xMm) => set({ xMm }, 'x')}
      />
      <NumberBox
        label="Centre along, mm"
        value={control.yMm}
        min={-1000}
        max={2000}
        onChange={(yMm) => set({ yMm }, 'y')}
      />
    </>
  )
}

function ShapeFields({ control, set }: { control: DrawnControl; set: SetControls }) {
  return (
    <>
      <NumberBox
        label="Width, mm"
        value={control.widthMm}
        min={1}
        max={1000}
        onChange={(widthMm) => set({ widthMm }, 'w')}
      />
      <NumberBox
        label="Depth, mm"
        value={control.heightMm}
        min={1}
        max={1000}
        onChange={(heightMm) => set({ heightMm }, 'h')}
      />
      <NumberBox
        label="Turn, °"
        value={control.turnDeg ?? 0}
        min={-180}
        max={180}
        onChange={(turnDeg) => set({ turnDeg: turnDeg === 0 ? undefined : turnDeg }, 'turn')}
      />
      <NumberBox
        label="Height over the others, mm"
        value={control.zMm ?? 0}
        min={-200}
        max={200}
        onChange={(zMm) => set({ zMm: zMm === 0 ? undefined : zMm }, 'z')}
      />
      <ChoiceField
        label="Kind"
        value={control.type}
        options={controlTypes.map((t) => [t, t === 'field' ? 'stroke field' : t] as const)}
        onChange={(type) => set({ type }, 'type')}
      />
      <ChoiceField
        label="Shape"
        value={control.shape}
        options={[
          ['rect', 'rectangular'],
          ['round', 'round'],
        ]}
        onChange={(shape) => set({ shape }, 'shape')}
      />
    </>
  )
}

function DirectionsField({ device, control }: { device: DrawnDevice; control: DrawnControl }) {
  const edit = useEdit()
  return (
    <ChoiceField
      className="col-span-2"
      label="Directions of its strokes"
      value={String(control.directions ?? 8)}
      options={strokeCounts.map((n) => [String(n), String(n)] as const)}
      onChange={(chosen) => {
        const count = strokeCounts.find((n) => n === Number(chosen))
        if (count) edit((plan) => setDirections(plan, device.id, control.id, count))
      }}
    />
  )
}

const areaFields = [
  ['Label width, mm', 'widthMm', 1],
  ['Label depth, mm', 'heightMm', 1],
  ['from the centre across', 'dxMm', -1000],
  ['from the centre along', 'dyMm', -1000],
] as const

function LabelAreaFields({
  device,
  ids,
  control,
}: {
  device: DrawnDevice
  ids: readonly string[]
  control: DrawnControl
}) {
  const edit = useEdit()
  return (
    <>
      <div className="col-span-2">
        <TickField
          checked={control.label !== undefined}
          onChange={(isOwn) => edit((plan) => editControls(plan, device.id, ids, labelArea(isOwn)))}
        >
          A label area of its own
        </TickField>
      </div>
      {control.label &&
        areaFields.map(([label, field, min]) => (
          <NumberBox
            key={field}
            label={label}
            value={control.label?.[field] ?? 0}
            min={min}
            max={1000}
            onChange={(value) =>
              edit(
                (plan) => editControls(plan, device.id, ids, labelAreaWith(field, value)),
                `label ${field} ${ids.join()}`,
              )
            }
          />
        ))}
    </>
  )
}

const labelAreaWith =
  (field: (typeof areaFields)[number][1], value: number) =>
  ({ label }: DrawnControl): ControlChange =>
    label ? { label: { ...label, [field]: value } } : {}

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
        <TextField
          className="col-span-2"
          label="Name"
          value={device.name}
          maxLength={120}
          onChange={(name) => name !== '' && set({ name }, 'name')}
        />
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
        <ChoiceField
          className="col-span-2"
          label="What it is"
          value={device.form}
          options={deviceForms.map((f) => [f, f === 'touch' ? 'touch zone' : f] as const)}
          onChange={(form) => set({ form }, 'form')}
        />
      </div>
      <p className="mt-3 text-[12px] text-ink-2">
        A pen, mouse or trackball is worked by the pointing hand; everything else by the hand on the keys.
        Choose a control on the drawing to set it by numbers.
      </p>
    </>
  )
}
