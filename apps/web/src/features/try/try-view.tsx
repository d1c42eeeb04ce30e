import { useEffect, useState } from 'react'
import {
  acts,
  plainTriggers,
  tracePress,
  triggerKey,
  triggerName,
  withAct,
  type Act,
  type BenchControl,
  type PopupSet,
  type Trace,
  type Trigger,
} from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, useFront, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { ModifierSetBar } from '../../parts/modifier-set-bar.js'
import { refOfControl } from '../../drawing/chart-faces.js'
import { TryBench } from './try-bench.js'
import { TraceCard } from './trace-card.js'
import { useRealKeys } from './use-real-keys.js'

interface Press {
  readonly n: number
  readonly name: string
  readonly scene: string
  readonly trace: Trace
}
const kept = 20
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
  const plan = usePlan()
  const { env, arrangement, index } = useDerived()
  const front = useFront()
  const pageOf = usePageOf()
  const held = useHeld()
  const set = useView((s) => s.set)
  const [act, setAct] = useState<Act>('press')
  const [heldControl, setHeldControl] = useState<BenchControl | null>(null)
  const [ways, setWays] = useState<{
    readonly control: BenchControl
    readonly triggers: readonly Trigger[]
  } | null>(null)
  const [popup, setPopup] = useState<PopupSet | null>(null)
  const [presses, setPresses] = useState<readonly Press[]>([])
  const [listening, setListening] = useState(false)
  const program = plan.programs.find((p) => p.id === front.programId)
  const contextId = front.contextId ?? program?.contexts[0]?.id ?? ''
  const context = program?.contexts.find((c) => c.id === contextId)

  const press = (trigger: Trigger): void => {
    if (!program) return
    const trace = tracePress(trigger, { programId: program.id, contextId }, arrangement.placements, env)
    setPopup(index.stages.opensPopup(trigger) ?? null)
    if (trace.opensPage !== undefined && 'deviceId' in trigger) {
      const { openPages } = useView.getState()
      const { [trigger.deviceId]: _before, ...others } = openPages
      set({
        openPages: trace.opensPage === null ? others : { ...openPages, [trigger.deviceId]: trace.opensPage },
      })
    }
    setPresses((before) =>
      [
        {
          n: (before[0]?.n ?? 0) + 1,
          name: triggerName(trigger, env),
          scene: `${program.name}, ${context?.name ?? ''}`,
          trace,
        },
        ...before,
      ].slice(0, kept),
    )
  }
  const worked = (trigger: Trigger, control: BenchControl): Trigger => {
    const acted = withAct(trigger, act)
    return acted.kind === 'button' &&
      heldControl?.deviceId === control.deviceId &&
      heldControl.id !== control.id
      ? { ...acted, withId: heldControl.controlId }
      : acted
  }
  const onControl = (at: string): void => {
    const control = env.controls.find((c) => refOfControl(c) === at)
    if (!control) return
    const page = control.code === null ? pageOf(control.deviceId) : undefined
    const triggers = plainTriggers(control, held, page)
    setWays(triggers.length > 1 ? { control, triggers } : null)
    const [first] = triggers
    if (triggers.length === 1 && first) press(worked(first, control))
    set({ controlRef: at })
  }
  useRealKeys(listening, env.layout, press)
  useEffect(() => {
    if (!listening) return
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') setListening(false)
    }
    addEventListener('keydown', onKeyDown)
    return () => removeEventListener('keydown', onKeyDown)
  }, [listening])
  const controlRef = useView((s) => s.controlRef)
  const last = env.controls.find((c) => c.id === controlRef)
  const canHold = last !== undefined && last.code === null && last.type !== 'field'

  return (
    <>
      <section aria-label="Bench to press" className="flex min-w-0 grow flex-col">
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2 px-[14px] pt-[10px] pb-2">
          <ModifierSetBar />
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
                ? `${env.legends?.get(heldControl.id) ?? heldControl.id} is held; let go`
                : `Keep ${env.legends?.get(last?.id ?? '') ?? ''} held`}
            </button>
          )}
        </div>
        {(ways || popup) && (
          <div
            role="group"
            aria-label="Which way"
            className="flex flex-wrap items-center gap-2 px-[14px] pb-2"
          >
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
        )}
        <TryBench front={{ programId: front.programId, contextId }} onControl={onControl} />
      </section>
      <section
        aria-label="What happened"
        className="flex w-[372px] shrink-0 flex-col border-l border-rule bg-panel"
      >
        <div className="border-b border-rule px-[14px] pt-3 pb-3">
          <p className="caption">In front</p>
          <div className="mt-1 grid grid-cols-2 gap-2">
            <select
              className="field"
              aria-label="Program in front"
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
              aria-label="Context in front"
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
