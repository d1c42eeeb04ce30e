import { howMany } from '../../parts/words.js'
import { Link } from 'react-router'
import { ruleBook } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What stands beside the question before anything is proposed: what the search starts from. */
export function Before() {
  const { commands } = usePlan()
  return (
    <section aria-label="Moves" className="max-w-[640px] px-6 pt-4">
      {commands.length === 0 ? <NoCommands /> : <StartsFrom />}
    </section>
  )
}

function NoCommands() {
  return (
    <>
      <h3 className="title">There are no commands yet</h3>
      <p className="mt-2 text-ink-2">
        Bring in your commands and say how often you use them; then there is something to arrange.
      </p>
      <p className="mt-3 flex gap-2">
        <Link to="/commands/bring-in" className="btn btn-main">
          Bring in commands
        </Link>
        <Link to="/start" className="btn">
          Go through the first steps
        </Link>
      </p>
    </>
  )
}

function StartsFrom() {
  const plan = usePlan()
  const { triggersOf, clashes } = useDerived()
  const unplaced = plan.commands.filter((c) => triggersOf(c.id).length === 0)
  const { locks } = ruleBook(plan.rules)
  const locked = plan.commands.filter(locks)
  const unused = plan.commands.filter((c) => c.usesPerHour === 0)
  const rows: readonly { name: string; count: number; note: string }[] = [
    { name: 'Commands', count: plan.commands.length, note: '' },
    { name: 'without a key', count: unplaced.length, note: 'may get one' },
    { name: 'locked', count: locked.length, note: 'stay where they are' },
    { name: 'never used, as far as is known', count: unused.length, note: 'nothing speaks for moving them' },
    {
      name: 'Clashes',
      count: clashes.length,
      note: howMany(
        clashes.filter((c) => c.severity === 'blocks').length,
        'press never arrives',
        'presses never arrive',
      ),
    },
  ]
  return (
    <>
      <h3 className="title">Nothing is proposed yet</h3>
      <p className="mt-2 text-ink-2">
        The search weighs the time of every use, stretch, memory, commands that follow one another, pairs and
        families, and what is harmful if pressed by mistake. What you lock stays, keys that must not be used
        stay empty, and nothing goes where the press would not arrive. You get a list of moves and apply those
        that you like.
      </p>
      <table className="mt-5 w-full">
        <caption className="caption pb-1 text-left">What it starts from</caption>
        <tbody>
          {rows.map(({ name, count, note }) => (
            <tr key={name} className="border-t border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                {name}
              </th>
              <td className="w-14 pr-6 text-right font-semibold">{count}</td>
              <td className="w-[280px] text-ink-2">{note}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
