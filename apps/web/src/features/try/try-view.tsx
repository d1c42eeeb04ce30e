import { acts, triggerKey, triggerName, type Act, type Trigger } from '@reach-plot/core'
import { ModifierSetChooser } from '../../parts/modifier-set-chooser.js'
import { TryBench } from './try-bench.js'
import { TraceCard } from './trace-card.js'
import { useTry, type TryScreen } from './use-try.js'

const actLabels: Readonly<Record<Act, string>> = {
  press: 'press',
  tap2: 'tap ×2',
  tap3: 'tap ×3',
  tap4: 'tap ×4',
  tap5: 'tap ×5',
  hold: 'hold',
  during: 'keep down',
}
/** The simulated bench: press a control, or a real key, and see what each stage does with it until a command runs. */
export function TryView() {
  const view = useTry()
  const { program, contextId, front, set, plan, presses } = view
  return (
    <>
      <TryBoard view={view} />
      <section
        aria-label="What happened"
        className="side flex w-[372px] shrink-0 flex-col border-l border-rule bg-panel"
      >
        <div className="border-b border-rule px-[14px] pt-3 pb-3">
          <p className="caption">Program in use</p>
          <div className="mt-1 grid grid-cols-2 gap-2">
            <select
              className="field"
              aria-label="Program in use"
              value={front.programId}
              onChange={(e) => set({ programId: e.target.value, contextId: null, openPages: {} })}
            >
              {plan.programs.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
            <select
              className="field"
              aria-label="Context in use"
              value={contextId}
              onChange={(e) => set({ contextId: e.target.value })}
            >
              {program?.contexts.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}
                  {c.typing ? ', text is typed' : ''}
                </option>
              ))}
            </select>
          </div>
        </div>
        <div className="min-h-0 grow overflow-y-auto" aria-live="polite">
          {presses.length === 0 && (
            <p className="px-[14px] pt-3 text-ink-2">
              Press a control on the bench. Here stands what the device, the system, the input method and the
              program do with it, one after the other, and which command runs.
            </p>
          )}
          {presses.map((p) => (
            <TraceCard
              key={p.n}
              name={p.name}
              scene={p.scene}
              trace={p.trace}
              isLast={p.n === presses[0]?.n}
            />
          ))}
        </div>
      </section>
    </>
  )
}

function TryBoard({ view }: { view: TryScreen }) {
  const {
    act,
    setAct,
    listening,
    setListening,
    canHold,
    heldControl,
    setHeldControl,
    last,
    env,
    ways,
    popup,

    contextId,
    front,
    onControl,
  } = view
  return (
    <section aria-label="Bench to press" className="flex min-w-0 grow flex-col">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 px-[14px] pt-[10px] pb-2">
        <ModifierSetChooser />
        <div className="flex items-center gap-2">
          <label htmlFor="try-act">How</label>
          <select
            id="try-act"
            className="field"
            value={act}
            onChange={(e) => setAct(acts.find((a) => a === e.target.value) ?? 'press')}
          >
            {acts.map((a) => (
              <option key={a} value={a}>
                {actLabels[a]}
              </option>
            ))}
          </select>
        </div>
        <button
          type="button"
          className="btn"
          data-on={listening}
          data-listening={listening ? '' : undefined}
          aria-pressed={listening}
          onClick={() => setListening(!listening)}
        >
          {listening ? 'Listening to your keys; Esc ends it' : 'Use my keyboard'}
        </button>
        {(canHold || heldControl) && (
          <button
            type="button"
            className="btn"
            aria-pressed={heldControl !== null}
            onClick={() => setHeldControl(heldControl ? null : (last ?? null))}
          >
            {heldControl
              ? `${env.legends?.get(heldControl.id) ?? heldControl.id} is held; release it`
              : `Keep ${env.legends?.get(last?.id ?? '') ?? ''} held`}
          </button>
        )}
      </div>
      {(ways || popup) && <PopupPicker view={view} />}
      <TryBench front={{ programId: front.programId, contextId }} onControl={onControl} />
    </section>
  )
}

function PopupPicker({
  view: { ways, env, press, worked, popup, index, program, contextId },
}: {
  view: TryScreen
}) {
  return (
    <div role="group" aria-label="Which way" className="flex flex-wrap items-center gap-2 px-[14px] pb-2">
      {ways && (
        <>
          <span>{env.legends?.get(ways.control.id)}:</span>
          {ways.triggers.map((t) => (
            <button
              key={triggerKey(t)}
              type="button"
              className="btn font-chart text-[14px] font-semibold"
              onClick={() => press(worked(t, ways.control))}
            >
              {t.kind === 'button' ? 'press' : triggerName(t, env).split(' ').slice(-1)[0]}
              <span className="sr-only"> {triggerName(t, env)}</span>
            </button>
          ))}
        </>
      )}
      {popup && (
        <>
          <span>{popup.name}, pick:</span>
          {Array.from({ length: popup.entries }, (_, i) => {
            const t: Trigger = { kind: 'popup', setId: popup.id, entry: i + 1 }
            const command = (index.holders.get(triggerKey(t)) ?? []).find(
              (c) =>
                c.programId === program?.id &&
                (c.contextIds.length === 0 || c.contextIds.includes(contextId)),
            )
            return (
              <button key={i} type="button" className="btn" onClick={() => press(t)}>
                {i + 1} {command?.name ?? 'empty'}
              </button>
            )
          })}
        </>
      )}
    </div>
  )
}
