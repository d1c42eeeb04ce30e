import { proxy, wrap } from 'comlink'
import { create } from 'zustand'
import { checkFileSize, maxUsageBytes, type Plan, type UsageReport } from '@reach-plot/core'
import { showProblem } from '../../store/problem.js'
import type { UsageProgress, UsageService } from '../../worker/usage-protocol.js'

interface ImportState {
  readonly progress: UsageProgress | null
  readonly fileName: string
  /** read, and not yet taken into the plan */
  readonly report: UsageReport | null
}

/** The import under way. It lives outside the screen, so that going elsewhere does not end it. */
export const useUsageImport = create<ImportState>()(() => ({ progress: null, fileName: '', report: null }))

let worker: Worker | null = null
let run = 0

type Read = (service: UsageService, onProgress: (progress: UsageProgress) => void) => Promise<UsageReport>

async function start(fileName: string, totalBytes: number, read: Read): Promise<void> {
  cancelUsage()
  const mine = ++run
  worker = new Worker(new URL('../../worker/usage.worker.ts', import.meta.url), { type: 'module' })
  useUsageImport.setState({ fileName, report: null, progress: { doneBytes: 0, totalBytes, rows: 0 } })
  try {
    const service = wrap<UsageService>(worker) as unknown as UsageService
    const report = await read(
      service,
      proxy((progress: UsageProgress) => {
        if (mine === run) useUsageImport.setState({ progress })
      }),
    )
    if (mine === run) useUsageImport.setState({ report, progress: null })
  } catch (error) {
    if (mine === run) {
      useUsageImport.setState({ progress: null })
      showProblem(error)
    }
  } finally {
    if (mine === run) endWorker()
  }
}

function endWorker(): void {
  worker?.terminate()
  worker = null
}

/** Ends the reading; nothing of it is kept. */
export function cancelUsage(): void {
  run++
  endWorker()
  useUsageImport.setState({ progress: null, report: null })
}

export async function importUsage(file: File, plan: Plan): Promise<void> {
  try {
    checkFileSize(file.size, maxUsageBytes, file.name)
  } catch (error) {
    showProblem(error)
    return
  }
  const { programs, commands } = plan
  await start(file.name, file.size, (service, onProgress) =>
    service.read(file, { programs, commands }, onProgress),
  )
}

/** Reads the log of the example, which is drawn from its seed when the app is built. */
export const importSeason = ({ programs, commands }: Plan): Promise<void> =>
  start('season.csv', 1, async (service, onProgress) => {
    const response = await fetch('/demo/season.csv')
    if (!response.ok) throw new Error(`the example’s log could not be read (${response.status})`)
    const file = new File([await response.blob()], 'season.csv')
    return service.read(file, { programs, commands }, onProgress)
  })
