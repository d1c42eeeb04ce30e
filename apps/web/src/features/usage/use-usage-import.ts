import { proxy } from 'comlink'
import { toast } from '../../store/message.js'
import { create } from 'zustand'
import { checkFileSize, maxUsageBytes, type Plan, type UsageReport } from '@reach-plot/core'
import { showProblem } from '../../store/problem.js'
import { AppProblem } from '../../worker/app-problem.js'
import { WorkerEnded, WorkerHost } from '../../worker/host.js'
import type { UsageProgress, UsageService } from '../../worker/usage-protocol.js'

interface ImportState {
  readonly progress: UsageProgress | null
  readonly fileName: string
  /** read, and not yet taken into the plan */
  readonly report: UsageReport | null
}

/** The import under way. It lives outside the screen, so that going elsewhere does not end it. */
export const useUsageImport = create<ImportState>()(() => ({ progress: null, fileName: '', report: null }))

const host = new WorkerHost<UsageService>(
  (name) => new Worker(new URL('../../worker/usage.worker.ts', import.meta.url), { type: 'module', name }),
)
let run = 0

type Read = (onProgress: (progress: UsageProgress) => void) => Promise<UsageReport>

async function start(fileName: string, totalBytes: number, read: Read): Promise<void> {
  cancelUsage()
  const mine = ++run
  useUsageImport.setState({ fileName, report: null, progress: { doneBytes: 0, totalBytes, rows: 0 } })
  try {
    const report = await read(
      proxy((progress: UsageProgress) => {
        if (mine === run) useUsageImport.setState({ progress })
      }),
    )
    if (mine === run) useUsageImport.setState({ report, progress: null })
  } catch (error) {
    if (mine !== run) return
    useUsageImport.setState({ progress: null })
    if (error instanceof WorkerEnded)
      toast.error(
        `Reading ${fileName} ended by itself; the browser may be short of memory. Nothing was taken.`,
        {
          duration: 15_000,
          action: { label: 'Try again', onClick: () => void start(fileName, totalBytes, read) },
        },
      )
    else showProblem(error)
  } finally {
    if (mine === run) host.end()
  }
}

/** Ends the reading; nothing of it is kept. */
export function cancelUsage(): void {
  run++
  host.end()
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
  await start(file.name, file.size, (onProgress) =>
    host.service.read(file, { programs, commands }, onProgress),
  )
}

/** Reads the log of the example, which is drawn from its seed when the app is built. */
export const importSeason = ({ programs, commands }: Plan): Promise<void> =>
  start('season.csv', 1, async (onProgress) => {
    const response = await fetch('/demo/season.csv')
    if (!response.ok) throw new AppProblem(`The example’s log could not be read (${response.status}).`)
    const file = new File([await response.blob()], 'season.csv')
    return host.service.read(file, { programs, commands }, onProgress)
  })
