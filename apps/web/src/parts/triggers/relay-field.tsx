import { X } from 'lucide-react'
import { useId, useState } from 'react'
import {
  freeChord,
  readTrigger,
  triggerKey,
  triggerName,
  type Chord,
  type Command,
  type Trigger,
} from '@reach-plot/core'
import { ListenButton, useKeyFind } from '../key-find.js'
import { TriggerChip } from '../trigger-chip.js'
import { problemInWords } from '../../store/problem.js'
import { useDerived } from '../../store/selectors.js'

const most = 8

/** What a control sends to the program: nothing, for its driver knows the command; or chords one after the other. */
export function RelayField({
  sends,
  onChange,
  onBind,
  command,
}: {
  sends: readonly Chord[]
  onChange: (sends: readonly Chord[]) => void
  /** the command gets this free key as well, for the control to send */
  onBind?: (chord: Chord) => void
  command: Command | undefined
}) {
  const { env, index, triggersOf } = useDerived()
  const [text, setText] = useState('')
  const [fault, setFault] = useState('')
  const id = useId()
  const add = (trigger: Trigger): void => {
    if (trigger.kind !== 'chord') {
      setFault('A relay sends plain key combinations only.')
      return
    }
    setFault('')
    setText('')
    if (sends.length < most) onChange([...sends, trigger])
  }
  const keyFind = useKeyFind(add)
  const program = env.programs.find((p) => p.id === command?.programId)
  const own = triggersOf(command?.id ?? '').find((t): t is Chord => t.kind === 'chord')
  const free =
    !own && onBind && command && program && sends.length === 0 ? freeChord(command, program, index) : null
  return (
    <>
      <label htmlFor={id}>Sends keys</label>
      <div>
        <SentChords sends={sends} onChange={onChange} />
        <form
          className="mt-2 flex items-center gap-2"
          onSubmit={(e) => {
            e.preventDefault()
            try {
              add(
                readTrigger(
                  text,
                  env,
                  env.controls.flatMap((c) => c.code ?? []),
                ),
              )
            } catch (error) {
              setFault(problemInWords(error))
            }
          }}
        >
          <input
            id={id}
            className="field w-[220px]"
            placeholder="Control+KeyK"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <button type="submit" className="btn" disabled={text.trim() === '' || sends.length >= most}>
            Add
          </button>
          <ListenButton {...keyFind} label="Add a combination by pressing it" />
          <ReadyChords
            own={own}
            free={free}
            isEmpty={sends.length === 0}
            onSend={(sent) => onChange([sent])}
            onBind={onBind}
          />
        </form>
        <p role="alert" className="text-[12px] text-magenta empty:hidden">
          {fault}
        </p>
      </div>
    </>
  )
}

/** The chords that are sent, each to be taken out. */
function SentChords({
  sends,
  onChange,
}: {
  sends: readonly Chord[]
  onChange: (sends: readonly Chord[]) => void
}) {
  const { env } = useDerived()
  return (
    <div className="flex flex-wrap items-center gap-2">
      {sends.length === 0 && <span className="text-ink-2">none: its driver names the command</span>}
      {sends.map((sent, i) => (
        <span key={`${triggerKey(sent)} ${i}`} className="keycap inline-flex items-center gap-1">
          <TriggerChip trigger={sent} />
          <button
            type="button"
            className="-mr-1 inline-flex size-6 items-center justify-center"
            aria-label={`Do not send ${triggerName(sent, env)}`}
            onClick={() => onChange(sends.filter((_, k) => k !== i))}
          >
            <X size={12} aria-hidden="true" />
          </button>
        </span>
      ))}
    </div>
  )
}

/** Chords that need not be written: the command's own key, or a free one that it gets. */
function ReadyChords({
  own,
  free,
  isEmpty,
  onSend,
  onBind,
}: {
  own: Chord | undefined
  free: Chord | null
  isEmpty: boolean
  onSend: (sent: Chord) => void
  onBind: ((chord: Chord) => void) | undefined
}) {
  const { env } = useDerived()
  return (
    <>
      {own && isEmpty && (
        <button type="button" className="btn" onClick={() => onSend(own)}>
          Send {triggerName(own, env)}, its key
        </button>
      )}
      {free && (
        <button
          type="button"
          className="btn"
          onClick={() => {
            onBind?.(free)
            onSend(free)
          }}
        >
          Give it {triggerName(free, env)}, a free key, and send that
        </button>
      )}
    </>
  )
}
