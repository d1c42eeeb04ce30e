import { useMemo, useRef, useState } from 'react'
import {
  isAvailable,
  chord,
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
import { TriggerDialog } from '../../parts/triggers/trigger-dialog.js'
import { refOfControl } from '../../drawing/chart-faces.js'
import { Chart, type ChartHandle } from './chart.js'
import { CommandList } from './command-list.js'
import { KeyLevels } from './key-levels.js'
import { ModifierSetBar } from '../../parts/modifier-set-bar.js'
import { FreeFinder } from './free-finder.js'
import { offeredHeld } from '../../parts/held-sets.js'
import { LevelStrip } from './level-strip.js'
import { PlaceList } from './place-list.js'
import { TakeDialog } from './take-dialog.js'
import { useHeldKeys } from './use-held-keys.js'
import { useFreePlaces } from './use-free-places.js'
import { usePlaces } from './use-places.js'

/** Lists what is on a pressed trigger, and shows its key. */
const findTrigger = (trigger: Trigger): void =>
  useView
    .getState()
    .set({ triggerQuery: trigger, query: '', controlRef: controlRefOf(trigger), onlyUnplaced: false })

/** The main screen: choose a command and the bench shows how good each place would be; choose a key and see its levels. */
export function PlotView() {
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

  return (
    <>
      <CommandList searchRef={search} keyFind={keyFind} onChosen={focusPlaces} />
      <section aria-label="Chart" className="flex min-w-0 grow flex-col">
        <div className="flex items-center justify-between gap-3 px-[14px] pt-[10px] pb-2">
          <ModifierSetBar />
          <p className="caption min-w-0 grow truncate text-right" title={title}>
            {title}
          </p>
        </div>
        <Chart ref={chart} places={places} free={freeRefs} onKey={onKey} />
        <LevelStrip />
      </section>
      <section
        ref={side}
        aria-label="Places"
        className="flex w-[296px] shrink-0 flex-col border-l border-rule bg-panel"
      >
        {places ? (
          <PlaceList
            key={`${places.command.id} ${held.join()}`}
            places={places}
            onPlace={put}
            onPlaceBoth={putBoth}
            onOther={() => setOther(places.ranked[0]?.trigger ?? chord('KeyA'))}
          />
        ) : controlRef !== null ? (
          <KeyLevels controlRef={controlRef} onOther={setOther} />
        ) : freeWithin !== null ? (
          <FreeFinder onChoose={setOther} />
        ) : (
          <NothingChosen />
        )}
      </section>
      {taking && places && (
        <TakeDialog command={places.command} place={taking} places={places} onClose={() => setTaking(null)} />
      )}
      {other && <TriggerDialog commandId={places?.command.id} start={other} onClose={() => setOther(null)} />}
      <p role="status" className="sr-only">
        {chosenName !== '' && `${chosenName} chosen`}
      </p>
    </>
  )
}

/** What to do next, with the commands that would gain most from a place. */
function NothingChosen() {
  const commands = useFrontCommands()
  const { triggersOf } = useDerived()
  const set = useView((s) => s.set)
  const open = commands.filter((c) => triggersOf(c.id).length === 0).slice(0, 12)
  return (
    <div className="overflow-y-auto px-[14px] pt-3">
      <p className="caption">Nothing chosen</p>
      <h2 className="title mt-0.5">{commands.length === 0 ? 'Begin with commands' : 'Choose a command'}</h2>
      <p className="mt-1 text-ink-2">
        {commands.length === 0
          ? 'Import them as CSV or add them one by one under Commands. Until then the chart shows how long each key takes this hand, in ms.'
          : 'The chart then shows how good each key would be for it. Or choose a key to see all its levels.'}
      </p>
      {commands.length > 0 && (
        <button type="button" className="btn mt-3" onClick={() => set({ freeWithin: 'easy' })}>
          Find free places…
        </button>
      )}
      {open.length > 0 && (
        <>
          <p className="caption mt-5 border-b border-rule pb-1">Most used without a place</p>
          <ul>
            {open.map((c) => (
              <li key={c.id}>
                <button
                  type="button"
                  className="flex w-full justify-between border-b border-rule py-[6px] text-left hover:bg-reach-1"
                  onClick={() => set({ commandId: c.id, controlRef: null })}
                >
                  <span>{c.name}</span> <span className="text-ink-2">{c.usesPerHour}/h</span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  )
}
