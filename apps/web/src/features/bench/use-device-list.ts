import { useState } from 'react'
import { checkFileSize, readDevice, addDevice, type Device } from '@reach-plot/core'
import { boardFileFormOf } from '@reach-plot/core/device-files'
import { chooseFile } from '../../parts/download.js'
import { showProblem } from '../../store/problem.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import type { BoardFile } from './board-file-dialog.js'

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
  const [boardFile, setBoardFile] = useState<BoardFile | null>(null)
  const addRead = (device: Device): void => {
    setBoardFile(null)
    choose(edit((plan) => addDevice(plan, device)))
  }
  const readFile = async (): Promise<void> => {
    const file = await chooseFile('.json,.svg,.xkb,application/json,image/svg+xml,text/plain')
    if (!file) return
    try {
      checkFileSize(file.size, maxDeviceBytes, file.name)
      const text = await file.text()
      const form = boardFileFormOf(text)
      // one of ours needs no question
      if (form === 'xkb' || form === 'svg') setBoardFile({ name: file.name, text, form })
      else addRead(readDevice(text, file.name))
    } catch (error) {
      showProblem(error)
    }
  }
  return {
    choose,
    edit,
    readFile,
    boardFile,
    setBoardFile,
    addRead,
    bench,
    here,
    chosenId,
    hand,
    onChoose,
    others,
  }
}

export type DeviceListView = ReturnType<typeof useDeviceList>
