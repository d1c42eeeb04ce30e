import { NextStep } from './next-step.js'
import { NotPossibleDialog } from './not-possible-dialog.js'
import { CarrySide } from './carry-side.js'
import { StepTable } from './step-table.js'
import { useCarry } from './use-carry.js'

/** What to change where: a list that gets shorter, one thing at a time. */
export function CarryView() {
  const view = useCarry()
  const { asking, setAsking, impossible } = view
  return (
    <>
      <CarrySide view={view} />
      <StepTable view={view} />
      <NextStep view={view} />
      {asking && (
        <NotPossibleDialog
          step={asking}
          onClose={() => setAsking(null)}
          onNote={(note) => impossible(asking, note)}
        />
      )}
    </>
  )
}
