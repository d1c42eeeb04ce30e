import { CommandChooser } from '../../parts/command-chooser.js'
import { useState } from 'react'
import { fullName, triggerKey, triggerName, type DifferingIdea, joinIdeas, partIdeas } from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { usePlan } from '../../store/plan-store.js'
import { useIdeas, type IdeasScreen } from './use-ideas.js'

/** The same idea in several programs: where it stands on different triggers, and which commands are one idea. */
export function IdeasView() {
  const view = useIdeas()
  const { ideas, edit, triggersOf } = view
  return (
    <div className="grid min-h-0 min-w-0 grow grid-cols-[1fr_430px]">
      <DifferingList view={view} />
      <div
        role="region"
        aria-label="The same action elsewhere"
        tabIndex={0}
        className="min-h-0 overflow-y-auto px-5 pt-4 pb-6"
      >
        <JoinIdeas onJoin={(a, b) => edit((plan) => joinIdeas(plan, [a, b]))} />
        <h3 className="caption mt-6 border-b border-ink pb-1">Actions that programs share</h3>
        <ul>
          {ideas.map((idea) => (
            <li
              key={idea.commands.map((c) => c.id).join()}
              className="flex items-baseline justify-between gap-3 border-b border-rule py-1.5"
            >
              <span>
                {idea.commands.map((c) => fullName(c)).join(' = ')}{' '}
                <span className="text-[12px] text-ink-2">
                  {idea.by === 'names' ? 'by their names' : 'said by you'}
                  {idea.commands.some((c) => triggersOf(c.id).length === 0) && ', not all placed'}
                </span>
              </span>
              <button
                type="button"
                className="link shrink-0 text-[12px]"
                aria-label={`Part ${idea.commands.map((c) => c.name).join(' and ')}`}
                onClick={() =>
                  edit((plan) =>
                    partIdeas(
                      plan,
                      idea.commands.map((c) => c.id),
                    ),
                  )
                }
              >
                part
              </button>
            </li>
          ))}
        </ul>
      </div>
    </div>
  )
}

function DifferingList({ view }: { view: IdeasScreen }) {
  const { differing, ideas, remedy, env } = view
  return (
    <div
      role="region"
      aria-label="The same action on different keys"
      tabIndex={0}
      className="min-h-0 overflow-y-auto border-r border-rule px-5 pt-4 pb-6"
    >
      <p className="mb-3">
        <b>{differing.length}</b> of {ideas.length} actions that several programs share stand on different
        triggers.
      </p>
      {differing.length === 0 && ideas.length > 0 && (
        <p className="text-ink-2">
          Each of them has a trigger in common, or no place in one of the programs.
        </p>
      )}
      {ideas.length === 0 && (
        <p className="text-ink-2">
          No two programs share an action yet. Names that are alike are found by themselves; say at the right
          which others are the same.
        </p>
      )}
      {differing.map((found) => {
        const to = found.fix?.[0]?.to
        const lost = found.fix?.flatMap((m) => m.holders) ?? []
        return (
          <section
            key={found.idea.commands.map((c) => c.id).join()}
            className="border-b border-rule py-2.5"
            aria-label={found.placed[0]?.command.name ?? ''}
          >
            <IdeaPlaces view={view} found={found} />
            <div className="mt-1.5 flex items-center gap-2">
              {to && (
                <button type="button" className="btn" onClick={() => remedy(found)}>
                  Put {found.placed.length > 2 ? 'them all' : 'both'} on {triggerName(to, env)}
                </button>
              )}
              <ApplyFix view={view} found={found} />
              <span className="text-[13px] text-ink-2">
                {found.obstacle ??
                  (lost.length > 0 ? `${lost.map((c) => `“${c.name}”`).join(', ')} would lose it.` : '')}
              </span>
            </div>
          </section>
        )
      })}
    </div>
  )
}

function IdeaPlaces({ view: { programName }, found }: { view: IdeasScreen; found: DifferingIdea }) {
  return (
    <table className="w-full">
      <tbody>
        {found.placed.map(({ command, triggers }) => (
          <tr key={command.id}>
            <td className="w-[110px] py-0.5 text-ink-2">{programName(command.programId)}</td>
            <td className="font-semibold">{fullName(command)}</td>
            <td className="w-[80px] text-right text-ink-2">{command.usesPerHour}/h</td>
            <td className="w-[190px] pl-5">
              <span className="flex flex-wrap gap-x-3">
                {triggers.map((t) => (
                  <TriggerChip key={triggerKey(t)} trigger={t} />
                ))}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function ApplyFix({ view: { edit }, found }: { view: IdeasScreen; found: DifferingIdea }) {
  return (
    <button
      type="button"
      className="btn"
      onClick={() =>
        edit((plan) =>
          partIdeas(
            plan,
            found.idea.commands.map((c) => c.id),
          ),
        )
      }
    >
      Two different actions
    </button>
  )
}

/** Says that two commands of different programs are one idea. */
function JoinIdeas({ onJoin }: { onJoin: (a: string, b: string) => void }) {
  const plan = usePlan()
  const [one, setOne] = useState('')
  const [other, setOther] = useState('')
  const programOf = (id: string): string | undefined => plan.commands.find((c) => c.id === id)?.programId
  const outside = (id: string) => plan.commands.filter((c) => c.programId !== programOf(id))
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault()
        if (one === '' || other === '') return
        onJoin(one, other)
        setOne('')
        setOther('')
      }}
    >
      <h3 className="caption border-b border-ink pb-1">Say that two commands are the same action</h3>
      <div className="mt-2 grid gap-1.5">
        <CommandChooser
          label="One command"
          commands={outside(other)}
          value={one}
          empty="none yet"
          onChange={setOne}
        />
        <CommandChooser
          label="The same action in another program"
          commands={outside(one)}
          value={other}
          empty="none yet"
          onChange={setOther}
        />
        <button type="submit" className="btn justify-self-start" disabled={one === '' || other === ''}>
          Join them
        </button>
      </div>
    </form>
  )
}
