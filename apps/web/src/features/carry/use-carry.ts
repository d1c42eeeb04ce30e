import { useMemo, useState } from 'react'
import { arrangementSetNow, arrangementWith, declineMove, keepAsSet, triggerKey } from '@reach-plot/core'
import {
  nextStep,
  pageForOthers,
  progressOf,
  setUpSteps,
  type SetUpStep,
  type Ticks,
} from '@reach-plot/core/carry'
import { useDayPlan, useNewPerDay } from '../../parts/use-day-plan.js'
import { useKept } from '../../parts/use-kept.js'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { usePersonal } from '../../store/personal-store.js'
import { usePlan, useEdit } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'

const keyOfPlace = ({ place }: SetUpStep): string =>
  place.kind === 'system' ? 'system' : `${place.kind} ${place.id}`

/** A place with what is to be done there. */
export interface CarryPlace {
  readonly key: string
  readonly name: string
  readonly steps: readonly SetUpStep[]
}

/** The steps from what is set now to the arrangement in front. */
function useSteps() {
  const plan = usePlan()
  const { env, index, bench, arrangement } = useDerived()
  const from = arrangementSetNow(plan)
  // only a part of the way: what Learn brings in until a day
  const [untilDay, setUntilDay] = useKept<number | null>(`carry until ${plan.id}`, null, 'tab')
  const [isByDays, setByDays] = useState(untilDay !== null)
  const [newPerDay] = useNewPerDay()
  const days = useDayPlan(newPerDay, isByDays)
  const part = untilDay === null ? null : (days?.days.slice(0, untilDay) ?? [])
  const to = useMemo(
    () =>
      part === null
        ? arrangement
        : arrangementWith(
            from,
            arrangement,
            part.flatMap((d) => d.changes),
          ),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [arrangement, from, days, untilDay],
  )
  const steps = useMemo(
    () => setUpSteps({ plan, arrangement: from }, { arrangement: to, index }),
    [plan, index, to, from],
  )
  return {
    plan,
    env,
    bench,
    arrangement,
    from,
    /** where the steps lead: the arrangement, or a part of the way to it */
    to,
    steps,
    isByDays,
    setByDays: (on: boolean) => {
      setByDays(on)
      if (!on) setUntilDay(null)
    },
    days: days?.days.length ?? null,
    untilDay,
    setUntilDay,
  }
}

/** What Carry shows and can be done there. */
export function useCarry() {
  const way = useSteps()
  const { plan, env, bench, arrangement, from, steps } = way
  const edit = useEdit()
  const ticks = usePersonal((s) => s.ticks)
  const setPersonal = usePersonal((s) => s.set)
  const setView = useView((s) => s.set)
  const [placeKey, setPlaceKey] = useState<string | null>(null)
  const [chosenId, setChosenId] = useState<string | null>(null)
  const [asking, setAsking] = useState<SetUpStep | null>(null)
  const places = useMemo(() => placesOf(steps, plan), [steps, plan])
  const place = places.find((p) => p.key === placeKey) ?? places[0]
  const chosen = place?.steps.find((s) => s.id === chosenId) ?? (place ? nextStep(place.steps, ticks) : null)

  const tick = (step: SetUpStep, change: Ticks[string] | null): void => {
    const { [step.id]: _gone, ...others } = ticks
    const next: Ticks = change ? { ...others, [step.id]: change } : others
    setPersonal({ ticks: next })
    setChosenId(null)
    // the place is done: on to the next that is not
    if (change && place && nextStep(place.steps, next) === null)
      setPlaceKey(places.find((p) => nextStep(p.steps, next) !== null)?.key ?? place.key)
    if (change && way.untilDay === null && from.id !== arrangement.id && nextStep(steps, next) === null)
      finish(next, ticks)
  }
  /** An undo that brings the ticks back, too, which are no part of the plan. */
  const undoWith = (before: Ticks): ReturnType<typeof undoAction> => {
    const { label, onClick } = undoAction()
    return {
      label,
      onClick: () => {
        onClick()
        setPersonal({ ticks: before })
      },
    }
  }
  const finish = (all: Ticks, before: Ticks): void => {
    const left = Object.values(all).filter((t) => t.note !== undefined).length
    edit((now) => keepAsSet(now, arrangement.id))
    // a change that comes again later is not done by that; keys of the system stay free
    setPersonal({ ticks: Object.fromEntries(Object.entries(all).filter(([id]) => id.startsWith('system '))) })
    toast(
      `“${arrangement.name}” is what is set now${left > 0 ? `, but for ${left} that could not be` : ''}. Its record is kept beside it.`,
      { action: undoWith(before) },
    )
  }
  const impossible = (step: SetUpStep, note: string): void => {
    tick(step, { at: Date.now(), note })
    const { command } = step
    if (!command) return
    edit((now) =>
      step.on.reduce((p, t) => declineMove(p, command.id, triggerKey(t), 'not possible there'), now),
    )
    toast(`“${command.name}” is not proposed there again. Choose another place on the Plot.`, {
      action: undoWith(ticks),
    })
  }
  return {
    ...way,
    ticks,
    places,
    place,
    chosen,
    choose: setChosenId,
    choosePlace: (key: string) => {
      setPlaceKey(key)
      setChosenId(null)
    },
    tick,
    asking,
    setAsking,
    impossible,
    progress: progressOf(steps, ticks),
    page: () => pageForOthers({ plan, arrangement, env, bench }),
    /** the command of a step, chosen for the Plot */
    chooseCommand: (step: SetUpStep) => step.command && setView({ commandId: step.command.id }),
  }
}

export type CarryScreen = ReturnType<typeof useCarry>

function placesOf(steps: readonly SetUpStep[], plan: ReturnType<typeof usePlan>): CarryPlace[] {
  const names = new Map<string, string>([
    ['system', 'The system'],
    ...plan.programs.map((p) => [`program ${p.id}`, p.name] as const),
    ...plan.devices.map((d) => [`device ${d.id}`, d.name] as const),
    ...plan.arrangements.flatMap((a) =>
      a.popups.map((p) => [`popup ${p.id}`, `Pop-up set ${p.name}`] as const),
    ),
  ])
  const keys = [...new Set(steps.map(keyOfPlace))]
  return keys.map((key) => ({
    key,
    name: names.get(key) ?? key,
    steps: steps.filter((s) => keyOfPlace(s) === key),
  }))
}
