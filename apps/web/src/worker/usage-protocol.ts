import type { Command, Program, UsageReport } from '@reach-plot/core'

/** Programs and commands that the words of a log are looked up in. */
export interface UsagePlan {
  readonly programs: readonly Program[]
  readonly commands: readonly Command[]
}

/** How far a log is read. */
export interface UsageProgress {
  readonly doneBytes: number
  readonly totalBytes: number
  readonly rows: number
}

/** What the usage worker does. It is ended, not asked, to stop: reading holds its thread. */
export interface UsageService {
  read(file: File, plan: UsagePlan, onProgress: (progress: UsageProgress) => void): Promise<UsageReport>
}
