import {
  actName,
  actOf,
  heldOf,
  modifierName,
  controlRef,
  controlName,
  triggerName,
  type Trigger,
} from '@reach-plot/core'
import { useDerived } from '../store/selectors.js'
import { ModifierSign } from './modifier-sign.js'

/** A trigger as signs of its modifiers and the key's legend; read out by its full name. */
export function TriggerChip({ trigger }: { trigger: Trigger }) {
  const { env } = useDerived()
  const how = actName(actOf(trigger))
  return (
    <span
      className="inline-flex items-center gap-[3px] font-chart text-[14px] leading-none font-semibold whitespace-nowrap"
      title={triggerName(trigger, env)}
    >
      {heldOf(trigger).map((m) => (
        <span key={m} className="inline-flex items-center gap-[2px]">
          <ModifierSign modifier={m} />
          <span className="sr-only">{modifierName(m, env.systemId)}+</span>
        </span>
      ))}
      {trigger.kind === 'button' && trigger.withId !== undefined && (
        <span>{env.legends?.get(controlRef(trigger.deviceId, trigger.withId)) ?? trigger.withId} +</span>
      )}
      {controlName(trigger, env)}
      {how !== '' && <span className="text-[12px] font-medium">{how}</span>}
    </span>
  )
}
