import { triggerName, type Naming } from '@reach-plot/core'
import { keysInWords, type StandardChange, type TakenKey } from '@reach-plot/core/carry'
import { ClashesOfChange } from '../../parts/clashes-of-change.js'
import { Dialog } from '../../parts/dialog.js'
import { keptInWords } from '../../parts/kept-ideas.js'
import { howMany } from '../../parts/words.js'
import { useDerived } from '../../store/selectors.js'
import type { ChangeGroup, StandardScreen } from './use-standard.js'

const groupNames: Readonly<Record<ChangeGroup, string>> = {
  all: 'All',
  fits: 'As they are',
  elsewhere: 'Another place for you',
  asked: 'To decide',
}

const whyWords: Readonly<Record<NonNullable<TakenKey['why']>, string>> = {
  'not on their bench': 'is not on your desk',
  'taken by their system': 'is taken by your system',
  'another character on their layout': 'types another character on your layout',
  'the hand must move': 'makes your hand leave its place',
}

/** What a standard would change, one command a line, to be taken or left. */
export function StandardDialog({
  view,
  looked: { standard, offer },
}: {
  view: StandardScreen
  looked: NonNullable<StandardScreen['looked']>
}) {
  const { plan, arrangement, counts, changes, taken, take, close } = view
  const isFollowed = plan.standard?.planId === standard.id
  return (
    <Dialog
      title={isFollowed ? `What is new in ${standard.name}` : `What ${standard.name} would change`}
      wide
      onClose={close}
      actions={
        <>
          <button type="button" className="btn" onClick={close}>
            Cancel
          </button>
          <button type="button" className="btn btn-main" onClick={take}>
            {isFollowed || taken > 0 ? `Take ${howMany(taken, 'change', 'changes')}` : 'Follow it'}
          </button>
        </>
      }
    >
      <p>
        {howMany(offer.same, 'command is', 'commands are')} as the standard has{' '}
        {offer.same === 1 ? 'it' : 'them'}
        {offer.asFarAsItServes.length > 0 &&
          `, ${offer.asFarAsItServes.length} more as far as it suits you`}, {offer.changes.length} would
        change
        {offer.keptDeviations > 0 && `, ${offer.keptDeviations} stay your own way`}.
        {plan.standard && !isFollowed && ` It would be followed in place of “${plan.standard.name}”.`}
        {arrangement.isDefault &&
          ' The programs’ own keys stay as they are: what you take goes into a copy of them.'}
      </p>
      <p className="mt-1 text-ink-2">
        What you leave out is kept as your own way, and not asked again until the standard changes it.
      </p>
      <div role="group" aria-label="Kinds" className="mt-3 flex flex-wrap gap-2">
        {counts
          .filter((c) => c.count > 0)
          .map((c) => (
            <button
              key={c.group}
              type="button"
              className="btn"
              aria-pressed={view.group === c.group}
              onClick={() => view.setGroup(c.group)}
            >
              {groupNames[c.group]} {c.count}
            </button>
          ))}
      </div>
      <ClashesOfChange after={view.after} />
      <ul className="mt-2" aria-label="Changes">
        {changes.slice(0, mostShown).map((c) => (
          <ChangeItem key={`${c.kind} ${c.ownId}`} change={c} view={view} standardName={standard.name} />
        ))}
      </ul>
      {changes.length > mostShown && (
        <p className="mt-2 text-ink-2">and {changes.length - mostShown} more: choose a kind above.</p>
      )}
    </Dialog>
  )
}

/** A longer list is looked through kind by kind. */
const mostShown = 300

function ChangeItem({
  change,
  view,
  standardName,
}: {
  change: StandardChange
  view: StandardScreen
  standardName: string
}) {
  const { env } = useDerived()
  const { command, has, keys } = change
  const takes = keys.flatMap((k) => k.taken ?? [])
  const notes = notesOf(change, env, standardName)
  return (
    <li className="border-b border-rule py-1.5">
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-0.5 size-4 shrink-0 accent-(--magenta)"
          checked={view.isTaken(change)}
          disabled={change.isLocked}
          onChange={(e) => view.choose(change.ownId, e.target.checked)}
        />
        <span className="min-w-0 break-words">
          <b>{command.name}</b>
          {command.parameter !== undefined && ` ${command.parameter}`}{' '}
          <span className="font-chart text-[14px]">
            {keysInWords(has, env)} → {keysInWords(takes, env)}
          </span>
          {notes.map((note) => (
            <span key={note} className="block text-ink-2">
              {note}
            </span>
          ))}
        </span>
      </label>
    </li>
  )
}

function notesOf(change: StandardChange, env: Naming, standardName: string): string[] {
  const { keys, givesWay, was } = change
  const hasPlace = keys.some((k) => k.taken !== null)
  return [
    ...(change.kind === 'new' ? ['You do not have this command yet: it is brought in.'] : []),
    ...(change.kind === 'gone'
      ? [`“${standardName}” has no key for it any more. Ticked, it is taken off.`]
      : []),
    ...(change.isLocked ? ['You have locked it where it is.'] : []),
    ...(change.isConflict
      ? [
          `You have it your own way, and the standard has changed it: it was ${keysInWords(was ?? [], env)} there.`,
        ]
      : []),
    ...keys.flatMap(({ trigger, why, taken, keeps }) => {
      if (why === null) return []
      const lost = `${triggerName(trigger, env)} ${whyWords[why]}`
      if (taken)
        return [
          `${lost}: ${triggerName(taken, env)} instead${keeps.length > 0 ? `, ${keptInWords(keeps)}` : ''}.`,
        ]
      return [hasPlace ? `${lost}, and is left out.` : `${lost}, and no free place was found for it.`]
    }),
    ...givesWay.map((g) => `“${g.command.name}” loses ${triggerName(g.trigger, env)}.`),
  ]
}
