import { fileURLToPath } from 'node:url'
import { buildApp } from './app.js'
import { readSettings, type Settings } from './settings.js'

let settings: Settings
try {
  settings = readSettings(process.env)
} catch (error) {
  console.error((error as Error).message)
  process.exit(2)
}
const { port } = settings
const webRoot = fileURLToPath(new URL('../../web/dist', import.meta.url))
const app = await buildApp(webRoot, settings).catch((error: unknown) => {
  console.error((error as Error).message)
  process.exit(2)
})
try {
  // the loopback interface only: plans are the person's own
  await app.listen({ port, host: '127.0.0.1' })
} catch (error) {
  const inUse = (error as NodeJS.ErrnoException).code === 'EADDRINUSE'
  console.error(
    inUse ? `Port ${port} is in use. Stop the other program or set PORT to another number.` : String(error),
  )
  process.exit(1)
}
console.log(`Reach Plot is ready: http://127.0.0.1:${port}/`)
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void app.close().then(() => process.exit(0)))
