import { Keyboard, X } from 'lucide-react'
import { useCallback, useState, type ReactNode } from 'react'
import { triggerName, type Trigger } from '@reach-plot/core'
import { useDerived } from '../store/selectors.js'
import { TriggerChip } from './trigger-chip.js'
import { useListen } from './use-listen.js'

/** Finding by a pressed key: whether the next key is waited for, and what to do when it comes. */
export function useKeyFind(onTrigger: (trigger: Trigger) => void): {
  readonly listening: boolean
  listen(on: boolean): void
} {
  const { env } = useDerived()
  const [listening, listen] = useState(false)
  const onChord = useCallback(
    (trigger: Trigger | null) => {
      listen(false)
      if (trigger) onTrigger(trigger)
    },
    [onTrigger],
  )
  useListen(listening, env.layout, onChord)
  return { listening, listen }
}

export function ListenButton({
  listening,
  listen,
  label = 'Find by pressing a key',
}: {
  listening: boolean
  listen: (on: boolean) => void
  label?: string
}) {
  return (
    <>
      <button
        type="button"
        className="btn px-2"
        data-listening={listening ? '' : undefined}
        data-on={listening}
        aria-label={label}
        title={label}
        onClick={() => listen(!listening)}
      >
        <Keyboard size={16} aria-hidden="true" />
      </button>
      <span role="status" className={listening ? 'self-center text-magenta' : 'sr-only'}>
        {listening && 'Press a key; Esc gives up.'}
      </span>
    </>
  )
}

/** The trigger that a list is narrowed to, with a way to show all again. */
export function TriggerFilter({
  trigger,
  onClear,
  children,
}: {
  trigger: Trigger
  onClear: () => void
  children?: ReactNode
}) {
  const { env } = useDerived()
  return (
    <div className="border border-rule px-2 py-0.5">
      <div className="flex items-center gap-2">
        on <TriggerChip trigger={trigger} />
        <button
          type="button"
          className="ml-auto p-1.5"
          aria-label={`Show all, not only those on ${triggerName(trigger, env)}`}
          onClick={onClear}
        >
          <X size={14} aria-hidden="true" />
        </button>
      </div>
      {children}
    </div>
  )
}
