import { useMemo } from 'react'
import { severityWords, type CommandId, type Trigger } from '@reach-plot/core'
import { SeveritySign } from '../../parts/severity-sign.js'
import { useDerived } from '../../store/selectors.js'

/** Findings that placing here would bring, before it is done. */
export function Foreseen({ commandId, trigger }: { commandId: CommandId; trigger: Trigger }) {
  const { foresee } = useDerived()
  const found = useMemo(
    () => foresee(commandId, trigger).filter((c) => c.kind !== 'two-commands'),
    [foresee, commandId, trigger],
  )
  if (found.length === 0) return null
  return (
    <span className="mt-1 block text-magenta">
      {found.slice(0, 3).map((clash) => (
        <span key={clash.id} className="flex items-baseline gap-1.5">
          <SeveritySign severity={clash.severity} /> {severityWords[clash.severity]}: {clash.message}
        </span>
      ))}
    </span>
  )
}
