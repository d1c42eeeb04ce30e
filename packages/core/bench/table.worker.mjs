// Runs the core in a thread, as the app does in a web worker.
import { parentPort, workerData } from 'node:worker_threads'
import { register } from 'tsx/esm/api'

register()
const { chordTable, modifierSets } = await import('../src/index.ts')
const table = chordTable(workerData.situation)
for (const held of modifierSets(true)) table.withHeld(held)
parentPort.postMessage({ chords: table.solved })
