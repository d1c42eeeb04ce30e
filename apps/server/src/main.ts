import { fileURLToPath } from 'node:url'
import { buildApp } from './app.js'

const port = Number(process.env['PORT'] ?? 4747)
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT is "${process.env['PORT']}"; set it to a number from 1 to 65535.`)
  process.exit(2)
}
const app = await buildApp(fileURLToPath(new URL('../../web/dist', import.meta.url)))
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
