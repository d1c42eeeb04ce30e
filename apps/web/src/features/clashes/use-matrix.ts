import { useNavigate } from 'react-router'
import { clashStages, liveContexts, controlRefOf, type Clash, type ClashStage } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'

/** Findings of one context or one device. */
export interface MatrixRow {
  readonly key: string
  readonly name: string
  readonly clashes: readonly Clash[]
}

export const countIn = (row: MatrixRow, stage: ClashStage): number =>
  row.clashes.filter((c) => c.stage === stage).length

/** What is shown and can be done there. */
export function useMatrix() {
  const plan = usePlan()
  const { clashes, env, bench } = useDerived()
  const set = useView((s) => s.set)
  const navigate = useNavigate()
  const deviceOf = (clash: Clash): string | null => {
    const controlRef = controlRefOf(clash.trigger)
    return env.controls.find((c) => (c.code ?? c.id) === controlRef)?.deviceId ?? null
  }
  const contexts: MatrixRow[] = plan.programs.flatMap((program) =>
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
  const devices: MatrixRow[] = [
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
    return null
  }
  const most = Math.max(1, ...[...contexts, ...devices].flatMap((r) => clashStages.map((l) => countIn(r, l))))
  return { contexts, devices, most, show }
}

export type MatrixScreen = NonNullable<ReturnType<typeof useMatrix>>
