import { useState } from 'react'
import { howMany } from '../../parts/words.js'
import { DeviationsDialog } from './deviations-dialog.js'
import { StandardDialog } from './standard-dialog.js'
import { useStandard } from './use-standard.js'

/** The standard of a team: following one, what is new in it, and one's own ways beside it. */
export function StandardPart() {
  const view = useStandard()
  const { plan, standing, working, looked } = view
  const [isAsked, setAsked] = useState(false)
  return (
    <div className="border-t border-rule px-[14px] py-4">
      <h3 className="caption">A team’s standard</h3>
      {plan.standard && standing ? (
        <p className="mt-1 text-ink-2">
          This plan follows <b className="text-ink">{plan.standard.name}</b>: {standing.asStandard.length} of{' '}
          {howMany(plan.standard.keys.length, 'command', 'commands')} as it has them,{' '}
          {standing.deviations.length} your own way,{' '}
          {standing.lacking.length > 0 && `${standing.lacking.length} that you do not have, `}
          and {standing.ours.length} about which it says nothing.
        </p>
      ) : (
        <p className="mt-1 text-ink-2">
          Take over what your team has agreed on, as far as it suits your desk and hand, and see later what is
          new in it.
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn" disabled={working !== null} onClick={() => void view.read()}>
          {plan.standard ? 'Read a newer version…' : 'Choose the standard…'}
        </button>
        {standing && standing.deviations.length > 0 && (
          <button type="button" className="btn" onClick={() => setAsked(true)}>
            Your own ways…
          </button>
        )}
        {plan.standard && (
          <button type="button" className="btn" onClick={view.leave}>
            Follow it no longer
          </button>
        )}
      </div>
      <p role="status" className="mt-2 empty:mt-0">
        {working && (
          <>
            “{working.name}” is looked through: {howMany(working.count, 'key', 'keys')} that would not suit
            you so far …{' '}
            <button type="button" className="link" onClick={view.cancel}>
              Stop
            </button>
          </>
        )}
      </p>
      {looked && <StandardDialog view={view} looked={looked} />}
      {isAsked && standing && (
        <DeviationsDialog standing={standing} onWhy={view.sayWhy} onClose={() => setAsked(false)} />
      )}
    </div>
  )
}
