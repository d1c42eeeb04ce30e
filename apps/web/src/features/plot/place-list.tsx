import { useState } from 'react'
import {
  contextsInWords,
  keptBy,
  modifierName,
  spotOf,
  toggleShift,
  triggerKey,
  triggerName,
  type ChordReach,
  type Place,
} from '@reach-plot/core'
import { TriggerChip } from '../../shared/trigger-chip.js'
import { takeOff } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { BarPatterns, CostBar, CostKey } from './place-bar.js'
import type { Places } from './use-places.js'

const shownPlaces = 14

/** The finger on the key itself, not on the modifiers. */
export const fingerOf = (reach: ChordReach): string => reach.fingers[reach.keys.at(-1) ?? ''] ?? ''

/** Where the chosen command could go: ranked places with their reasons. */
export function PlaceList({
  places,
  onPlace,
  onPlaceBoth,
  onOther,
}: {
  places: Places
  onPlace: (place: Place) => void
  onPlaceBoth: (place: Place) => void
  onOther: () => void
}) {
  const plan = usePlan()
  const { around, survey, triggersOf } = useDerived()
  const held = useHeld()
  const spot = useView((s) => s.spot)
  const set = useView((s) => s.set)
  const { command, ranked } = places
  const [active, setActive] = useState(0)
  const opposite = plan.commands.find((c) => c.id === command.oppositeId)
  const now = triggersOf(command.id)
  const program = plan.programs.find((p) => p.id === command.programId)
  const contexts = contextsInWords(command, program)
  const name = (place: Place): string => triggerName(place.trigger, around)

  /** Whether the opposite could take the same key with Shift the other way round. */
  const pairIsFree = (place: Place): boolean => {
    if (!opposite || triggersOf(opposite.id).length > 0 || place.holders.length > 0) return false
    const key = triggerKey(toggleShift(place.trigger))
    return (
      (survey.holders.get(key) ?? []).every((c) => c.programId !== command.programId) &&
      keptBy(toggleShift(place.trigger), survey) === null
    )
  }

  return (
    <div className="flex min-h-0 grow flex-col">
      <BarPatterns />
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
              ? `, on ${triggerName(triggersOf(opposite.id)[0]!, around)}`
              : ', unplaced'}
          </p>
        )}
        {now.map((trigger) => (
          <p key={triggerKey(trigger)} className="mt-1 flex items-center gap-2">
            Now on <TriggerChip trigger={trigger} />
            <button
              type="button"
              className="link"
              onClick={() => takeOff(command.id, trigger, triggerName(trigger, around))}
            >
              Take off
            </button>
          </p>
        ))}
        <div className="mt-2 flex items-start justify-between gap-2">
          <CostKey />
          <button type="button" className="btn shrink-0" onClick={onOther}>
            Other acts…
          </button>
        </div>
      </div>
      <ol
        aria-label={`Places for ${command.name}`}
        className="min-h-0 grow overflow-y-auto border-t-2 border-magenta"
      >
        {!places.ready && <li className="p-4 text-ink-2">Working out the reach …</li>}
        {places.ready && ranked.length === 0 && (
          <li className="p-4 text-ink-2">
            No key can be had with{' '}
            {held.map((m) => modifierName(m, around.systemId)).join('+') || 'no modifier'}. Choose other
            modifiers above the chart.
          </li>
        )}
        {ranked.slice(0, shownPlaces).map((place, i) => {
          const isActive = i === active
          const finger = fingerOf(place.reach)
          const isNow = now.some((t) => triggerKey(t) === triggerKey(place.trigger))
          return (
            <li
              key={triggerKey(place.trigger)}
              className={`border-b border-rule px-[14px] ${isActive || spotOf(place.trigger) === spot ? 'bg-paper' : ''}`}
            >
              <button
                type="button"
                className="-mx-2 grid w-[calc(100%+16px)] grid-cols-[20px_1fr_auto] gap-x-2 px-2 py-[7px] text-left -outline-offset-2!"
                data-place={triggerKey(place.trigger)}
                aria-expanded={isActive}
                onClick={() => {
                  if (isActive && !isNow) onPlace(place)
                  else setActive(i)
                  set({ spot: spotOf(place.trigger) })
                }}
                onKeyDown={(e) => {
                  const step = { ArrowDown: 1, ArrowUp: -1 }[e.key]
                  if (step === undefined) return
                  e.preventDefault()
                  const next = Math.max(0, Math.min(Math.min(ranked.length, shownPlaces) - 1, i + step))
                  setActive(next)
                  set({ spot: ranked[next] ? spotOf(ranked[next].trigger) : null })
                  ;(
                    e.currentTarget.closest('ol')?.querySelectorAll('[data-place]')[next] as
                      HTMLElement | undefined
                  )?.focus()
                }}
              >
                <b className="text-magenta">{i + 1}</b>
                <span className="flex items-center gap-2">
                  <span className="keycap">
                    <TriggerChip trigger={place.trigger} />
                  </span>
                  <span className="text-ink-2">
                    {place.reach.verdict}
                    {finger && ` · ${finger}`}
                    {isNow && <b className="text-ink"> · here now</b>}
                  </span>
                </span>
                <span>{Math.round(place.reach.timeMs)} ms</span>
                <span className="col-start-2 col-end-4 mt-1.5">
                  <CostBar place={place} />
                </span>
                {place.holders[0] && (
                  <span className="col-start-2 col-end-4 mt-1 text-[12px]">
                    Held by <b>{place.holders.map((c) => c.name).join(', ')}</b>,{' '}
                    {place.holders[0].usesPerHour} uses/h
                  </span>
                )}
              </button>
              {isActive && (
                <div className="pb-2.5 pl-[28px]">
                  <p>
                    {place.mnemonic.reason}
                    {place.typesIn.length > 0 && ` Types in ${place.typesIn.join(', ')}.`}
                    {pairIsFree(place) && (
                      <>
                        {' '}
                        <b>{triggerName(toggleShift(place.trigger), around)}</b> is free too, so “
                        {opposite?.name}” can take it as its opposite.
                      </>
                    )}
                  </p>
                  <div className="mt-1.5 flex gap-2">
                    <button
                      type="button"
                      className="btn btn-main"
                      disabled={isNow}
                      onClick={() => onPlace(place)}
                    >
                      {place.holders.length > 0 ? 'Take' : 'Place on'} {name(place)}{' '}
                      <span aria-hidden="true">⏎</span>
                    </button>
                    {pairIsFree(place) && (
                      <button type="button" className="btn" onClick={() => onPlaceBoth(place)}>
                        Place both
                      </button>
                    )}
                  </div>
                </div>
              )}
            </li>
          )
        })}
      </ol>
    </div>
  )
}
