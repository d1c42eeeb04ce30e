import {
  keyLegend,
  modifierName,
  triggerName,
  type NationalLayout,
  type SystemId,
  type Trigger,
} from '@reach-plot/core'
import { ModifierSign } from './modifier-sign.js'

/** A trigger as signs of its modifiers and the key's legend; read out by its full name. */
export function TriggerChip({
  trigger,
  layout,
  systemId,
}: {
  trigger: Trigger
  layout: NationalLayout
  systemId: SystemId
}) {
  return (
    <span
      className="inline-flex items-center gap-[3px] font-chart text-[14px] leading-none font-semibold whitespace-nowrap"
      title={triggerName(trigger, layout, systemId)}
    >
      {trigger.modifiers.map((m) => (
        <span key={m} className="inline-flex items-center gap-[2px]">
          <ModifierSign modifier={m} />
          <span className="sr-only">{modifierName(m, systemId)}+</span>
        </span>
      ))}
      {keyLegend(trigger.code, layout, systemId)}
    </span>
  )
}
