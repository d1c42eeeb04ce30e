import { triggerName } from '@reach-plot/core'
import type { AskedKind } from '@reach-plot/core/practice'
import { SelectField } from '../../parts/fields.js'
import { NumberBox } from '../../parts/number-box.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { howMany } from '../../parts/words.js'
import { DaysPlot } from './days-plot.js'
import { practiceKinds, type LearnScreen } from './use-learn.js'

const kindNames: Readonly<Record<(typeof practiceKinds)[number], string>> = {
  key: 'A name, for its key',
  name: 'A key, for its name',
  hidden: 'A name, with the bench hidden',
  contrast: 'Old keys against new ones',
  routine: 'Routines, step by step',
  default: 'The programs’ own keys, for other machines',
  task: 'A small task on the example’s chart',
}

/** What today holds, and the start of a session. */
export function LearnSide({ view }: { view: LearnScreen }) {
  const { today, days, isAll, derived, newPerDay, setNewPerDay, session, state } = view
  return (
    <aside
      aria-label="Today"
      className="side flex w-[236px] shrink-0 flex-col overflow-y-auto border-r border-rule bg-panel px-[14px] py-3"
    >
      <h2 className="title">{isAll ? 'Practice' : dayTitle(view)}</h2>
      <TodayInWords view={view} />
      {state ? (
        <button type="button" className="btn btn-main mt-2" onClick={session.stop}>
          Stop for now
        </button>
      ) : (
        <StartPart view={view} />
      )}
      {today && today.fresh.length > 0 && (
        <section className="mt-4">
          <h3 className="caption">New today</h3>
          <ul>
            {today.fresh.map((q) => (
              <li
                key={`${q.commandId} ${triggerName(q.trigger, derived.env)}`}
                className="flex justify-between gap-2 border-b border-rule py-1"
              >
                <span className="min-w-0 break-words">
                  {view.commandOf(q.commandId)?.name ?? q.commandId}
                </span>
                <span className="flex max-w-[60%] shrink-0 items-start">
                  <TriggerChip trigger={q.trigger} />
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <OldKeys view={view} />
      <LeftEmpty view={view} />
      <div className="mt-auto pt-4">
        {!state && (
          <div className="mb-3 w-[110px]">
            <NumberBox
              label="New keys a day"
              value={newPerDay}
              min={1}
              max={30}
              onChange={(n) => setNewPerDay(Math.round(n))}
            />
          </div>
        )}
        {days && days.days.length > 0 && today && (
          <DaysPlot plan={days} today={Math.min(today.day, days.days.length)} />
        )}
        {days && days.notWorth.length > 0 && (
          <p className="mt-1 text-[12px] text-ink-2">
            {howMany(days.notWorth.length, 'more change does not pay', 'more changes do not pay')} within the
            days of pay-back and {days.notWorth.length === 1 ? 'is' : 'are'} left out.
          </p>
        )}
      </div>
    </aside>
  )
}

/** Keys that mean something else now, harm first. */
function OldKeys({ view }: { view: LearnScreen }) {
  const { habits, derived } = view
  if (habits.length === 0) return null
  return (
    <section className="mt-4">
      <h3 className="caption">Your old keys</h3>
      <ul>
        {habits.slice(0, 6).map((h) => (
          <li
            key={`${h.command.id} ${triggerName(h.oldTrigger, derived.env)}`}
            className="border-b border-rule py-1"
          >
            <b>{triggerName(h.oldTrigger, derived.env)}</b> was {h.command.name} and is now{' '}
            {h.runs.map((c) => c.name).join(', ')}.
            {h.isHarmful && (
              <>
                <span className="text-magenta"> Harmful if pressed by mistake.</span>{' '}
                <button type="button" className="link" onClick={() => view.leaveEmpty(h)}>
                  Leave it empty for now
                </button>
              </>
            )}
          </li>
        ))}
      </ul>
      {habits.length > 6 && (
        <p className="mt-1 text-ink-2">and {howMany(habits.length - 6, 'more', 'more')}</p>
      )}
    </section>
  )
}

/** Keys that carry nothing for a while, since when, and the way back. */
function LeftEmpty({ view: { leftEmpty, putBack, derived, commandOf } }: { view: LearnScreen }) {
  if (leftEmpty.length === 0) return null
  return (
    <section className="mt-4">
      <h3 className="caption">Left empty</h3>
      <ul>
        {leftEmpty.map(({ trigger, placements, weeks }) => (
          <li key={triggerName(trigger, derived.env)} className="border-b border-rule py-1">
            <b>{triggerName(trigger, derived.env)}</b>, for{' '}
            {placements.map((p) => commandOf(p.commandId)?.name ?? p.commandId).join(', ')}
            {weeks >= weeksEmpty ? `: empty for ${howMany(weeks, 'week', 'weeks')} now. ` : '. '}
            <button
              type="button"
              className={weeks >= weeksEmpty ? 'btn' : 'link'}
              onClick={() => putBack(trigger)}
            >
              Put it back
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** An old habit has mostly gone after so many weeks. Assumed. */
const weeksEmpty = 3

const dayTitle = ({ today }: LearnScreen): string =>
  !today || today.days === 0
    ? 'Learn'
    : today.day > today.days
      ? 'All keys met'
      : `Day ${today.day} of ${today.days}`

function TodayInWords({ view: { today, from, isAll, answers, isKept } }: { view: LearnScreen }) {
  if (answers === null) return <p className="mt-1 text-ink-2">reading your record …</p>
  if (!today) return <p className="mt-1 text-ink-2">working out the days …</p>
  const minutes = Math.ceil(((today.fresh.length * 3 + today.due.length) * secondsEach) / 60)
  return (
    <>
      <p className="mt-1 text-ink-2">
        {howMany(today.fresh.length, 'new key', 'new keys')} today, {today.due.length} to come back.
        {minutes > 0 && ` About ${howMany(minutes, 'minute', 'minutes')}.`}
      </p>
      <p className="mt-1 text-[12px] text-ink-2">
        {isAll
          ? 'All that has a key, the most used first.'
          : `From “${from.name}”, what gains most for its learning first.`}
      </p>
      {!isKept && (
        <p className="mt-1 text-magenta">This browser keeps nothing: save the record before you leave.</p>
      )}
    </>
  )
}

/** Seconds that a question takes with reading it; new ones come three times. Assumed. */
const secondsEach = 5

function StartPart({ view }: { view: LearnScreen }) {
  const { kind, setKind, questions, session, today, screen } = view
  const count = questions.due.length + questions.fresh.length
  return (
    <div className="mt-2 grid gap-2">
      <SelectField<AskedKind>
        label="What is asked"
        value={kind}
        choices={practiceKinds
          .filter((id) => id !== 'task' || view.hasTask)
          .map((id) => ({ id, name: kindNames[id] }))}
        onChange={setKind}
      />
      {session.canGoOn > 0 && (
        <button type="button" className="btn btn-main" onClick={session.goOn}>
          Go on, {howMany(session.canGoOn, 'question is left', 'questions are left')}
        </button>
      )}
      <button
        type="button"
        className={session.canGoOn > 0 ? 'btn' : 'btn btn-main'}
        disabled={count === 0}
        onClick={() => session.start(questions.due, questions.fresh, kind)}
      >
        {session.canGoOn > 0 ? 'Begin anew' : 'Begin'}
      </button>
      {screen.canLock && (
        <button type="button" className="link text-left" onClick={() => void screen.toggle()}>
          {screen.isFull ? 'Leave full screen' : 'Full screen, so that more keys arrive here'}
        </button>
      )}
      {today && count === 0 && (
        <p className="text-ink-2">{today.days === 0 ? nothingPlaced : nothingOf(kind)}</p>
      )}
      {today && count > 0 && today.due.length + today.fresh.length === 0 && (
        <p className="text-ink-2">Nothing is due today; this goes over what you have met.</p>
      )}
    </div>
  )
}

const nothingPlaced =
  'No command that is used has a key yet: place some on the Plot, or let Solve propose places.'

const nothingOf = (kind: AskedKind): string =>
  kind === 'contrast'
    ? 'No old key means something else now.'
    : kind === 'routine'
      ? 'There are no routines: keep some under Commands, Routines.'
      : kind === 'default'
        ? 'None of the programs’ own keys is due today.'
        : kind === 'name'
          ? 'Names are asked for once their keys were practised and are due.'
          : 'Nothing is due today.'
