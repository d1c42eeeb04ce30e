import { useNavigate } from 'react-router'
import { clashStages, liveContexts, controlRefOf, type Clash, type ClashStage } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { stageNames } from './words.js'

interface Row {
  readonly key: string
  readonly name: string
  readonly clashes: readonly Clash[]
}

/** Findings of the whole bench counted: contexts and devices against the stages that a press passes. */
export function MatrixView() {
  const plan = usePlan()
  const { clashes, env, bench } = useDerived()
  const set = useView((s) => s.set)
  const navigate = useNavigate()
  const deviceOf = (clash: Clash): string | null => {
    const controlRef = controlRefOf(clash.trigger)
    return env.controls.find((c) => (c.code ?? c.id) === controlRef)?.deviceId ?? null
  }
  const contexts: Row[] = plan.programs.flatMap((program) =>
    program.contexts.map((context) => ({
      key: `${program.id} ${context.id}`,
      name: `${program.name}, ${context.name}`,
      clashes: clashes.filter((clash) =>
        clash.commandIds.some((id) => {
          const command = plan.commands.find((c) => c.id === id)
          return command?.programId === program.id && liveContexts(command, program).includes(context.id)
        }),
      ),
    })),
  )
  const devices: Row[] = [
    ...bench.devices.map(({ deviceId }) => ({
      key: deviceId,
      name: plan.devices.find((d) => d.id === deviceId)?.name ?? deviceId,
      clashes: clashes.filter((c) => deviceOf(c) === deviceId),
    })),
    { key: 'none', name: 'Not on this bench', clashes: clashes.filter((c) => deviceOf(c) === null) },
  ]
  const show = (found: readonly Clash[], stage: ClashStage | null): void => {
    set({ clashFilter: { stage, ids: found.map((c) => c.id) } })
    void navigate('/clashes')
  }
  if (clashes.length === 0) {
    return <p className="p-5 text-ink-2">There is nothing to count: no finding at any stage of this bench.</p>
  }
  const most = Math.max(1, ...[...contexts, ...devices].flatMap((r) => clashStages.map((l) => countIn(r, l))))
  const part = (title: string, rows: readonly Row[]) => (
    <tbody>
      <tr>
        <th
          scope="rowgroup"
          colSpan={clashStages.length + 2}
          className="caption border-b border-ink pt-4 pb-1 text-left font-medium"
        >
          {title}
        </th>
      </tr>
      {rows.map((row) => (
        <tr key={row.key} className="border-b border-rule">
          <th
            scope="row"
            className="max-w-[220px] truncate py-1 pr-4 text-left font-semibold"
            title={row.name}
          >
            {row.name}
          </th>
          {clashStages.map((stage) => {
            const count = countIn(row, stage)
            return (
              <td key={stage} className="p-0.5 text-center">
                {count === 0 ? (
                  <span className="text-ink-2">–</span>
                ) : (
                  <button
                    type="button"
                    className="w-full min-w-10 py-0.5 font-semibold hover:underline"
                    style={{
                      backgroundColor: tintOf(count / most),
                      color: count / most > 0.5 ? 'var(--on-reach)' : undefined,
                    }}
                    aria-label={`${count} of ${row.name} at the stage ${stageNames[stage]}`}
                    onClick={() =>
                      show(
                        row.clashes.filter((c) => c.stage === stage),
                        stage,
                      )
                    }
                  >
                    {count}
                  </button>
                )}
              </td>
            )
          })}
          <td className="pl-4 text-right font-semibold">{row.clashes.length}</td>
        </tr>
      ))}
    </tbody>
  )
  return (
    <div
      role="region"
      aria-label="Counts of findings"
      tabIndex={0}
      className="min-h-0 min-w-0 grow overflow-auto px-5 pt-4 pb-6"
    >
      <p className="text-ink-2">
        How many findings, by where they are and by the stage of the press. Choose a number to see them. A
        finding of several contexts counts in each.
      </p>
      <table className="mt-2 w-full max-w-[1220px] table-fixed tabular-nums">
        <thead>
          <tr className="caption text-center">
            <td className="w-[200px]" />
            {clashStages.map((stage) => (
              <th key={stage} scope="col" className="w-[100px] px-1 py-1 font-medium">
                {stageNames[stage]}
              </th>
            ))}
            <th scope="col" className="pl-4 text-right font-medium">
              all
            </th>
          </tr>
        </thead>
        {part('Contexts', contexts)}
        {part('Devices', devices)}
      </table>
    </div>
  )
}

const countIn = (row: Row, stage: ClashStage): number => row.clashes.filter((c) => c.stage === stage).length

/** Deeper for more, as depths are tinted; the number says the same. */
const tintOf = (share: number): string => `var(--reach-${Math.max(1, Math.ceil(share * 4))})`
