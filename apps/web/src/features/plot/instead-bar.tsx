import { useEffect, useRef, type KeyboardEvent } from 'react'
import { givenUpFor, triggerName, type CandidatePlace, type Command, type Trigger } from '@reach-plot/core'
import { useDerived } from '../../store/selectors.js'

/** How a command that has a key gets another: in place of it, or beside it. */
export type PlaceHow = 'instead' | 'as well'

/** One line that asks whether a place comes instead of what the command has, or as well. Enter, Shift+Enter, Escape. */
export function InsteadBar({
  command,
  place,
  onAnswer,
  onClose,
}: {
  command: Command
  place: CandidatePlace
  onAnswer: (how: PlaceHow) => void
  onClose: () => void
}) {
  const { env, triggersOf } = useDerived()
  const first = useRef<HTMLButtonElement>(null)
  useEffect(() => first.current?.focus(), [place])
  const name = (t: Trigger): string => triggerName(t, env)
  const onKeyDown = (e: KeyboardEvent<HTMLButtonElement>): void => {
    if (e.key === 'Escape') onClose()
    else if (e.key === 'Enter' && e.shiftKey) onAnswer('as well')
    else return
    e.preventDefault()
    e.stopPropagation()
  }
  const old = givenUpFor(triggersOf(command.id), place.trigger).map(name).join(', ')
  return (
    <div
      role="group"
      aria-label={`${command.name} on ${name(place.trigger)}`}
      className="flex shrink-0 flex-wrap items-center gap-2 border-t-2 border-magenta bg-panel px-[14px] py-2"
    >
      <span>
        <b>{command.name}</b> on <b>{name(place.trigger)}</b>
      </span>
      <button
        ref={first}
        type="button"
        className="btn btn-main"
        onClick={() => onAnswer('instead')}
        onKeyDown={onKeyDown}
      >
        Instead of {old} <span aria-hidden="true">⏎</span>
      </button>
      <button type="button" className="btn" onClick={() => onAnswer('as well')} onKeyDown={onKeyDown}>
        As well <span aria-hidden="true">⇧⏎</span>
      </button>
      <button type="button" className="btn" onClick={onClose} onKeyDown={onKeyDown}>
        Cancel
      </button>
    </div>
  )
}
