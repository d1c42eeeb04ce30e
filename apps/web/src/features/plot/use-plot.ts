import { useMemo, useRef, useState } from 'react'
import {
  isAvailable,
  plainTriggers,
  controlRefOf,
  modifierName,
  toggleShift,
  triggerKey,
  triggerName,
  type CandidatePlace,
  type Trigger,
  placeCommand,
} from '@reach-plot/core'
import { onEditable, place as placeOn } from '../../store/actions.js'
import { useDerived, useFrontCommands, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { useKeyFind } from '../../parts/key-find.js'
import { useShortcuts } from '../../parts/shortcuts/use-shortcuts.js'
import { refOfControl } from '../../drawing/chart-faces.js'
import type { ChartHandle } from './use-chart.js'
import { offeredHeld } from '../../parts/held-sets.js'
import { useHeldKeys } from './use-held-keys.js'
import { useFreePlaces } from './use-free-places.js'
import { usePlaces } from './use-places.js'

/** Lists what is on a pressed trigger, and shows its key. */
const findTrigger = (trigger: Trigger): void =>
  useView
    .getState()
    .set({ triggerQuery: trigger, query: '', controlRef: controlRefOf(trigger), onlyUnplaced: false })

/** What is shown and can be done there. */
export function usePlot() {
  const derived = useDerived()
  const { env, hand } = derived
  const commands = useFrontCommands()
  const places = usePlaces()
  const held = useHeld()
  const controlRef = useView((s) => s.controlRef)
  const freeWithin = useView((s) => s.freeWithin)
  const set = useView((s) => s.set)
  const keyFind = useKeyFind(findTrigger)
  const { free } = useFreePlaces()
  const freeRefs = useMemo(
    () =>
      freeWithin === null || places || controlRef !== null
        ? null
        : new Set(free.flatMap((f) => f.candidate.controlRef ?? [])),
    [free, freeWithin, places, controlRef],
  )
  const [taking, setTaking] = useState<CandidatePlace | null>(null)
  const [other, setOther] = useState<Trigger | null>(null)
  const pageOf = usePageOf()
  const chart = useRef<ChartHandle>(null)
  const search = useRef<HTMLInputElement>(null)
  const side = useRef<HTMLElement>(null)
  useHeldKeys(env.layout)

  const stepModifierSet = (step: number): void => {
    const all = offeredHeld(env.layout)
    const at = all.findIndex((h) => h.join() === held.join())
    set({ chosenHeld: all[(at + step + all.length) % all.length] ?? [] })
  }
  const focusPlaces = (): void =>
    void setTimeout(() => side.current?.querySelector<HTMLElement>('[data-place]')?.focus(), 60)
  useShortcuts({
    find: () => search.current?.focus(),
    listen: () => keyFind.listen(true),
    chart: () => chart.current?.focusKey(),
    'fit-reach': () => chart.current?.fitReach(),
    'fit-desk': () => chart.current?.fitDesk(),
    'layer-next': () => stepModifierSet(1),
    'layer-previous': () => stepModifierSet(-1),
    unplaced: () => {
      const open = commands.filter((c) => derived.triggersOf(c.id).length === 0)
      const at = open.findIndex((c) => c.id === places?.command.id)
      const next = open[(at + 1) % Math.max(open.length, 1)]
      if (next) set({ commandId: next.id, controlRef: null })
      focusPlaces()
    },
    clear: () => {
      set(
        places || controlRef !== null
          ? { commandId: null, controlRef: null }
          : { query: '', triggerQuery: null },
      )
      if (document.activeElement === search.current) search.current?.blur()
    },
  })

  const put = (place: CandidatePlace): void => {
    if (!places) return
    if (place.holders.length > 0) setTaking(place)
    else placeOn({ commandId: places.command.id, trigger: place.trigger }, triggerName(place.trigger, env))
  }
  const putBoth = (place: CandidatePlace): void => {
    const oppositeId = places?.command.oppositeId
    if (!places || oppositeId === undefined) return
    onEditable((plan) =>
      placeCommand(placeCommand(plan, { commandId: places.command.id, trigger: place.trigger }), {
        commandId: oppositeId,
        trigger: toggleShift(place.trigger),
      }),
    )
  }
  const onKey = (at: string): void => {
    const place = places?.byControlRef.get(at)
    const control = env.controls.find((c) => refOfControl(c) === at)
    const page = control?.code === null ? pageOf(control.deviceId) : undefined
    const ways = control ? plainTriggers(control, held, page) : []
    const opens = ways[0] && derived.index.stages.opensPage(ways[0])
    if (control && opens !== undefined) {
      const { openPages } = useView.getState()
      const { [control.deviceId]: _before, ...others } = openPages
      set({ openPages: opens === null ? others : { ...openPages, [control.deviceId]: opens } })
      return
    }
    if (places && ways.length > 1) {
      setOther(ways[0] as Trigger)
      return
    }
    const alreadyHere =
      place &&
      places &&
      derived.triggersOf(places.command.id).some((t) => triggerKey(t) === triggerKey(place.trigger))
    set({ controlRef: at })
    if (place && isAvailable(place) && !alreadyHere) put(place)
  }
  const chosen = env.controls.find((c) => refOfControl(c) === controlRef)
  const chosenTrigger = chosen && plainTriggers(chosen, held)[0]
  const chosenName = chosenTrigger ? triggerName(chosenTrigger, env) : ''
  const heldName = held.map((m) => modifierName(m, env.systemId)).join('+')
  const title = useMemo(() => {
    const byControl = heldName === '' ? '' : ` with ${heldName}`
    return places
      ? `Places for “${places.command.name}”${byControl}, ${hand.side} hand at home`
      : `Reach of the ${hand.side} hand${byControl}, ms`
  }, [places, heldName, hand.side])
  return {
    search,
    keyFind,
    focusPlaces,
    title,
    chart,
    places,
    freeRefs,
    onKey,
    side,
    held,
    put,
    putBoth,
    setOther,
    controlRef,
    freeWithin,
    taking,
    setTaking,
    other,
    chosenName,
  }
}

export type PlotScreen = ReturnType<typeof usePlot>
