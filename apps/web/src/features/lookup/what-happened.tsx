import { useMemo, useState } from 'react'
import {
  fullName,
  removePlacement,
  triggerKey,
  triggerName,
  whatHappened,
  type Command,
  type CommandId,
  type Slipped,
} from '@reach-plot/core'
import { useNavigate } from 'react-router'
import { CommandChooser } from '../../parts/command-chooser.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { useEdit } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'

/** Something happened that was not meant: which press did it, how to get out, and whether its key should stay. */
export function WhatHappened() {
  const { env, arrangement } = useDerived()
  const [seenId, setSeenId] = useState<CommandId>('')
  const [meantId, setMeantId] = useState<CommandId>('')
  const placed = useMemo(() => {
    const ids = new Set(arrangement.placements.map((p) => p.commandId))
    return env.commands.filter((c) => ids.has(c.id))
  }, [arrangement, env])
  const seen = placed.find((c) => c.id === seenId)
  const meant = placed.filter((c) => c.programId === seen?.programId && c.id !== seenId)
  const found = useMemo(
    () => (seen ? whatHappened(seen, arrangement.placements, env, meantId || null) : []),
    [seen, arrangement, env, meantId],
  )
  return (
    <section aria-label="What just happened?" className="mt-6 border-t border-ink pt-3">
      <h3 className="font-semibold">What just happened?</h3>
      <p className="text-ink-2">Choose what you saw happen. Here stands which press can have done it.</p>
      <CommandChooser
        label="What happened"
        className="mt-2"
        commands={placed}
        value={seenId}
        empty="Choose a command …"
        onChange={setSeenId}
      />
      {seen && (
        <>
          <CommandChooser
            label="What you meant to do"
            className="mt-2"
            commands={meant}
            value={meantId}
            empty="I do not know"
            onChange={setMeantId}
          />
          {seen.damage?.wayOut && (
            <p className="mt-2">
              <b>The way out:</b> {seen.damage.wayOut}
            </p>
          )}
          <ol className="mt-2">
            {found.slice(0, 8).map((slip, i) => (
              <SlipRow key={i} slip={slip} seen={seen} />
            ))}
          </ol>
        </>
      )}
    </section>
  )
}

function SlipRow({ slip, seen }: { slip: Slipped; seen: Command }) {
  const { env } = useDerived()
  const edit = useEdit()
  const navigate = useNavigate()
  const set = useView((s) => s.set)
  const perWeek = slip.slipsPerHour * 40
  return (
    <li className="border-b border-rule py-1.5">
      <p className="flex flex-wrap items-center gap-x-2">
        <TriggerChip trigger={slip.pressed} />
        {slip.meant === null ? (
          <span>pressed unawares</span>
        ) : (
          <span>
            in place of {triggerName(slip.meant.trigger, env)}, “{fullName(slip.meant.command)}”
          </span>
        )}
      </p>
      <p className="text-[13px] text-ink-2">
        {slip.how === 'beside' && 'The key lies beside it'}
        {slip.how === 'modifier' && 'A modifier more or less'}
        {slip.how === 'itself' && 'Its own key'}
        {slip.slipsPerHour > 0 &&
          `; about ${perWeek < 1 ? perWeek.toFixed(1) : Math.round(perWeek)} times in 40 hours, assumed`}
        .
      </p>
      <p className="flex gap-3 text-[13px]">
        <button
          type="button"
          className="link"
          onClick={() => {
            set({ programId: seen.programId, commandId: seen.id })
            void navigate('/')
          }}
        >
          Find another key for it
        </button>
        <button
          type="button"
          className="link"
          onClick={() => edit((plan) => removePlacement(plan, seen.id, slip.pressed))}
          aria-label={`Remove “${fullName(seen)}” from ${triggerKey(slip.pressed)}`}
        >
          Remove it from this key
        </button>
      </p>
    </li>
  )
}
