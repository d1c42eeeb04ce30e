import { checkFileSize, readDevice, addDevice } from '@reach-plot/core'
import { chooseFile } from '../../parts/download.js'
import { showProblem } from '../../store/problem.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const maxDeviceBytes = 2_000_000

/** What is shown and can be done there. */
export function useDeviceList({
  chosenId,
  onChoose,
}: {
  chosenId: string | null
  onChoose: (id: string) => void
}) {
  const plan = usePlan()
  const edit = useEdit()
  const { bench, hand } = useDerived()
  const here = bench.devices.flatMap((p) => plan.devices.find((d) => d.id === p.deviceId) ?? [])
  const others = plan.devices.filter((d) => !here.includes(d))
  const choose = (id: string | null): void => {
    if (id !== null) onChoose(id)
  }
  const importDevice = async (): Promise<void> => {
    const file = await chooseFile('.json,application/json')
    if (!file) return
    try {
      checkFileSize(file.size, maxDeviceBytes, file.name)
      const device = readDevice(await file.text(), file.name)
      choose(edit((plan) => addDevice(plan, device)))
    } catch (error) {
      showProblem(error)
    }
  }
  return { choose, edit, importDevice, bench, here, chosenId, hand, onChoose, others }
}

export type DeviceListView = ReturnType<typeof useDeviceList>
