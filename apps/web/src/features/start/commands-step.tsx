import { usePlan } from '../../store/plan-store.js'
import { BringInView } from '../../parts/bring-in/bring-in-view.js'

/** The commands come as the person has them. */
export function CommandsStep() {
  const plan = usePlan()
  return (
    <div className="-mx-[26px] mt-1 flex min-h-0 grow flex-col">
      {plan.commands.length > 0 && (
        <p role="status" className="px-[26px]">
          <b>{plan.commands.length}</b> commands are in the plan. Bring in more, or go on.
        </p>
      )}
      <BringInView />
    </div>
  )
}
