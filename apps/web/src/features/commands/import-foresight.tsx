import { useMemo } from 'react'
import { foresight, prepare, severityWords, type Plan } from '@reach-plot/core'
import { SeveritySign } from '../../parts/severity-sign.js'
import { usePlan } from '../../store/plan-store.js'
import { catalogues } from '../../worker/catalogues.js'

const shown = 12

/** Clashes that an import would bring and end, before it is taken. */
export function ImportForesight({ after }: { after: Plan }) {
  const plan = usePlan()
  const { brings, ends } = useMemo(
    () => foresight(prepare(plan, catalogues), prepare(after, catalogues)),
    [plan, after],
  )
  const goes = ends.length > 0 ? `${ends.length} ${ends.length === 1 ? 'goes' : 'go'}` : null
  if (brings.length === 0)
    return <p className="mt-1">It brings no clash{goes === null ? '' : `; ${goes}`}.</p>
  return (
    <details className="mt-1">
      <summary className="cursor-pointer">
        It brings{' '}
        <b className="text-magenta">
          {brings.length} {brings.length === 1 ? 'clash' : 'clashes'}
        </b>
        {goes !== null && `; ${goes}`}
      </summary>
      <ul className="mt-1 space-y-0.5">
        {brings.slice(0, shown).map((clash) => (
          <li key={clash.id} className="flex items-baseline gap-1.5">
            <SeveritySign severity={clash.severity} />
            <span>
              {severityWords[clash.severity]}: {clash.message}
            </span>
          </li>
        ))}
      </ul>
      {brings.length > shown && <p className="mt-1 text-ink-2">and {brings.length - shown} more</p>}
    </details>
  )
}
