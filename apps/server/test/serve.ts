/** `serve.ts WEBROOT FOLDER`: the server on a port of its own, which it prints, to be killed by a test. */
import type { AddressInfo } from 'node:net'
import { buildApp } from '../src/app.js'

const [webRoot, stateFolder] = process.argv.slice(2) as [string, string]
const app = await buildApp(webRoot, { printers: [], stateFolder })
await app.listen({ port: 0, host: '127.0.0.1' })
console.log(`port ${(app.server.address() as AddressInfo).port}`)
