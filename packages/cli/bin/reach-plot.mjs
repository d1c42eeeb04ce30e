#!/usr/bin/env node
import { upToDateBundle } from './bundle.mjs'

const { run } = await import(await upToDateBundle())
const { status, stdout, stderr } = await run(process.argv.slice(2))
// a reader that has seen enough, such as head, is no fault
process.stdout.on('error', (error) => {
  if (error.code !== 'EPIPE') throw error
})
process.stdout.write(stdout)
process.stderr.write(stderr)
process.exitCode = status
