#!/usr/bin/env node
import { upToDateBundle } from './bundle.mjs'

await import(await upToDateBundle())
