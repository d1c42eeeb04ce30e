import { verdictWords } from '../../parts/words.js'
import { Lock, LockOpen } from 'lucide-react'
import {
  asGoodShare,
  givenUpFor,
  modifierName,
  placeReason,
  controlRefOf,
  toggleShift,
  triggerKey,
  triggerName,
  type ChordReach,
  type CandidatePlace,
  toggleRule,
} from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { remove } from '../../store/actions.js'
import type { PlaceHow } from './instead-bar.js'
import { BarPatterns, CostBar, CostKey } from './place-bar.js'
import { Foreseen } from './foreseen.js'
import { PlaceFilters } from './place-filters.js'
import { WeightsPanel } from './weights-panel.js'
import type { Places } from '../../drawing/places.js'
import { usePlaceList, type PlaceListView, type PlaceRow } from './use-place-list.js'

/** The finger on the key itself, not on the modifiers. */
export const fingerOf = (reach: ChordReach): string => reach.fingers[reach.keys.at(-1) ?? ''] ?? ''

/** Where the chosen command could go: ranked places with their reasons. */
export function PlaceList(props: {
  places: Places
  onPlace: (place: CandidatePlace, how?: PlaceHow) => void
  onPlaceBoth: (place: CandidatePlace) => void
  onOther: () => void
}) {
  const view = usePlaceList(props)
  const { weighing } = view
  return (
    <div className="flex min-h-0 grow flex-col">
      <BarPatterns />
      <PlaceHead view={view} />
      {weighing && <WeightsPanel />}
      <PlaceOptions view={view} />
    </div>
  )
}

function PlaceHead({
  view: {
    command,
    contexts,
    opposite,
    triggersOf,
    env,
    now,
    isLocked,
    keptByProgram,
    edit,
    weighing,
    setWeighing,
    onOther,
  },
}: {
  view: PlaceListView
}) {
  return (
    <div className="px-[14px] pt-3 pb-2">
      <p className="caption">Place for</p>
      <h2 className="title mt-0.5">{command.name}</h2>
      <p className="text-ink-2">
        {command.usesPerHour} uses an hour · {contexts}
        {command.menu.length > 0 && ` · ${command.menu.join(' › ')}`}
      </p>
      {opposite && (
        <p className="text-ink-2">
          Opposite: {opposite.name}
          {triggersOf(opposite.id)[0]
            ? `, on ${triggerName(triggersOf(opposite.id)[0]!, env)}`
            : ', without a key'}
        </p>
      )}
      {now.map((trigger) => (
        <p key={triggerKey(trigger)} className="mt-1 flex items-center gap-2">
          Now on <TriggerChip trigger={trigger} />
          <button
            type="button"
            className="link"
            onClick={() => remove(command.id, trigger, triggerName(trigger, env))}
          >
            Remove
          </button>
        </p>
      ))}
      <div className="mt-2 flex flex-wrap gap-1.5">
        {(now.length > 0 || isLocked) && (
          <button
            type="button"
            className="btn"
            aria-pressed={isLocked}
            disabled={keptByProgram}
            title={keptByProgram ? 'All commands of its program are locked' : undefined}
            onClick={() => edit((draft) => toggleRule(draft, 'lockedCommandIds', command.id))}
          >
            {isLocked ? <Lock size={13} aria-hidden="true" /> : <LockOpen size={13} aria-hidden="true" />}{' '}
            {isLocked ? 'Unlock' : 'Lock'}
          </button>
        )}
        <button type="button" className="btn" aria-expanded={weighing} onClick={() => setWeighing(!weighing)}>
          Weights
        </button>
        <button type="button" className="btn" onClick={onOther}>
          Double tap, hold …
        </button>
      </div>
      <div className="mt-2 mb-1.5">
        <PlaceFilters />
      </div>
      <CostKey />
    </div>
  )
}

function PlaceOptions({ view }: { view: PlaceListView }) {
  const { command, places, ranked, rows, held, env, shown, active, now, controlRef, setShown } = view
  return (
    <ol
      aria-label={`Places for ${command.name}`}
      className="min-h-0 grow overflow-y-auto border-t-2 border-magenta"
    >
      {!places.ready && <li className="p-4 text-ink-2">Working out the reach …</li>}
      {places.ready && ranked.length === 0 && (
        <li className="p-4 text-ink-2">
          No place fits with {held.map((m) => modifierName(m, env.systemId)).join('+') || 'these choices'}.
          Choose other modifiers under the chart, or list more places.
        </li>
      )}
      {rows.map(({ place, rank }, i) => {
        const isActive = i === active
        const finger = fingerOf(place.reach)
        const isNow = now.some((t) => triggerKey(t) === triggerKey(place.trigger))
        return (
          // by position: another command's list takes over the rows, which is faster than drawing them anew
          <li
            key={i}
            className={`border-b border-rule px-[14px] ${isActive || controlRefOf(place.trigger) === controlRef ? 'bg-paper' : ''}`}
          >
            <PlaceButton
              view={view}
              row={{ place, rank }}
              i={i}
              isActive={isActive}
              finger={finger}
              isNow={isNow}
            />
            {isActive && (
              <div className="pb-2.5 pl-[28px]">
                <PlaceReason view={view} place={place} />
                <PlaceActions view={view} place={place} isNow={isNow} />
              </div>
            )}
          </li>
        )
      })}
      {ranked.length > shown && (
        <li className="px-[14px] py-2">
          <button type="button" className="btn" onClick={() => setShown(shown + 40)}>
            40 more of {ranked.length}
          </button>
        </li>
      )}
      {places.ready && !places.isWhole && (
        // at the foot, so that no row moves when it goes
        <li className="sticky bottom-0 bg-panel px-[14px] py-1 text-ink-2">
          Places with modifiers are still being worked out …
        </li>
      )}
    </ol>
  )
}

const doubtTitle =
  'All that is assumed is drawn anew 64 times; a place is as good as the first when it comes first in a tenth of them'

/** How often a place comes first; nothing for one that is clearly behind. */
function doubtWords(doubt: PlaceListView['doubt'], key: string, rank: number): string {
  if (doubt === null) return rank === 0 ? 'how sure …' : ''
  const share = doubt[key] ?? 0
  if (rank > 0 && share < asGoodShare) return ''
  return `first in ${Math.round(100 * share)} %`
}

function PlaceButton({
  view: { onPlace, setActive, set, rows, doubt },
  row: { place, rank },
  i,
  isActive,
  finger,
  isNow,
}: {
  view: PlaceListView
  row: PlaceRow
  i: number
  isActive: boolean
  finger: string | undefined
  isNow: boolean
}) {
  return (
    <button
      type="button"
      className="-mx-2 grid w-[calc(100%+16px)] grid-cols-[20px_1fr_auto] gap-x-2 px-2 py-[7px] text-left -outline-offset-2!"
      data-place={triggerKey(place.trigger)}
      aria-expanded={isActive}
      onClick={() => {
        if (isActive && !isNow) onPlace(place)
        else setActive(i)
        set({ controlRef: controlRefOf(place.trigger) })
      }}
      onKeyDown={(e) => {
        const step = { ArrowDown: 1, ArrowUp: -1 }[e.key]
        if (step === undefined) return
        e.preventDefault()
        const next = Math.max(0, Math.min(rows.length - 1, i + step))
        setActive(next)
        set({ controlRef: rows[next] ? controlRefOf(rows[next].place.trigger) : null })
        ;(
          e.currentTarget.closest('ol')?.querySelectorAll('[data-place]')[next] as HTMLElement | undefined
        )?.focus()
      }}
    >
      <b className="text-magenta">{rank}</b>
      <span>
        <span className="keycap max-w-full">
          <TriggerChip trigger={place.trigger} />
        </span>
      </span>
      <span title="Cost in all, with the parts of the bar">{Math.round(place.totalMs)} ms</span>
      <span className="col-start-2 col-end-4 mt-1 flex items-center justify-between gap-2 text-[13px] text-ink-2">
        <span>
          {verdictWords[place.reach.verdict]} · {Math.round(place.reach.timeMs)} ms
          {finger && ` · ${finger}`}
          {isNow && <b className="text-ink"> · here now</b>}
        </span>
        <span className="text-[12px] whitespace-nowrap" title={doubtTitle}>
          {doubtWords(doubt, triggerKey(place.trigger), rank - 1)}
        </span>
      </span>
      <span className="col-start-2 col-end-4 mt-1">
        <CostBar place={place} />
      </span>
      {place.holders[0] && !isActive && (
        <span className="col-start-2 col-end-4 mt-1 truncate text-[12px]">
          Held by <b>{place.holders.map((c) => c.name).join(', ')}</b>, {place.holders[0].usesPerHour} uses/h
        </span>
      )}
    </button>
  )
}

function PlaceReason({
  view: { env, command, pairIsFree, opposite },
  place,
}: {
  view: PlaceListView
  place: CandidatePlace
}) {
  return (
    <p>
      {placeReason(place, env)}
      <Foreseen commandId={command.id} trigger={place.trigger} />
      {pairIsFree(place) && (
        <>
          {' '}
          <b>{triggerName(toggleShift(place.trigger), env)}</b> is free too, so “{opposite?.name}” can take it
          as its opposite.
        </>
      )}
    </p>
  )
}

function PlaceActions({
  view: { onPlace, name, pairIsFree, onPlaceBoth, now },
  place,
  isNow,
}: {
  view: PlaceListView
  place: CandidatePlace
  isNow: boolean
}) {
  const givenUp = isNow || place.holders.length > 0 ? [] : givenUpFor(now, place.trigger)
  return (
    <div className="mt-1.5 flex flex-wrap gap-2">
      {givenUp.length > 0 ? (
        <>
          <button type="button" className="btn btn-main" onClick={() => onPlace(place, 'instead')}>
            {name(place)} instead
          </button>
          <button type="button" className="btn" onClick={() => onPlace(place, 'as well')}>
            {name(place)} as well
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-main" disabled={isNow} onClick={() => onPlace(place)}>
          {place.holders.length > 0 ? 'Take' : 'Place on'} {name(place)} <span aria-hidden="true">⏎</span>
        </button>
      )}
      {pairIsFree(place) && (
        <button type="button" className="btn" onClick={() => onPlaceBoth(place)}>
          Place both
        </button>
      )}
    </div>
  )
}
