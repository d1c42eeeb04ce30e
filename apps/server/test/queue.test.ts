import { readFileSync, writeFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { folder, listening, raster, until } from './open.js'
import type { Ticket } from '../src/print/ticket.js'

type Server = Awaited<ReturnType<typeof listening>>

const body = raster(2)
async function print(
  from: Server,
  change: Record<string, string> = {},
  document = body,
): Promise<Ticket & { error?: string }> {
  const query = new URLSearchParams({
    ticket: 'ticket-0001',
    printer: from.address,
    name: 'Labels',
    media: 'custom_label_14x14mm',
    widthMm: '14',
    heightMm: '14',
    ...change,
  })
  const response = await fetch(`${from.url}/api/print?${query}`, {
    method: 'POST',
    headers: { 'content-type': 'image/pwg-raster' },
    body: new Uint8Array(document),
  })
  return (await response.json()) as Ticket & { error?: string }
}
const json = async <T>(from: Server, path: string, init?: RequestInit): Promise<T> =>
  (await (await fetch(`${from.url}${path}`, init)).json()) as T
const status = (from: Server, ticket = 'ticket-0001') => json<Ticket>(from, `/api/print/${ticket}`)
const faults = (from: Server, ...on: string[]) =>
  json(from, '/api/stand-in/faults', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ faults: on }),
  })
const jobs = async (from: Server) =>
  (await json<{ jobs: { state: string; pages: unknown[] }[] }>(from, '/api/stand-in')).jobs

describe('printing through the server', () => {
  test('an order is followed from the button to the paper', async () => {
    const server = await listening()
    expect(['waiting', 'printing', 'done']).toContain((await print(server)).state)
    expect(
      await until(
        () => status(server),
        (t) => t.state === 'done',
      ),
    ).toMatchObject({ state: 'done', pagesDone: 2, message: '' })
  })
  test('with the cover open it waits and says why; sent again it is still one job', async () => {
    const server = await listening()
    await faults(server, 'cover-open')
    await print(server)
    const waiting = await until(
      () => status(server),
      (t) => t.message !== '',
    )
    expect(waiting).toMatchObject({ state: 'waiting', message: 'Its cover is open. Close it.' })
    await print(server)
    await faults(server)
    await print(server)
    await until(
      () => status(server),
      (t) => t.state === 'done',
    )
    expect((await print(server)).state).toBe('done')
    expect((await jobs(server)).map((j) => [j.state, j.pages.length])).toEqual([['completed', 2]])
  })
  test('a refusal is told, and the same order can be sent when the printer takes jobs again', async () => {
    const server = await listening()
    await faults(server, 'refuses')
    expect(await print(server)).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('takes no jobs'),
    })
    await faults(server)
    await print(server)
    await until(
      () => status(server),
      (t) => t.state === 'done',
    )
    expect(await jobs(server)).toHaveLength(1)
  })
  test('an order is cancelled while it waits, and stays cancelled', async () => {
    const server = await listening()
    await faults(server, 'no-media')
    await print(server)
    expect((await json<Ticket>(server, '/api/print/ticket-0001', { method: 'DELETE' })).state).toBe(
      'cancelled',
    )
    await faults(server)
    expect((await status(server)).state).toBe('cancelled')
    expect((await jobs(server)).map((j) => [j.state, j.pages.length])).toEqual([['canceled', 0]])
  })
  test('a document that cannot be printed is given up with what the printer says', async () => {
    const server = await listening()
    await print(server, {}, Buffer.from('RaS2 nonsense'))
    expect(
      await until(
        () => status(server),
        (t) => t.state === 'failed',
      ),
    ).toMatchObject({ message: expect.stringMatching(/cannot be printed/) })
  })
  test('a printer that does not answer has nothing printed', async () => {
    const server = await listening()
    expect(await print(server, { printer: 'ipp://127.0.0.1:1/ipp/print' })).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('does not answer'),
    })
  })
})

describe('which printers', () => {
  test('those on this machine and in the list, and no others', async () => {
    const server = await listening({ printers: ['ipp://192.0.2.7/ipp/print'] })
    expect(await json(server, '/api/printers')).toEqual({ printers: ['ipp://192.0.2.7/ipp/print'] })
    for (const printer of [
      'ipp://192.0.2.8/ipp/print',
      'ipp://192.0.2.7/other',
      'ipp://localhost.example/x',
      'http://127.0.0.1/x',
    ])
      expect(
        await print(server, { printer, ticket: `t-${printer.replace(/\W/g, '').slice(-12)}` }),
      ).toMatchObject({ state: 'failed', message: expect.stringMatching(/list of printers|no address/) })
    const asked = await fetch(`${server.url}/api/printers/status?printer=ipp://192.0.2.8/ipp/print`)
    expect([asked.status, ((await asked.json()) as { error: string }).error]).toEqual([
      400,
      expect.stringContaining('REACH_PLOT_PRINTERS='),
    ])
  })
  test('the stand-in tells what it takes', async () => {
    const server = await listening()
    expect(await json(server, `/api/printers/status?printer=${server.address}`)).toMatchObject({
      name: 'Stand-in label printer',
      state: 'idle',
      dpis: expect.arrayContaining([203, 300]),
      rasterTypes: ['black_1', 'sgray_8'],
    })
  })
})

describe('what is asked wrongly', () => {
  test.each([
    [{ ticket: 'short' }, /ticket/],
    [{ ticket: '../../etc/passwd' }, /ticket/],
    [{ widthMm: '-1' }, /widthMm/],
    [{ copies: '1000' }, /copies/],
    [{ name: '' }, /name/],
    [{ path: '/etc' }, /query|path/],
  ])('%o is refused with the field', async (change, error) => {
    expect((await print(await listening(), change as Record<string, string>)).error).toMatch(error)
  })
  test('an empty document, another kind of one, and an unknown ticket', async () => {
    const server = await listening()
    expect((await print(server, {}, Buffer.alloc(0))).error).toMatch(/empty/)
    const other = await fetch(`${server.url}/api/print?ticket=ticket-0001`, {
      method: 'POST',
      headers: { 'content-type': 'text/plain' },
      body: 'x',
    })
    expect(other.status).toBe(415)
    expect((await fetch(`${server.url}/api/print/ticket-9999`)).status).toBe(404)
    expect((await fetch(`${server.url}/api/print/ticket-9999`, { method: 'DELETE' })).status).toBe(404)
  })
})

describe('a restart', () => {
  const interrupted = (address: string): Ticket => ({
    ticket: 'ticket-0001',
    printer: address,
    name: 'Labels',
    state: 'sending',
    message: '',
    jobId: null,
    pagesDone: null,
    wasSent: true,
  })

  test('in mid-job leaves an order that the printer is asked about, and which is safe to send again', async () => {
    const stateFolder = folder()
    const first = await listening({ stateFolder })
    writeFileSync(join(stateFolder, 'print-tickets.json'), JSON.stringify([interrupted(first.address)]))
    const second = await listening({ stateFolder })
    // the printer, which is the first server's stand-in, does not have it
    expect(await status(second)).toMatchObject({
      state: 'failed',
      message: expect.stringMatching(/does not have it, so nothing was printed/),
    })
    await print(second, { printer: first.address })
    await until(
      () => status(second),
      (t) => t.state === 'done',
    )
    expect(await jobs(first)).toHaveLength(1)
  })
  test('finds the job again that the printer has', async () => {
    const stateFolder = folder()
    const printer = await listening()
    const first = await listening({ stateFolder })
    await print(first, { printer: printer.address })
    await until(
      () => status(first),
      (t) => t.state === 'done',
    )
    await first.app.close()
    writeFileSync(join(stateFolder, 'print-tickets.json'), JSON.stringify([interrupted(printer.address)]))
    const second = await listening({ stateFolder })
    expect(await status(second)).toMatchObject({ state: 'done', pagesDone: 2 })
    await print(second, { printer: printer.address })
    expect(await jobs(printer)).toHaveLength(1)
  })
  test('of the printer is explained: nobody knows what it printed', async () => {
    const stateFolder = folder()
    const printer = await listening()
    const server = await listening({ stateFolder })
    await faults(printer, 'cover-open')
    await print(server, { printer: printer.address })
    await printer.app.close()
    expect(await status(server)).toMatchObject({
      state: 'unknown',
      message: expect.stringContaining('does not answer'),
    })
  })
  test('keeps the orders of before, and puts a file aside that it cannot read', async () => {
    const stateFolder = folder()
    const first = await listening({ stateFolder })
    await print(first)
    await until(
      () => status(first),
      (t) => t.state === 'done',
    )
    await first.app.close()
    const kept = JSON.parse(readFileSync(join(stateFolder, 'print-tickets.json'), 'utf8')) as Ticket[]
    expect(kept.map((t) => t.state)).toEqual(['done'])
    expect((await status(await listening({ stateFolder }))).state).toBe('done')
    writeFileSync(join(stateFolder, 'print-tickets.json'), '{"broken":')
    expect((await fetch(`${(await listening({ stateFolder })).url}/api/print/ticket-0001`)).status).toBe(404)
    expect(readdirSync(stateFolder)).toContain('print-tickets.json.unreadable')
  })
})
