import {
  actName,
  acts,
  keyTrigger,
  modifierName,
  controlName,
  triggerKey,
  withAct,
  withHeld,
  actOf,
  type Act,
  type Trigger,
} from '@reach-plot/core'
import { ListenButton } from '../key-find.js'
import { ModifierSign } from '../modifier-sign.js'
import { offeredModifiers, toggle } from '../held-sets.js'
import { useTriggerField, type TriggerFieldView } from './use-trigger-field.js'

/** Choices from which any trigger of the bench can be made, as rows of a two-column grid. */
export function TriggerField(props: {
  trigger: Trigger
  onChange: (trigger: Trigger) => void
  clickedDeviceId?: string | undefined
}) {
  const view = useTriggerField(props)
  const { id, trigger, deviceId, arrangement, onChange, toControl, controls, bench, plan } = view
  return (
    <>
      <label htmlFor={`${id}-device`}>Device</label>
      <select
        id={`${id}-device`}
        className="field"
        value={trigger.kind === 'popup' ? 'popup' : deviceId}
        onChange={(e) => {
          const [set] = arrangement.popups
          if (e.target.value === 'popup' && set) onChange({ kind: 'popup', setId: set.id, entry: 1 })
          else toControl(controls.find((c) => c.deviceId === e.target.value))
        }}
      >
        {bench.devices.map((d) => (
          <option key={d.deviceId} value={d.deviceId}>
            {plan.devices.find((x) => x.id === d.deviceId)?.name}
          </option>
        ))}
        {arrangement.popups.length > 0 && <option value="popup">Pop-up sets</option>}
      </select>
      {trigger.kind === 'popup' ? (
        <>
          <label htmlFor={`${id}-set`}>Pop-up set</label>
          <select
            id={`${id}-set`}
            className="field"
            value={trigger.setId}
            onChange={(e) => onChange({ kind: 'popup', setId: e.target.value, entry: 1 })}
          >
            {arrangement.popups.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </select>
          <label htmlFor={`${id}-entry`}>Entry in it</label>
          <select
            id={`${id}-entry`}
            className="field"
            value={trigger.entry}
            onChange={(e) => onChange({ ...trigger, entry: Number(e.target.value) })}
          >
            {Array.from(
              { length: arrangement.popups.find((s) => s.id === trigger.setId)?.entries ?? 0 },
              (_, i) => (
                <option key={i} value={i + 1}>
                  {i + 1}
                </option>
              ),
            )}
          </select>
        </>
      ) : (
        <ControlPart view={view} />
      )}
    </>
  )
}

function ControlPart({ view }: { view: TriggerFieldView }) {
  const {
    id,
    device,
    control,
    toControl,
    onDevice,
    nameOf,
    keyFind,
    pages,
    trigger,
    onChange,
    ways,
    env,
    held,
  } = view
  return (
    <>
      <label htmlFor={`${id}-control`}>{device?.kind === 'board' ? 'Key' : 'Control'}</label>
      <div className="flex gap-2">
        <select
          id={`${id}-control`}
          className="field min-w-0 grow"
          value={control?.id ?? ''}
          onChange={(e) => toControl(onDevice.find((c) => c.id === e.target.value))}
        >
          {!control && <option value="">not on this bench</option>}
          {onDevice.map((c) => (
            <option key={c.id} value={c.id}>
              {nameOf(c)}
            </option>
          ))}
        </select>
        {device?.kind === 'board' && <ListenButton {...keyFind} label="Choose a key by pressing it" />}
      </div>
      {pages.length > 0 && (trigger.kind === 'button' || trigger.kind === 'turn') && (
        <PagePart trigger={trigger} view={view} />
      )}
      <label htmlFor={`${id}-way`}>How</label>
      {ways.length > 1 ? (
        <select
          id={`${id}-way`}
          className="field"
          value={triggerKey(trigger)}
          onChange={(e) => onChange(ways.find((w) => triggerKey(w) === e.target.value) ?? trigger)}
        >
          {ways.map((w) => (
            <option key={triggerKey(w)} value={triggerKey(w)}>
              {w.kind === 'button' ? 'press' : controlName(w, env)}
            </option>
          ))}
        </select>
      ) : (
        <WayChoice view={view} />
      )}
      {trigger.kind === 'button' && onDevice.length > 1 && <WithPart trigger={trigger} view={view} />}
      <span id={`${id}-held`}>Modifiers</span>
      <div role="group" aria-labelledby={`${id}-held`} className="flex flex-wrap gap-2">
        {offeredModifiers(env.layout).map((m) => (
          <button
            key={m}
            type="button"
            className="btn font-chart text-[14px] font-semibold"
            aria-pressed={held.includes(m)}
            onClick={() => onChange(withHeld(trigger, toggle(held, m)))}
          >
            <ModifierSign modifier={m} /> {modifierName(m, env.systemId)}
          </button>
        ))}
      </div>
    </>
  )
}

function PagePart({
  trigger,
  view: { id, onChange, pages },
}: {
  trigger: Extract<Trigger, { kind: 'button' | 'turn' }>
  view: TriggerFieldView
}) {
  return (
    <>
      <label htmlFor={`${id}-page`}>Page</label>
      <select
        id={`${id}-page`}
        className="field"
        value={trigger.pageId ?? ''}
        onChange={(e) => onChange({ ...trigger, pageId: e.target.value })}
      >
        {pages.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </select>
    </>
  )
}

function WayChoice({ view: { id, isPressed, trigger, onChange, held } }: { view: TriggerFieldView }) {
  return (
    <select
      id={`${id}-way`}
      className="field"
      disabled={!isPressed}
      value={actOf(trigger)}
      onChange={(e) =>
        onChange(
          'code' in trigger
            ? keyTrigger(trigger.code, e.target.value as Act, held)
            : withAct(trigger, e.target.value as Act),
        )
      }
    >
      {acts.map((a) => (
        <option key={a} value={a}>
          {a === 'press' ? 'pressed once' : a.startsWith('tap') ? `tapped ${actName(a)}` : actName(a)}
        </option>
      ))}
    </select>
  )
}

function WithPart({
  trigger,
  view: { id, onChange, onDevice, nameOf },
}: {
  trigger: Extract<Trigger, { kind: 'button' }>
  view: TriggerFieldView
}) {
  return (
    <>
      <label htmlFor={`${id}-with`}>With another held</label>
      <select
        id={`${id}-with`}
        className="field"
        value={trigger.withId ?? ''}
        onChange={(e) => {
          const { withId: _before, ...rest } = trigger
          onChange(e.target.value === '' ? rest : { ...rest, withId: e.target.value })
        }}
      >
        <option value="">none</option>
        {onDevice
          .filter((c) => c.controlId !== trigger.controlId && c.type !== 'dial' && c.type !== 'field')
          .map((c) => (
            <option key={c.id} value={c.controlId}>
              {nameOf(c)}
            </option>
          ))}
      </select>
    </>
  )
}
