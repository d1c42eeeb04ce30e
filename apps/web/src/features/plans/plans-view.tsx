import { FilePlus2, FileUp, Sprout } from 'lucide-react'
import { Dialog } from '../../parts/dialog.js'
import { NameDialog } from '../../parts/name-dialog.js'
import { importPlan } from './import-plan.js'
import { PastList } from './past-list.js'
import { timeInWords } from '../../store/time-in-words.js'
import { usePlans, type ListedPlan, type PlansScreen } from './use-plans.js'

const sizeInWords = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`

/** All plans of this browser, side by side, and the past of the open one. */
export function PlansView() {
  const view = usePlans()
  const { good, unreadable, deleted, isRead, renaming, setRenaming } = view
  return (
    <>
      <section aria-label="Plans" className="min-w-0 grow overflow-y-auto px-[14px] py-[10px]">
        <div className="flex flex-wrap items-center gap-2">
          <h2 className="title mr-3">Plans</h2>
          <button type="button" className="btn" onClick={view.openEmpty}>
            <FilePlus2 size={14} aria-hidden="true" /> New empty plan
          </button>
          <button type="button" className="btn" onClick={() => void importPlan()}>
            <FileUp size={14} aria-hidden="true" /> Import a plan
          </button>
          <button type="button" className="btn" onClick={view.openExample}>
            <Sprout size={14} aria-hidden="true" /> Open the example
          </button>
        </div>
        <p className="mt-2 max-w-[720px] text-ink-2">
          Plans stand side by side in this browser; opening one replaces no other. The example can be had
          fresh at any time.
        </p>
        {isRead ? <PlanTable plans={good} view={view} /> : <p className="mt-4">Reading the plans …</p>}
        {unreadable.length > 0 && <UnreadablePlans plans={unreadable} view={view} />}
        {deleted.length > 0 && <DeletedPlans plans={deleted} view={view} />}
      </section>
      <PastList view={view} />
      {renaming && (
        <NameDialog
          title="Rename the plan"
          name={renaming.name}
          action="Rename"
          onClose={() => setRenaming(null)}
          onName={(name) => view.rename(renaming, name)}
        />
      )}
      <MendDialog view={view} />
    </>
  )
}

function PlanTable({ plans, view }: { plans: readonly ListedPlan[]; view: PlansScreen }) {
  return (
    <table className="mt-3 w-full max-w-[860px]">
      <thead>
        <tr className="caption border-b border-rule text-left">
          <th scope="col" className="py-1 font-medium">
            name
          </th>
          <th scope="col" className="w-[130px] font-medium">
            last change
          </th>
          <th scope="col" className="w-[80px] text-right font-medium">
            size
          </th>
          <th scope="col" className="w-[310px]">
            <span className="sr-only">What can be done</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {plans.map((plan) => (
          <PlanRow key={plan.id} plan={plan} view={view} />
        ))}
      </tbody>
    </table>
  )
}

/** What can be done with one plan; its name is said to those who do not see the row. */
function Act({ what, name, onClick }: { what: string; name: string; onClick: () => void }) {
  return (
    <button type="button" className="btn" aria-label={`${what} ${name}`} onClick={onClick}>
      {what}
    </button>
  )
}

function PlanRow({ plan, view }: { plan: ListedPlan; view: PlansScreen }) {
  const isOpen = plan.id === view.open.id
  return (
    <tr className="h-[40px] border-b border-rule">
      <td className="max-w-0 pr-3">
        <span className="flex items-center gap-2">
          <span className={`truncate ${isOpen ? 'font-semibold' : ''}`}>{plan.name}</span>
          {plan.isExample && <span className="caption shrink-0 border border-edge px-1">example</span>}
          {isOpen && <span className="caption shrink-0 border border-ink px-1 text-ink">open</span>}
        </span>
      </td>
      <td className="text-ink-2">{timeInWords(plan.changedAt)}</td>
      <td className="text-right text-ink-2">{sizeInWords(plan.bytes)}</td>
      <td>
        <span className="flex justify-end gap-1">
          {!isOpen && <Act what="Open" name={plan.name} onClick={() => view.openPlan(plan.id)} />}
          <Act what="Copy" name={plan.name} onClick={() => view.copy(plan)} />
          <Act what="Rename" name={plan.name} onClick={() => view.setRenaming(plan)} />
          <Act what="Export" name={plan.name} onClick={() => view.exportPlan(plan)} />
          <Act what="Delete" name={plan.name} onClick={() => view.delete(plan)} />
        </span>
      </td>
    </tr>
  )
}

/** Plans that cannot be read: nothing of them is lost. */
function UnreadablePlans({ plans, view }: { plans: readonly ListedPlan[]; view: PlansScreen }) {
  return (
    <section aria-label="Plans that cannot be read" className="mt-6 max-w-[860px]">
      <h3 className="title">Cannot be read</h3>
      <ul>
        {plans.map((plan) => (
          <li key={plan.id} className="flex items-start gap-2 border-b border-rule py-2">
            <span className="min-w-0 grow">
              <b>{plan.name}</b>
              <span className="text-ink-2"> · {timeInWords(plan.changedAt)}</span>
              <span className="block break-words text-magenta">{plan.problem}</span>
            </span>
            <button
              type="button"
              className="btn"
              aria-label={`Mend ${plan.name}`}
              onClick={() => view.lookAt(plan)}
            >
              Mend…
            </button>
            <Act what="Export" name={plan.name} onClick={() => view.exportPlan(plan)} />
            <Act what="Delete" name={plan.name} onClick={() => view.delete(plan)} />
          </li>
        ))}
      </ul>
    </section>
  )
}

function DeletedPlans({ plans, view }: { plans: readonly ListedPlan[]; view: PlansScreen }) {
  return (
    <section aria-label="Deleted plans" className="mt-6 max-w-[860px]">
      <h3 className="title">Deleted</h3>
      <p className="text-ink-2">They can be had back for 30 days.</p>
      <ul className="mt-1">
        {plans.map((plan) => (
          <li key={plan.id} className="flex items-center gap-2 border-b border-rule py-1">
            <span className="min-w-0 grow truncate">{plan.name}</span>
            <span className="text-ink-2">deleted {timeInWords(plan.deletedAt ?? 0)}</span>
            <button
              type="button"
              className="btn"
              aria-label={`Put back ${plan.name}`}
              onClick={() => view.restore(plan)}
            >
              Put back
            </button>
            <button
              type="button"
              className="btn"
              aria-label={`Delete ${plan.name} for good`}
              onClick={() => view.deleteForGood(plan)}
            >
              Delete for good
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What has to go so that the rest of a plan can be read, shown before it goes. */
function MendDialog({ view }: { view: PlansScreen }) {
  const { mending, setMending, mend } = view
  if (!mending) return null
  const close = (): void => setMending(null)
  const { entry, salvaged } = mending
  return (
    <Dialog
      title={`Mend: ${entry.name}`}
      onClose={close}
      wide
      actions={
        <>
          <button type="button" className="btn" onClick={close}>
            Cancel
          </button>
          {salvaged && (
            <button type="button" className="btn btn-main" onClick={mend}>
              Open it without {salvaged.dropped.length === 1 ? 'this part' : 'these parts'}
            </button>
          )}
        </>
      }
    >
      {salvaged ? (
        <>
          <p>
            {salvaged.plan.commands.length} commands and {salvaged.plan.arrangements.length} arrangements can
            be read. {salvaged.dropped.length} part{salvaged.dropped.length === 1 ? '' : 's'} cannot, and
            would be left out:
          </p>
          <ul className="mt-2">
            {salvaged.dropped.slice(0, 40).map((part, i) => (
              <li key={i} className="border-b border-rule py-1">
                <b>{part.where.map((step) => (typeof step === 'number' ? step + 1 : step)).join(' › ')}</b>
                <span className="text-ink-2">: {part.what}</span>
              </li>
            ))}
          </ul>
          {salvaged.dropped.length > 40 && <p className="mt-1">and {salvaged.dropped.length - 40} more</p>}
          <p className="mt-2 text-ink-2">
            What stands there now is kept among the deleted plans for 30 days.
          </p>
        </>
      ) : (
        <p>
          Nothing of it can be read as a plan. Export it, to look at it with another program, or delete it.
        </p>
      )}
    </Dialog>
  )
}
