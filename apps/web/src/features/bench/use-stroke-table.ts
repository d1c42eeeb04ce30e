import type { DrawnControl, DrawnDevice, Trigger } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What is shown and can be done there. */
export function useStrokeTable({
  device,
  field,
  onPlace,
}: {
  device: DrawnDevice
  field: DrawnControl
  onPlace: (trigger: Trigger) => void
}) {
  const plan = usePlan()
  const { index } = useDerived()
  const of = field.directions ?? 8
  const columns = plan.programs.flatMap((program) =>
    program.contexts.map((context) => ({ program, context })),
  )
  return { device, of, columns, field, index, onPlace }
}

export type StrokeTableView = ReturnType<typeof useStrokeTable>
