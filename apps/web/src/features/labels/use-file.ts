import { useState } from 'react'
import type { OutFile } from '@reach-plot/print'
import { showProblem } from '../../store/problem.js'
import type { FileOrder } from '../../worker/label-protocol.js'
import { endLabelMaker, makeFile } from '../../worker/label-client.js'

export interface FileMaker {
  /** how far the file is; null when none is being made */
  readonly progress: { readonly done: number; readonly of: number } | null
  /** the file, or null when it was stopped or failed */
  make(order: FileOrder): Promise<OutFile | null>
  cancel(): void
}

/** Makes one file at a time in a worker, with progress, and stops it when asked. */
export function useFile(): FileMaker {
  const [progress, setProgress] = useState<FileMaker['progress']>(null)
  const [stop, setStop] = useState<{ readonly stop: () => void } | null>(null)
  return {
    progress,
    async make(order) {
      setProgress({ done: 0, of: order.document.pages.length })
      const stopped = new Promise<null>((resolve) => setStop({ stop: () => resolve(null) }))
      try {
        return await Promise.race([makeFile(order, (done, of) => setProgress({ done, of })), stopped])
      } catch (error) {
        showProblem(error)
        return null
      } finally {
        setProgress(null)
      }
    },
    cancel() {
      endLabelMaker()
      stop?.stop()
    },
  }
}
