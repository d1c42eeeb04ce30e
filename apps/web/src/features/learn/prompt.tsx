import { useEffect, useMemo, useRef, type PointerEvent } from 'react'
import { triggerKey, triggerName, type Command, type Trigger } from '@reach-plot/core'
import { strokeDirection } from './asked.js'
import { goalOf, sceneAfter } from './stand-in/chart-task.js'
import { SceneView } from './stand-in/scene.js'
import type { LearnScreen } from './use-learn.js'

/** What is asked, large; after a wrong or late answer where it is, by which finger and why. */
export function Prompt({ view }: { view: LearnScreen }) {
  const { state, question, commandOf } = view
  const command = question ? commandOf(question.commandId) : undefined
  if (!state || !question || !command) return <BeforeSession view={view} />
  return (
    <div
      className="min-h-[176px] shrink-0 px-[34px] pt-5 select-none"
      data-listening=""
      {...strokeHandlers(view, question.trigger)}
    >
      <Where view={view} command={command} />
      {state.kind === 'name' ? (
        <NameChoice key={`${triggerKey(question.trigger)} ${state.left}`} view={view} command={command} />
      ) : (
        <>
          <Asked view={view} command={command} />
          <div className="mt-2 min-h-[42px]" aria-live="polite">
            <Told view={view} command={command} />
          </div>
          <WaysRow view={view} asked={question.trigger} />
        </>
      )}
    </div>
  )
}

/** The name of what is asked; in a task what is to be done, beside a chart that follows. */
function Asked({ view: { state, session }, command }: { view: LearnScreen; command: Command }) {
  const goal = state?.kind === 'task' ? goalOf(command.id) : undefined
  if (goal === undefined)
    return (
      <p className="mt-1 text-[40px] leading-tight font-semibold" aria-live="assertive">
        {command.name}
        {command.parameter !== undefined && <span className="text-ink-2"> {command.parameter}</span>}
      </p>
    )
  // what was missed and then pressed is done too
  const open = state?.shown ? command.id : null
  const done = [...new Set(session.given.map((a) => a.commandId))].filter((id) => id !== open)
  return (
    <div className="mt-1 flex gap-6">
      <p className="grow text-[26px] leading-tight font-semibold" aria-live="assertive">
        {goal}
        {state?.shown && <span className="block text-[18px] font-normal text-magenta">{command.name}</span>}
      </p>
      <SceneView scene={sceneAfter(done)} />
    </div>
  )
}

function Where({ view: { plan, state }, command }: { view: LearnScreen; command: Command }) {
  const program = plan.programs.find((p) => p.id === command.programId)
  const contexts = program?.contexts.filter((c) => command.contextIds.includes(c.id)).map((c) => c.name) ?? []
  return (
    <p className="text-ink-2">
      {[program?.name, ...contexts].filter(Boolean).join(', ')}
      {command.menu.length > 0 &&
        state?.kind !== 'name' &&
        state?.kind !== 'task' &&
        ` · ${command.menu.join(' › ')}`}
      {state?.kind === 'default' && <b> · by the program’s own key</b>}
    </p>
  )
}

/** What is said while the answer is awaited, and once it was wrong. */
function Told({ view, command }: { view: LearnScreen; command: Command }) {
  const { state, question, isEscaping, why, way, derived, reachOf, habits } = view
  if (!state || !question) return null
  if (isEscaping) return <p>Press Esc once more to stop.</p>
  const { env, index } = derived
  if (!state.shown)
    return (
      <p className="text-ink-2">
        {why
          ? `${why} Take it on the drawing.`
          : way === 'drawn'
            ? question.trigger.kind === 'stroke'
              ? 'Draw the stroke here, or take it on the drawing.'
              : 'Take it on the drawing.'
            : ''}
      </p>
    )
  const { pressed } = state.shown
  const reach = reachOf(question.trigger)
  const last = reach?.keys.at(-1)
  const finger = last === undefined ? undefined : reach?.fingers[last]
  const { score, reason } = index.readerOf(command).score(question.trigger)
  const isOld =
    pressed !== null &&
    habits.some((h) => h.command.id === command.id && triggerKey(h.oldTrigger) === triggerKey(pressed))
  return (
    <p className="text-magenta">
      {pressed && (
        <>
          You pressed <b>{triggerName(pressed, env)}</b>
          {isOld ? ', its old key' : ''}.{' '}
        </>
      )}
      It is <b>{triggerName(question.trigger, env)}</b>
      {score > 0 && reason ? `: ${plain(reason)}` : ''}
      {finger ? `, ${finger} finger` : ''}. Press it to go on.
    </p>
  )
}

/** A reason as a part of a sentence. */
const plain = (reason: string): string => {
  const text = reason.replace(/\.$/, '')
  return /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text
}

/** The ways of a dial, the directions of a field or the entries of a pop-up set, to choose from. */
function WaysRow({ view: { ways, take, derived }, asked }: { view: LearnScreen; asked: Trigger }) {
  const { env, index } = derived
  const set = asked.kind === 'popup' ? env.popups?.find((p) => p.id === asked.setId) : undefined
  const all = set
    ? Array.from({ length: set.entries }, (_, i): Trigger => ({ kind: 'popup', setId: set.id, entry: i + 1 }))
    : ways
  if (all.length === 0) return null
  return (
    <div role="group" aria-label="Which way" className="flex flex-wrap gap-2 pt-1">
      {all.map((t) => (
        <button key={triggerKey(t)} type="button" className="btn" onClick={() => take(t)}>
          {t.kind === 'popup' ? `${t.entry}` : triggerName(t, index.env)}
        </button>
      ))}
    </div>
  )
}

/** Four names to a key; the digits choose. */
function NameChoice({ view, command }: { view: LearnScreen; command: Command }) {
  const { question, answer, plan, derived, state, session } = view
  const names = useMemo(() => {
    const others = plan.commands
      .filter(
        (c) =>
          c.programId === command.programId &&
          c.id !== command.id &&
          c.name !== command.name &&
          derived.index.triggers.has(c.id),
      )
      // commands of the same menu are the likeliest to be mixed up
      .sort(
        (a, b) =>
          Number(b.menu[0] === command.menu[0]) - Number(a.menu[0] === command.menu[0]) ||
          b.usesPerHour - a.usesPerHour,
      )
      .slice(0, 3)
    return [command, ...others].sort((a, b) => (a.name < b.name ? -1 : 1))
  }, [command, plan.commands, derived.index])
  const shown = state?.shown
  const latest = useRef<(at: number, i: number) => void>(() => undefined)
  useEffect(() => {
    latest.current = (at, i) => {
      const chosen = names[i]
      if (chosen) answer(null, chosen.id === command.id, at)
    }
  })
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') return session.stop()
      const i = Number(event.key) - 1
      if (Number.isInteger(i) && i >= 0 && i < 4 && !event.repeat) {
        event.preventDefault()
        latest.current(event.timeStamp, i)
      }
    }
    addEventListener('keydown', onKeyDown)
    return () => removeEventListener('keydown', onKeyDown)
  }, [session])
  if (!question) return null
  return (
    <>
      <p className="mt-1 font-chart text-[40px] leading-tight font-semibold" aria-live="assertive">
        {triggerName(question.trigger, derived.env)}
      </p>
      <div role="group" aria-label="What does it do?" className="mt-4 grid max-w-[420px] gap-2">
        {names.map((c, i) => (
          <button
            key={c.id}
            type="button"
            className="btn text-left"
            data-on={shown !== undefined && c.id === command.id}
            onClick={(e) => latest.current(e.timeStamp, i)}
          >
            {i + 1}. {c.name}
          </button>
        ))}
      </div>
      <p className="mt-2 min-h-6 text-ink-2" aria-live="polite">
        {shown ? `It is “${command.name}”. Choose it to go on.` : 'Choose by 1 to 4; Esc stops.'}
      </p>
    </>
  )
}

/** Before a session: what there is to do, and how to begin. */
function BeforeSession({ view }: { view: LearnScreen }) {
  const { session, today } = view
  const { given } = session
  if (given.length > 0) {
    const right = given.filter((a) => a.right)
    const middle = right.map((a) => a.ms).sort((a, b) => a - b)[right.length >> 1]
    return (
      <div className="min-h-[176px] shrink-0 px-[34px] pt-5" role="status">
        <p className="text-[20px] font-semibold">
          {given.length === 1 ? '1 answer' : `${given.length} answers`}, {given.length - right.length} not
          right
        </p>
        {middle !== undefined && (
          <p className="mt-1 text-ink-2">Half of the right ones took less than {middle} ms.</p>
        )}
        <p className="mt-1 text-ink-2">
          {session.canGoOn > 0 ? `${session.canGoOn} questions are left.` : 'Nothing is left of it.'}
        </p>
      </div>
    )
  }
  return (
    <div className="min-h-[176px] shrink-0 px-[34px] pt-5">
      <p className="max-w-[560px] text-[16px]">
        A command comes up, and you press its key. What was wrong or took long is shown and comes again soon;
        what you know comes back in days.
      </p>
      {today && today.fresh.length > 0 && (
        <p className="mt-2 text-ink-2">The keys of today are marked below.</p>
      )}
    </div>
  )
}

/** A stroke may be drawn beside the question, from where the pointer goes down to where it comes up. */
function strokeHandlers({ answer }: LearnScreen, trigger: Trigger) {
  if (trigger.kind !== 'stroke') return {}
  return {
    onPointerDown(event: PointerEvent<HTMLElement>): void {
      event.currentTarget.setPointerCapture(event.pointerId)
      event.currentTarget.dataset['from'] = `${event.clientX} ${event.clientY}`
    },
    onPointerUp(event: PointerEvent<HTMLElement>): void {
      const [x, y] = (event.currentTarget.dataset['from'] ?? '').split(' ').map(Number)
      if (x === undefined || y === undefined || Number.isNaN(x)) return
      const direction = strokeDirection(event.clientX - x, event.clientY - y, trigger.of)
      if (direction !== null)
        answer({ ...trigger, direction }, direction === trigger.direction, event.timeStamp)
    },
  }
}
