import { severityWords, type Clash } from '@reach-plot/core'
import { SeveritySign } from './severity-sign.js'

/** So many are listed. */
const shown = 100

/** Clashes that a change would bring, behind their number, and how many it would end. */
export function ClashesBrought({ brings, ends }: { brings: readonly Clash[]; ends: number }) {
  const goes = ends > 0 ? `; ${ends} ${ends === 1 ? 'goes' : 'go'}` : ''
  if (brings.length === 0) return <p>{`It brings no clash${goes}.`}</p>
  return (
    <details>
      <summary className="cursor-pointer">
        It brings{' '}
        <b className="text-magenta">
          {brings.length} {brings.length === 1 ? 'clash' : 'clashes'}
        </b>
        {goes}
      </summary>
      <ul className="mt-1 max-h-[260px] space-y-0.5 overflow-y-auto">
        {brings.slice(0, shown).map((clash) => (
          <li key={`${clash.id} ${clash.commandIds.join()}`} className="flex items-baseline gap-1.5">
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
