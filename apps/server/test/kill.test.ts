import { spawn, type ChildProcess } from 'node:child_process'
import http from 'node:http'
import type { AddressInfo } from 'node:net'
import { setTimeout as wait } from 'node:timers/promises'
import { afterAll, describe, expect, test } from 'vitest'
import { decode, encode, type Attributes, type IppMessage } from '@reach-plot/ipp'
import { folder, raster, webRoot } from './open.js'
import type { Ticket } from '../src/print/ticket.js'

const started: ChildProcess[] = []
const printers: http.Server[] = []
afterAll(() => {
  for (const child of started) child.kill('SIGKILL')
  for (const printer of printers) {
    printer.closeAllConnections()
    printer.close()
  }
})

/** The server as a process of its own. */
async function server(stateFolder: string): Promise<{ url: string; kill: () => Promise<void> }> {
  const serve = new URL('serve.ts', import.meta.url).pathname
  const child = spawn(process.execPath, ['--import', 'tsx', serve, webRoot, stateFolder], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  started.push(child)
  const port = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (text: Buffer) => {
      const found = /port (\d+)/.exec(text.toString())
      if (found) resolve(found[1] as string)
    })
    child.once('exit', () => reject(new Error('the server ended')))
  })
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  return {
    url: `http://127.0.0.1:${port}`,
    kill: () => {
      child.kill('SIGKILL')
      return gone
    },
  }
}

interface Kind {
  readonly name: string
  readonly operations: readonly string[]
  /** tells of its jobs when asked */
  readonly remembers: boolean
  /** time from having a document to saying so, ms */
  readonly lateMs: number
}
const kinds: readonly Kind[] = [
  { name: 'makes a job first', operations: ['Create-Job', 'Send-Document'], remembers: true, lateMs: 60 },
  { name: 'knows Print-Job only and answers late', operations: ['Print-Job'], remembers: true, lateMs: 150 },
  { name: 'forgets its jobs at once', operations: ['Print-Job'], remembers: false, lateMs: 60 },
  {
    name: 'makes a job first and forgets it',
    operations: ['Create-Job', 'Send-Document'],
    remembers: false,
    lateMs: 30,
  },
]

/** A printer of a kind, which counts the sheets that came out for each ticket. */
async function printer(kind: Kind) {
  const sheets = new Map<string, number>()
  const jobs: { id: number; name: string; documents: number }[] = []
  const ok = { statusCode: 'successful-ok' }
  const told = (job: (typeof jobs)[number]): Attributes => ({
    'job-id': job.id,
    'job-name': job.name,
    'job-state': job.documents > 0 ? 'completed' : 'pending-held',
    'number-of-documents': job.documents,
  })
  const make = (message: IppMessage): (typeof jobs)[number] => {
    const job = { id: jobs.length + 1, name: String(message.operationAttributes['job-name']), documents: 0 }
    jobs.push(job)
    return job
  }
  const print = (job: (typeof jobs)[number]): void => {
    job.documents++
    const ticket = /\[(\S+?)[\] ]/.exec(job.name)?.[1] ?? ''
    sheets.set(ticket, (sheets.get(ticket) ?? 0) + 1)
  }
  const answer = (message: IppMessage): object => {
    const job = jobs.find((j) => j.id === message.operationAttributes['job-id'])
    switch (message.operation) {
      case 'Get-Printer-Attributes':
        return {
          ...ok,
          printer: {
            'printer-name': kind.name,
            'printer-state': 'idle',
            'operations-supported': kind.operations,
          },
        }
      case 'Create-Job':
        return { ...ok, jobs: [told(make(message))] }
      case 'Send-Document':
      case 'Print-Job': {
        const to = job ?? make(message)
        print(to)
        return { ...ok, jobs: [told(to)] }
      }
      case 'Get-Job-Attributes':
        return job && kind.remembers ? { ...ok, jobs: [told(job)] } : { statusCode: 'client-error-not-found' }
      case 'Get-Jobs': {
        const wanted = message.operationAttributes['which-jobs'] === 'completed'
        return { ...ok, jobs: kind.remembers ? jobs.filter((j) => j.documents > 0 === wanted).map(told) : [] }
      }
      default:
        return { statusCode: 'server-error-operation-not-supported' }
    }
  }
  const listening = http.createServer((request, response) => {
    const parts: Buffer[] = []
    request.on('data', (part: Buffer) => parts.push(part))
    request.on('end', () => {
      const message = decode(Buffer.concat(parts))
      const out = encode({ ...answer(message), id: message.id })
      setTimeout(() => response.end(out), message.data.length > 0 ? kind.lateMs : 5)
    })
    request.on('error', () => undefined)
  })
  printers.push(listening)
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve))
  const { port } = listening.address() as AddressInfo
  return { address: `ipp://127.0.0.1:${port}/ipp/print`, sheets: (ticket: string) => sheets.get(ticket) ?? 0 }
}

const document = raster(3)
async function post(url: string, ticket: string, address: string, again = false): Promise<Ticket> {
  const query = new URLSearchParams({
    ...{ ticket, printer: address, name: 'Labels', media: 'custom_label_14x14mm' },
    ...{ widthMm: '14', heightMm: '14', again: String(again) },
  })
  const response = await fetch(`${url}/api/print?${query}`, {
    method: 'POST',
    headers: { 'content-type': 'image/pwg-raster' },
    body: new Uint8Array(document),
  })
  return (await response.json()) as Ticket
}

const kills = 5
/** Moments of the kills, ms after the order: from before anything is sent to after the printer has answered. */
const latestMs = 260

describe.concurrent('the server is killed in the middle of a print', () => {
  test.each(kinds)(
    'to a printer that $name: what came out is never printed again unasked',
    async (kind) => {
      const { address, sheets } = await printer(kind)
      const stateFolder = folder()
      const found: Record<string, number> = {}
      let running = await server(stateFolder)
      for (let n = 0; n < kills; n++) {
        const ticket = `ticket-${n}-of-kill`
        const sent = post(running.url, ticket, address).catch(() => null)
        // spread over the whole of it, and by chance within each part
        await wait(((n + Math.random()) / kills) * latestMs)
        await running.kill()
        await sent
        // the printer comes to an end with what it has
        await wait(kind.lateMs + 30)
        running = await server(stateFolder)
        const out = sheets(ticket)
        expect(out).toBeLessThanOrEqual(1)
        const asked = await fetch(`${running.url}/api/print/${ticket}/status`, { method: 'POST' })
        const known = asked.status === 404 ? null : ((await asked.json()) as Ticket)
        const state = known?.state ?? 'no record'
        found[state] = (found[state] ?? 0) + 1
        // what is called certain is
        if (known?.state === 'done') expect(out).toBe(1)
        if (known === null || known.state === 'failed') expect(out).toBe(0)
        const retried = await post(running.url, ticket, address)
        if (known?.state === 'unknown') {
          expect(retried.state).toBe('unknown')
          expect(sheets(ticket)).toBe(out)
          await post(running.url, ticket, address, true)
          expect(sheets(ticket)).toBe(out + 1)
        } else expect(sheets(ticket)).toBe(1)
        await post(running.url, ticket, address)
        expect(sheets(ticket)).toBe(known?.state === 'unknown' ? out + 1 : 1)
      }
      console.log(`killed ${kills} times, to a printer that ${kind.name}: ${JSON.stringify(found)}`)
      await running.kill()
    },
    120_000,
  )
})
