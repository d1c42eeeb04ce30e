import { contextsOverlap, type Plan, type Program } from '@reach-plot/core'
import { Sheet } from '../../shared/dialog.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** What each context is like: whether text is typed there, and which contexts are live together. */
export function ContextsSheet({ onClose }: { onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  return (
    <Sheet
      title="Programs and contexts"
      onClose={onClose}
      actions={
        <button type="button" className="btn" onClick={onClose}>
          Done
        </button>
      }
    >
      {plan.programs.length === 0 && (
        <p>No programs yet. Import commands from CSV, or add one under Commands.</p>
      )}
      {plan.programs.map((program) => (
        <section key={program.id} className="mb-5">
          <h3 className="mb-1 text-[15px] font-semibold">{program.name}</h3>
          <table className="w-full">
            <thead>
              <tr className="text-left">
                <th className="caption py-1">Context</th>
                <th className="caption py-1">Text is typed</th>
                {program.contexts.map((c) => (
                  <th key={c.id} className="caption py-1 text-center">
                    with {c.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {program.contexts.map((row, i) => (
                <tr key={row.id} className="border-t border-rule">
                  <th scope="row" className="py-1 text-left font-normal">
                    {row.name}
                  </th>
                  <td>
                    <input
                      type="checkbox"
                      className="m-1 size-5 align-middle accent-(--magenta)"
                      aria-label={`Text is typed in ${row.name}`}
                      checked={row.typing}
                      onChange={(e) =>
                        edit((draft) => setTyping(draft, program.id, row.id, e.target.checked))
                      }
                    />
                  </td>
                  {program.contexts.map((column, j) => (
                    <td key={column.id} className="text-center">
                      {j < i ? (
                        <input
                          type="checkbox"
                          className="m-1 size-5 align-middle accent-(--magenta)"
                          aria-label={`${row.name} and ${column.name} are live together`}
                          checked={contextsOverlap(program, row.id, column.id)}
                          onChange={(e) =>
                            edit((draft) => setOverlap(draft, program, row.id, column.id, e.target.checked))
                          }
                        />
                      ) : null}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
      <p className="text-[12px] text-ink-2">
        Two commands on one key clash only where their contexts are live together.
      </p>
    </Sheet>
  )
}

const contextIn = (plan: Plan, programId: string, id: string) =>
  plan.programs.find((p) => p.id === programId)?.contexts.find((c) => c.id === id)

function setTyping(plan: Plan, programId: string, id: string, typing: boolean): void {
  const context = contextIn(plan, programId, id)
  if (context) context.typing = typing
}

function setOverlap(plan: Plan, program: Program, a: string, b: string, on: boolean): void {
  const first = contextIn(plan, program.id, a)
  const second = contextIn(plan, program.id, b)
  if (!first || !second) return
  first.overlaps = first.overlaps.filter((id) => id !== b)
  second.overlaps = second.overlaps.filter((id) => id !== a)
  if (on) first.overlaps.push(b)
}
