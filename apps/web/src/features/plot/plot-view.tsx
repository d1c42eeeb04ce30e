import { useMemo, useRef, useState } from 'react'
import {
  canBeHad,
  chord,
  plainTriggers,
  spotOf,
  modifierName,
  toggleShift,
  triggerKey,
  triggerName,
  type Place,
  type Trigger,
} from '@reach-plot/core'
import { onEditable, place as placeOn } from '../../store/actions.js'
import { placeCommand } from '../../store/plan-edits.js'
import { useDerived, useFrontCommands, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { useKeyFind } from '../../shared/key-find.js'
import { useShortcuts } from '../keys/use-shortcuts.js'
import { TriggerSheet } from '../triggers/trigger-sheet.js'
import { spotOfControl } from './chart-faces.js'
import { Chart, type ChartHandle } from './chart.js'
import { CommandList } from './command-list.js'
import { KeyLevels } from './key-levels.js'
import { LayerBar } from './layer-bar.js'
import { FreeFinder } from './free-finder.js'
import { offeredHeld } from './layers.js'
import { LevelStrip } from './level-strip.js'
import { PlaceList } from './place-list.js'
import { TakeSheet } from './take-sheet.js'
import { useHeldKeys } from './use-held-keys.js'
import { useFreePlaces } from './use-free-places.js'
import { usePlaces } from './use-places.js'

/** Lists what is on a pressed trigger, and shows its key. */
const findTrigger = (trigger: Trigger): void =>
  useView.getState().set({ triggerQuery: trigger, query: '', spot: spotOf(trigger), onlyUnplaced: false })

/** The main screen: choose a command and the bench shows how good each place would be; choose a key and see its levels. */
export function PlotView() {
  const derived = useDerived()
  const { around, hand } = derived
  const commands = useFrontCommands()
  const places = usePlaces()
  const held = useHeld()
  const spot = useView((s) => s.spot)
  const freeWithin = useView((s) => s.freeWithin)
  const set = useView((s) => s.set)
  const keyFind = useKeyFind(findTrigger)
  const { free } = useFreePlaces()
  const freeSpots = useMemo(
    () =>
      freeWithin === null || places || spot !== null
        ? null
        : new Set(free.flatMap((f) => f.candidate.spot ?? [])),
    [free, freeWithin, places, spot],
  )
  const [taking, setTaking] = useState<Place | null>(null)
  const [other, setOther] = useState<Trigger | null>(null)
  const pageOf = usePageOf()
  const chart = useRef<ChartHandle>(null)
  const search = useRef<HTMLInputElement>(null)
  const side = useRef<HTMLElement>(null)
  useHeldKeys(around.layout)

  const stepLayer = (step: number): void => {
    const all = offeredHeld(around.layout)
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
    'layer-next': () => stepLayer(1),
    'layer-previous': () => stepLayer(-1),
    unplaced: () => {
      const open = commands.filter((c) => derived.triggersOf(c.id).length === 0)
      const at = open.findIndex((c) => c.id === places?.command.id)
      const next = open[(at + 1) % Math.max(open.length, 1)]
      if (next) set({ commandId: next.id, spot: null })
      focusPlaces()
    },
    clear: () => {
      set(places || spot !== null ? { commandId: null, spot: null } : { query: '', triggerQuery: null })
      if (document.activeElement === search.current) search.current?.blur()
    },
  })

  const put = (place: Place): void => {
    if (!places) return
    if (place.holders.length > 0) setTaking(place)
    else placeOn({ commandId: places.command.id, trigger: place.trigger }, triggerName(place.trigger, around))
  }
  const putBoth = (place: Place): void => {
    const oppositeId = places?.command.oppositeId
    if (!places || oppositeId === undefined) return
    onEditable((draft) => {
      placeCommand(draft, { commandId: places.command.id, trigger: place.trigger })
      placeCommand(draft, { commandId: oppositeId, trigger: toggleShift(place.trigger) })
    })
  }
  const onKey = (at: string): void => {
    const place = places?.bySpot.get(at)
    const control = around.controls.find((c) => spotOfControl(c) === at)
    const page = control?.code === null ? pageOf(control.deviceId) : undefined
    const ways = control ? plainTriggers(control, held, page) : []
    const opens = ways[0] && derived.survey.layers.opensPage(ways[0])
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
    set({ spot: at })
    if (place && canBeHad(place) && !alreadyHere) put(place)
  }
  const chosen = around.controls.find((c) => spotOfControl(c) === spot)
  const chosenTrigger = chosen && plainTriggers(chosen, held)[0]
  const chosenName = chosenTrigger ? triggerName(chosenTrigger, around) : ''
  const heldName = held.map((m) => modifierName(m, around.systemId)).join('+')
  const title = useMemo(() => {
    const layer = heldName === '' ? '' : ` with ${heldName}`
    return places
      ? `Places for “${places.command.name}”${layer}, ${hand.side} hand at home`
      : `Reach of the ${hand.side} hand${layer}, ms`
  }, [places, heldName, hand.side])

  return (
    <>
      <CommandList searchRef={search} keyFind={keyFind} onChosen={focusPlaces} />
      <section aria-label="Chart" className="flex min-w-0 grow flex-col">
        <div className="flex items-center justify-between gap-3 px-[14px] pt-[10px] pb-2">
          <LayerBar />
          <p className="caption min-w-0 grow truncate text-right" title={title}>
            {title}
          </p>
        </div>
        <Chart ref={chart} places={places} free={freeSpots} onKey={onKey} />
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
        ) : spot !== null ? (
          <KeyLevels spot={spot} onOther={setOther} />
        ) : freeWithin !== null ? (
          <FreeFinder onChoose={setOther} />
        ) : (
          <NothingChosen />
        )}
      </section>
      {taking && places && (
        <TakeSheet command={places.command} place={taking} places={places} onClose={() => setTaking(null)} />
      )}
      {other && <TriggerSheet commandId={places?.command.id} start={other} onClose={() => setOther(null)} />}
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
                  onClick={() => set({ commandId: c.id, spot: null })}
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
