#!/usr/bin/env node
import { upToDateBundle } from './bundle.mjs'

const { run } = await import(await upToDateBundle())
const { status, stdout, stderr } = await run(process.argv.slice(2))
process.stdout.write(stdout)
process.stderr.write(stderr)
process.exitCode = status
