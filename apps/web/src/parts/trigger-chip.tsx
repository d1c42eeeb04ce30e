import { triggerName, type Trigger } from '@reach-plot/core'
import { useDerived } from '../store/selectors.js'

/** A trigger in words, `Ctrl+Shift+C`, as it stands in lists, tables and sentences. */
export function TriggerChip({ trigger }: { trigger: Trigger }) {
  const { env } = useDerived()
  const name = triggerName(trigger, env)
  return (
    <span className="truncate font-chart text-[14px] leading-tight font-semibold" title={name}>
      {name}
    </span>
  )
}
