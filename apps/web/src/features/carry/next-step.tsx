import { Link } from 'react-router'
import { keysInWords, stepInWords, type SetUpStep } from '@reach-plot/core/carry'
import type { CarryScreen } from './use-carry.js'

/** One thing to do, large. */
export function NextStep({ view }: { view: CarryScreen }) {
  const { chosen, ticks } = view
  return (
    <aside
      aria-label="Next"
      className="side w-[286px] shrink-0 overflow-y-auto border-l border-rule bg-panel px-[14px] py-3 max-[1100px]:w-[230px]"
    >
      {chosen ? (
        <StepPart key={chosen.id} step={chosen} view={view} isTicked={ticks[chosen.id] !== undefined} />
      ) : (
        <AllDone view={view} />
      )}
      <h3 className="caption mt-6">When all is done</h3>
      <p className="mt-1">
        A record of “{view.arrangement.name}” is kept as what is set now; later changes begin a new, short
        list. Learn tells which keys to bring in on which day.
      </p>
    </aside>
  )
}

function AllDone({ view: { steps, from, arrangement } }: { view: CarryScreen }) {
  return (
    <p className="text-[16px]">
      {steps.length > 0 && from.id !== arrangement.id
        ? 'Everything here is done.'
        : 'There is nothing to change.'}
    </p>
  )
}

function StepPart({ step, view, isTicked }: { step: SetUpStep; view: CarryScreen; isTicked: boolean }) {
  const { env, tick, setAsking, steps, chooseCommand } = view
  const waits = step.after.flatMap((id) => steps.find((s) => s.id === id) ?? [])
  return (
    <>
      <p className="caption">{isTicked ? 'Chosen' : 'Next'}</p>
      <h3 className="mt-1 text-[20px] font-semibold">{step.command?.name ?? step.systemAction}</h3>
      {step.command && step.command.menu.length > 0 && (
        <p className="text-ink-2">{step.command.menu.join(' › ')}</p>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3 font-chart text-[18px] font-semibold">
        {step.off.length > 0 && (
          <span className="border border-edge px-3 py-1.5 text-ink-2 line-through">
            {keysInWords(step.off, env)}
          </span>
        )}
        {step.on.length > 0 && (
          <>
            <span aria-hidden="true">→</span>
            <span className="border border-magenta px-3 py-1.5">{keysInWords(step.on, env)}</span>
          </>
        )}
      </div>
      <ol className="mt-3 list-decimal pl-5">
        {stepInWords(step, env).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      {waits.length > 0 && (
        <p className="mt-1 text-ink-2">
          It is free since {waits.map((w) => `“${w.command?.name ?? ''}”`).join(', ')} left it above.
        </p>
      )}
      <div className="mt-4 grid gap-2">
        <button
          type="button"
          className="btn btn-main"
          onClick={() => tick(step, isTicked ? null : { at: Date.now() })}
        >
          {isTicked ? 'Not done after all' : 'Done'}
        </button>
        {!isTicked && (
          <button type="button" className="btn" onClick={() => setAsking(step)}>
            Not possible there…
          </button>
        )}
        {step.command && (
          <Link to="/" className="link text-center" onClick={() => chooseCommand(step)}>
            Another place for it
          </Link>
        )}
      </div>
    </>
  )
}
