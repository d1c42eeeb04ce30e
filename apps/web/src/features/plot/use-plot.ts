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
  givenUpFor,
  placeCommand,
  toggleRule,
} from '@reach-plot/core'
import { onEditable, place as placeOn } from '../../store/actions.js'
import { useDerived, useFrontCommands, usePageOf } from '../../store/selectors.js'
import { turnPage, useHeld, useView } from '../../store/view-store.js'
import { useKeyFind } from '../../parts/key-find.js'
import { useShortcuts } from '../../parts/shortcuts/use-shortcuts.js'
import { refOfControl } from '../../drawing/chart-faces.js'
import type { Places } from '../../drawing/places.js'
import { useEdit } from '../../store/plan-store.js'
import type { PlaceHow } from './instead-bar.js'
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

/** Steps through the modifier sets that the chart can show. */
function useSetStep() {
  const { env } = useDerived()
  const held = useHeld()
  const set = useView((s) => s.set)
  return (step: number): void => {
    const all = offeredHeld(env.layout)
    const at = all.findIndex((h) => h.join() === held.join())
    set({ chosenHeld: all[(at + step + all.length) % all.length] ?? [] })
  }
}

/** What the keys of the app do here. */
function usePlotKeys(places: Places | null, keyFind: { listen(on: boolean): void }) {
  const { triggersOf } = useDerived()
  const commands = useFrontCommands()
  const controlRef = useView((s) => s.controlRef)
  const set = useView((s) => s.set)
  const edit = useEdit()
  const chart = useRef<ChartHandle>(null)
  const search = useRef<HTMLInputElement>(null)
  const side = useRef<HTMLElement>(null)
  const step = useSetStep()
  const focusPlaces = (): void =>
    void setTimeout(() => side.current?.querySelector<HTMLElement>('[data-place]')?.focus(), 60)
  useShortcuts({
    find: () => search.current?.focus(),
    listen: () => keyFind.listen(true),
    chart: () => chart.current?.focusKey(),
    'fit-reach': () => chart.current?.fitReach(),
    'fit-desk': () => chart.current?.fitDesk(),
    'layer-next': () => step(1),
    'layer-previous': () => step(-1),
    lock: () => {
      if (controlRef !== null) edit((plan) => toggleRule(plan, 'lockedControls', controlRef))
      else if (places) edit((plan) => toggleRule(plan, 'lockedCommandIds', places.command.id))
    },
    unplaced: () => {
      const open = commands.filter((c) => triggersOf(c.id).length === 0)
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
  return { chart, search, side, focusPlaces }
}

/** What a press on a key of the chart does: opens a page, places the chosen command, or shows the key. */
function useChosenKey(places: Places | null) {
  const held = useHeld()
  const { env, index, triggersOf } = useDerived()
  const pageOf = usePageOf()
  const set = useView((s) => s.set)
  const [taking, setTaking] = useState<CandidatePlace | null>(null)
  const [other, setOther] = useState<Trigger | null>(null)
  /** a place for a command that has a key, while it is asked whether it comes instead or as well */
  const [asking, setAsking] = useState<CandidatePlace | null>(null)
  const put = (place: CandidatePlace, how?: PlaceHow): void => {
    if (!places) return
    const { id } = places.command
    // where others stand the dialog asks, once for all
    if (place.holders.length > 0) {
      setTaking(place)
      return
    }
    const givenUp = givenUpFor(triggersOf(id), place.trigger)
    if (givenUp.length > 0 && how === undefined) {
      setAsking(place)
      return
    }
    setAsking(null)
    const old = how === 'as well' ? { keepOld: true } : { replaces: givenUp }
    placeOn({ commandId: id, trigger: place.trigger, ...old }, triggerName(place.trigger, env))
  }
  const onKey = (at: string): void => {
    const place = places?.byControlRef.get(at)
    const control = env.controls.find((c) => refOfControl(c) === at)
    const page = control?.code === null ? pageOf(control.deviceId) : undefined
    const [first, ...further] = control ? plainTriggers(control, held, page) : []
    const opens = first && index.stages.opensPage(first)
    if (control && opens !== undefined) turnPage(control.deviceId, opens)
    else if (places && first && further.length > 0) setOther(first)
    else {
      const isAlreadyHere =
        place &&
        places &&
        triggersOf(places.command.id).some((t) => triggerKey(t) === triggerKey(place.trigger))
      set({ controlRef: at })
      if (place && isAvailable(place) && !isAlreadyHere) put(place)
    }
  }
  return { taking, setTaking, asking, setAsking, other, setOther, put, onKey }
}

/** What the plot shows and what can be done there. */
export function usePlot() {
  const { env, hand } = useDerived()
  const places = usePlaces()
  const held = useHeld()
  const controlRef = useView((s) => s.controlRef)
  const freeWithin = useView((s) => s.freeWithin)
  const keyFind = useKeyFind(findTrigger)
  const { free } = useFreePlaces()
  const freeRefs = useMemo(
    () =>
      freeWithin === null || places || controlRef !== null
        ? null
        : new Set(free.flatMap((f) => f.candidate.controlRef ?? [])),
    [free, freeWithin, places, controlRef],
  )
  const keys = usePlotKeys(places, keyFind)
  const chosenKey = useChosenKey(places)
  useHeldKeys(env.layout)

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
  const chosen = env.controls.find((c) => refOfControl(c) === controlRef)
  const chosenTrigger = chosen && plainTriggers(chosen, held)[0]
  const heldName = held.map((m) => modifierName(m, env.systemId)).join('+')
  const title = useMemo(() => {
    const byControl = heldName === '' ? '' : ` with ${heldName}`
    return places
      ? `Places for “${places.command.name}”${byControl}, ${hand.side} hand at home`
      : `Reach of the ${hand.side} hand${byControl}, ms`
  }, [places, heldName, hand.side])
  return {
    ...keys,
    ...chosenKey,
    keyFind,
    title,
    places,
    freeRefs,
    held,
    putBoth,
    controlRef,
    freeWithin,
    chosenName: chosenTrigger ? triggerName(chosenTrigger, env) : '',
  }
}
