import { useState } from 'react'
import { triggerKey, triggerName, setProbe } from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { useProbeRun, type ProbeRunView } from './use-probe-run.js'

/** A guided run over the doubtful chords: what arrives in the browser is cleared, what never does is marked. */
export function ProbeRun() {
  const view = useProbeRun()
  const { chord, queue, env, stage, settle, again, next, setQueue, doubtful, open } = view
  return (
    <section aria-labelledby="probe-title">
      <h3 id="probe-title" className="caption border-b border-ink pb-1">
        Doubtful chords, pressed on this machine
      </h3>
      {chord ? (
        <div className="mt-3 border-2 border-ink bg-panel p-4" role="group" aria-label="Guided run">
          <p className="caption">{queue?.length} to go</p>
          <p className="my-2 text-[20px]" aria-live="polite">
            Press <b>{triggerName(chord, env)}</b>
          </p>
          <p className="min-h-6 text-ink-2">
            {stage === 'late' ? 'Nothing has arrived. Did you press it?' : 'Waiting for it to arrive …'}
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            <button type="button" className="btn btn-main" onClick={() => settle('swallowed')}>
              I pressed it
            </button>
            {stage === 'late' && (
              <button type="button" className="btn" onClick={again}>
                Wait again
              </button>
            )}
            <button type="button" className="btn" onClick={next}>
              Skip
            </button>
            <button type="button" className="btn" onClick={() => setQueue(null)}>
              Stop
            </button>
          </div>
        </div>
      ) : (
        <>
          <p className="mt-2 text-[13px] text-ink-2">
            Each is asked for in turn. What this window receives is cleared; what you pressed and never
            arrived counts as taken here. Some, such as the lock of the screen, do what they always do.
          </p>
          {doubtful.length === 0 ? (
            <p className="mt-2">No command of this arrangement is on a doubtful chord.</p>
          ) : (
            <button
              type="button"
              className="btn btn-main mt-2"
              onClick={() => setQueue(open.length > 0 ? open : doubtful)}
            >
              {open.length > 0 ? `Press ${open.length} chords` : `Press all ${doubtful.length} again`}
            </button>
          )}
          <AskFor view={view} />
        </>
      )}
      <DoubtfulChords view={view} />
    </section>
  )
}

/** A combination of the person's own choice, to see whether it arrives before anything is put on it. */
function AskFor({ view: { ask, fault } }: { view: ProbeRunView }) {
  const [text, setText] = useState('')
  return (
    <form
      className="mt-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (ask(text)) setText('')
      }}
    >
      <label>
        <span className="caption mb-0.5 block">Another, to see whether it arrives</span>
        <span className="flex gap-2">
          <input
            className="field w-[200px]"
            placeholder="Ctrl+Alt+K"
            value={text}
            maxLength={80}
            onChange={(event) => setText(event.target.value)}
          />
          <button type="submit" className="btn" disabled={text.trim() === ''}>
            Ask for it
          </button>
        </span>
      </label>
      <p role="alert" className="mt-1 text-[13px] text-magenta empty:hidden">
        {fault}
      </p>
    </form>
  )
}

function DoubtfulChords({ view: { doubtful, resultOf, env, edit } }: { view: ProbeRunView }) {
  return (
    <ul className="mt-3">
      {doubtful.map((c) => {
        const result = resultOf(c)
        return (
          <li key={triggerKey(c)} className="flex items-center justify-between border-b border-rule py-1">
            <TriggerChip trigger={c} />
            <span className={result === 'swallowed' ? 'text-magenta' : 'text-ink-2'}>
              {result === undefined ? 'not pressed yet' : result === 'arrives' ? 'arrives' : 'never arrived'}
              {result !== undefined && (
                <button
                  type="button"
                  className="link ml-3 text-[12px]"
                  aria-label={`Forget ${triggerName(c, env)}`}
                  onClick={() => edit((draft) => setProbe(draft, triggerKey(c), null))}
                >
                  forget
                </button>
              )}
            </span>
          </li>
        )
      })}
    </ul>
  )
}
