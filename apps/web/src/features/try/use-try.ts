import { useEffect, useState } from 'react'
import {
  plainTriggers,
  tracePress,
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
import { turnPage, useHeld, useView } from '../../store/view-store.js'
import { refOfControl } from '../../drawing/chart-faces.js'
import { useRealKeys } from '../../parts/use-real-keys.js'

export interface Press {
  readonly n: number
  readonly name: string
  readonly scene: string
  readonly trace: Trace
}

const kept = 20

/** The presses that were tried, latest first, and what each does on its way to the program. */
function usePresses() {
  const plan = usePlan()
  const { env, arrangement, index } = useDerived()
  const front = useFront()
  const [popup, setPopup] = useState<PopupSet | null>(null)
  const [presses, setPresses] = useState<readonly Press[]>([])
  const program = plan.programs.find((p) => p.id === front.programId)
  const contextId = front.contextId ?? program?.contexts[0]?.id ?? ''
  const context = program?.contexts.find((c) => c.id === contextId)

  const press = (trigger: Trigger): void => {
    if (!program) return
    const trace = tracePress(trigger, { programId: program.id, contextId }, arrangement.placements, env)
    setPopup(index.stages.opensPopup(trigger) ?? null)
    if (trace.opensPage !== undefined && 'deviceId' in trigger) turnPage(trigger.deviceId, trace.opensPage)
    const scene = `${program.name}, ${context?.name ?? ''}`
    setPresses((before) =>
      [{ n: (before[0]?.n ?? 0) + 1, name: triggerName(trigger, env), scene, trace }, ...before].slice(
        0,
        kept,
      ),
    )
  }
  return { popup, presses, press, program, contextId }
}

/** Real keys are listened to until Esc. */
function useListening(press: (trigger: Trigger) => void) {
  const { env } = useDerived()
  const [listening, setListening] = useState(false)
  useRealKeys(listening, env.layout, press)
  useEffect(() => {
    if (!listening) return
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') setListening(false)
    }
    addEventListener('keydown', onKeyDown)
    return () => removeEventListener('keydown', onKeyDown)
  }, [listening])
  return { listening, setListening }
}

/** What trying shows and what can be pressed. */
export function useTry() {
  const plan = usePlan()
  const { env, index } = useDerived()
  const front = useFront()
  const pageOf = usePageOf()
  const held = useHeld()
  const set = useView((s) => s.set)
  const controlRef = useView((s) => s.controlRef)
  const [act, setAct] = useState<Act>('press')
  const [heldControl, setHeldControl] = useState<BenchControl | null>(null)
  const [ways, setWays] = useState<{
    readonly control: BenchControl
    readonly triggers: readonly Trigger[]
  } | null>(null)
  const tried = usePresses()
  const { press } = tried
  const ears = useListening(press)

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
  const last = env.controls.find((c) => c.id === controlRef)
  return {
    ...tried,
    ...ears,
    act,
    setAct,
    canHold: last !== undefined && last.code === null && last.type !== 'field',
    heldControl,
    setHeldControl,
    last,
    env,
    ways,
    worked,
    index,
    front,
    onControl,
    set,
    plan,
  }
}

export type TryScreen = ReturnType<typeof useTry>
