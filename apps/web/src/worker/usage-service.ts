import { usageReader } from '@reach-plot/core'
import type { UsageService } from './usage-protocol.js'

/** What the usage worker does: reads logs. */
export const usageService: UsageService = {
  async read(file, plan, onProgress) {
    const reader = usageReader(plan, file.name)
    const pieces = file.stream().pipeThrough(new TextDecoderStream()).getReader()
    let doneBytes = 0
    for (;;) {
      const { value, done } = await pieces.read()
      if (done) break
      reader.push(value)
      // characters for bytes: near enough for a bar
      doneBytes += value.length
      onProgress({ doneBytes, totalBytes: file.size, rows: reader.rows })
    }
    return reader.finish()
  },
}
