import { triggerName, type Naming } from '@reach-plot/core'
import { keysInWords, type StandardChange, type TakenKey } from '@reach-plot/core/carry'
import { ClashesOfChange } from '../../parts/clashes-of-change.js'
import { Dialog } from '../../parts/dialog.js'
import { keptInWords } from '../../parts/kept-ideas.js'
import { KindRow, TickList } from '../../parts/tick-list.js'
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
      <KindRow
        kinds={counts
          .filter((c) => c.count > 0)
          .map((c) => ({ kind: c.group, name: groupNames[c.group], count: c.count }))}
        chosen={view.group}
        onChoose={view.setGroup}
      />
      <ClashesOfChange after={view.after} />
      <TickList
        label="Changes"
        items={changes}
        keyOf={(c) => `${c.kind} ${c.ownId}`}
        isTaken={view.isTaken}
        isDisabled={(c) => c.isLocked}
        onChoose={(c, on) => view.choose(c.ownId, on)}
      >
        {(c) => <ChangeText change={c} standardName={standard.name} />}
      </TickList>
    </Dialog>
  )
}

function ChangeText({ change, standardName }: { change: StandardChange; standardName: string }) {
  const { env } = useDerived()
  const { command, has, keys } = change
  const takes = keys.flatMap((k) => k.taken ?? [])
  return (
    <>
      <b>{command.name}</b>
      {command.parameter !== undefined && ` ${command.parameter}`}{' '}
      <span className="font-chart text-[14px]">
        {keysInWords(has, env)} → {keysInWords(takes, env)}
      </span>
      {notesOf(change, env, standardName).map((note) => (
        <span key={note} className="block text-ink-2">
          {note}
        </span>
      ))}
    </>
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
