import { readFileSync, writeFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { buildApp } from '../src/app.js'
import { folder, listening, openApp, options, raster, until, webRoot } from './open.js'
import type { Ticket } from '../src/print/ticket.js'

type Server = Awaited<ReturnType<typeof listening>>

const body = raster(2)
const orderQuery = (from: Server, change: Record<string, string> = {}): URLSearchParams =>
  new URLSearchParams({
    ticket: 'ticket-0001',
    printer: from.address,
    name: 'Labels',
    media: 'custom_label_14x14mm',
    widthMm: '14',
    heightMm: '14',
    ...change,
  })
async function print(
  from: Server,
  change: Record<string, string> = {},
  document = body,
): Promise<Ticket & { error?: string }> {
  const query = orderQuery(from, change)
  const response = await fetch(`${from.url}/api/print?${query}`, {
    method: 'POST',
    headers: { 'content-type': 'image/pwg-raster' },
    body: new Uint8Array(document),
  })
  return (await response.json()) as Ticket & { error?: string }
}
const json = async <T>(from: Server, path: string, init?: RequestInit): Promise<T> =>
  (await (await fetch(`${from.url}${path}`, init)).json()) as T
const status = (from: Server, ticket = 'ticket-0001') =>
  json<Ticket>(from, `/api/print/${ticket}/status`, { method: 'POST' })
const askPrinter = (from: Server, printer: string) =>
  fetch(`${from.url}/api/printers/status`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ printer }),
  })
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
      ).toMatchObject({ code: 'ADDRESS', error: expect.stringMatching(/list of printers|no address/) })
    const asked = await askPrinter(server, 'ipp://192.0.2.8/ipp/print')
    expect([asked.status, ((await asked.json()) as { error: string }).error]).toEqual([
      400,
      expect.stringContaining('REACH_PLOT_PRINTERS='),
    ])
  })
  test('the stand-in tells what it takes', async () => {
    const server = await listening()
    expect(await (await askPrinter(server, server.address)).json()).toMatchObject({
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
    expect((await fetch(`${server.url}/api/print/ticket-9999/status`, { method: 'POST' })).status).toBe(404)
    expect((await fetch(`${server.url}/api/print/ticket-9999`, { method: 'DELETE' })).status).toBe(404)
  })
})

describe('addresses that no printer can have', () => {
  const odd = [
    'ipp://192.168.1.300/ipp/print',
    'ipp://printer%20one/',
    'ipp://[::1/ipp',
    'ipp://a b/ipp',
    'ipp://',
    'ipp://localhost:99999/ipp',
    'x'.repeat(290),
  ]
  test.each(odd)('%s is refused with a code, by each way in', async (printer) => {
    const server = await listening()
    for (const response of [
      await askPrinter(server, printer),
      await fetch(`${server.url}/api/print?${orderQuery(server, { printer })}`, {
        method: 'POST',
        headers: { 'content-type': 'image/pwg-raster' },
        body: new Uint8Array(body),
      }),
    ]) {
      expect(response.status).toBe(400)
      expect(await response.json()).toMatchObject({
        code: 'ADDRESS',
        error: expect.stringMatching(/printer/),
      })
    }
    // nothing hangs
    expect(await status(server)).toMatchObject({ code: 'UNKNOWN_ORDER' })
  })
  test('after a thousand bad orders a good one is printed', async () => {
    const server = await listening()
    for (let i = 0; i < 1000; i++)
      await print(server, { printer: odd[i % odd.length]!, ticket: `ticket-bad-${i}` }, Buffer.from('x'))
    await print(server)
    expect(
      await until(
        () => status(server),
        (t) => t.state === 'done',
      ),
    ).toMatchObject({ state: 'done' })
  })
})

describe('a restart', () => {
  const interrupted = (address: string, change: Partial<Ticket> = {}): string =>
    `${JSON.stringify({
      ticket: 'ticket-0001',
      printer: address,
      name: 'Labels',
      state: 'sending',
      message: '',
      jobId: null,
      pagesDone: null,
      wasSent: true,
      attempt: 1,
      changedAt: Date.now(),
      ...change,
    })}\n`
  const kept = (stateFolder: string): string => join(stateFolder, 'print-tickets.jsonl')

  test('in mid-job leaves an order of which nobody knows; it is printed again on the person’s word only', async () => {
    const stateFolder = folder()
    const printer = await listening()
    writeFileSync(kept(stateFolder), interrupted(printer.address))
    const server = await listening({ stateFolder })
    const expected = {
      state: 'unknown',
      message: expect.stringMatching(/does not know this job.*Look at the printer/),
    }
    expect(await status(server)).toMatchObject(expected)
    expect(await print(server, { printer: printer.address })).toMatchObject(expected)
    expect(await jobs(printer)).toHaveLength(0)
    await print(server, { printer: printer.address, again: 'true' })
    await until(
      () => status(server),
      (t) => t.state === 'done',
    )
    // the word holds once
    await print(server, { printer: printer.address })
    await print(server, { printer: printer.address, again: 'true' })
    expect(await jobs(printer)).toHaveLength(1)
  })
  test('before the document went out is certain: nothing was printed, and it is sent when asked', async () => {
    const stateFolder = folder()
    const printer = await listening()
    writeFileSync(kept(stateFolder), interrupted(printer.address, { wasSent: false }))
    const server = await listening({ stateFolder })
    expect(await status(server)).toMatchObject({ state: 'failed', wasSent: false })
    await print(server, { printer: printer.address })
    await until(
      () => status(server),
      (t) => t.state === 'done',
    )
    expect(await jobs(printer)).toHaveLength(1)
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
    writeFileSync(kept(stateFolder), interrupted(printer.address))
    const second = await listening({ stateFolder })
    expect(await status(second)).toMatchObject({ state: 'done', pagesDone: 2 })
    await print(second, { printer: printer.address })
    expect(await jobs(printer)).toHaveLength(1)
  })
  test('of the printer in the middle of a job is explained with what was out, and prints nothing again', async () => {
    const stateFolder = folder()
    const printer = await listening()
    const server = await listening({ stateFolder })
    await faults(printer, 'slow')
    await print(server, { printer: printer.address }, raster(40))
    await until(
      () => status(server),
      (t) => (t.pagesDone ?? 0) >= 2,
    )
    await printer.app.close()
    expect(await status(server)).toMatchObject({
      state: 'unknown',
      message: expect.stringMatching(/does not answer.*\d+ pages were out/),
    })
    // it comes back without a memory, at the same address
    const again = await openApp()
    await again.listen({ port: printer.port, host: '127.0.0.1' })
    const lost = await print(server, { printer: printer.address })
    expect(lost).toMatchObject({ state: 'unknown', message: expect.stringMatching(/\d+ pages were out/) })
    expect((await again.inject('/api/stand-in')).json<{ jobs: unknown[] }>().jobs).toHaveLength(0)
  })
  test('a job of that number which is another’s is not taken for ours', async () => {
    const stateFolder = folder()
    const printer = await listening()
    await print(printer, { ticket: 'ticket-other' })
    await until(
      () => status(printer, 'ticket-other'),
      (t) => t.state === 'done',
    )
    writeFileSync(kept(stateFolder), interrupted(printer.address, { state: 'printing', jobId: 1 }))
    expect(await status(await listening({ stateFolder }))).toMatchObject({ state: 'unknown', jobId: null })
  })
})

describe('the orders on disk', () => {
  const line = (change: Record<string, unknown>): string =>
    JSON.stringify({
      ticket: 'ticket-0001',
      printer: 'ipp://127.0.0.1:1/x',
      name: 'Labels',
      state: 'done',
      message: '',
      jobId: 1,
      pagesDone: 2,
      wasSent: true,
      attempt: 1,
      changedAt: Date.now(),
      ...change,
    })
  const opened = async (text: string, file = 'print-tickets.jsonl') => {
    const stateFolder = folder()
    writeFileSync(join(stateFolder, file), text)
    return { server: await listening({ stateFolder }), stateFolder }
  }

  test('an entry that is too long, of an earlier version, or broken loses no other, and is not forgotten itself', async () => {
    const { server, stateFolder } = await opened(
      [
        line({ ticket: 'ticket-good' }),
        line({ ticket: 'ticket-long', state: 'failed', message: 'x'.repeat(1023) }),
        line({ ticket: 'ticket-odd-1', state: 'dancing', jobId: 'many', more: { than: 'known' } }),
        JSON.stringify({ ticket: 'ticket-bare', state: 'done' }),
        '{"ticket":"ticket-cut',
        'nonsense',
        line({ ticket: 'ticket-last' }),
        '',
      ].join('\n'),
    )
    for (const [ticket, state] of [
      ['ticket-good', 'done'],
      ['ticket-long', 'failed'],
      ['ticket-odd-1', 'unknown'],
      ['ticket-bare', 'done'],
      ['ticket-last', 'done'],
    ])
      expect((await status(server, ticket)).state, ticket).toBe(state)
    expect(readFileSync(join(stateFolder, 'print-tickets.unreadable'), 'utf8')).toBe(
      '{"ticket":"ticket-cut\nnonsense\n',
    )
  })
  test('what an earlier version kept is taken over; what was on its way then may have been printed', async () => {
    const old = [
      { ticket: 'ticket-0001', state: 'sending', wasSent: false },
      { ticket: 'ticket-0002', state: 'done', wasSent: true },
    ]
    const { server, stateFolder } = await opened(JSON.stringify(old), 'print-tickets.json')
    expect(await status(server)).toMatchObject({ state: 'unknown', wasSent: true })
    expect(await status(server, 'ticket-0002')).toMatchObject({ state: 'done' })
    expect(readdirSync(stateFolder)).not.toContain('print-tickets.json')
    const broken = await opened('{"broken":', 'print-tickets.json')
    expect(readFileSync(join(broken.stateFolder, 'print-tickets.unreadable'), 'utf8')).toBe('{"broken":\n')
  })
  test('after a thousand others an order of last month is still printed once; after 90 days it is forgotten', async () => {
    const day = 24 * 3600 * 1000
    const { server } = await opened(
      [
        line({ ticket: 'ticket-month', changedAt: Date.now() - 30 * day }),
        line({ ticket: 'ticket-spring', changedAt: Date.now() - 91 * day }),
        line({ ticket: 'ticket-doubt', state: 'unknown', changedAt: Date.now() - 200 * day }),
        ...Array.from({ length: 1000 }, (_, i) => line({ ticket: `ticket-many-${i}` })),
      ].join('\n'),
    )
    expect(await print(server, { ticket: 'ticket-month' })).toMatchObject({ state: 'done' })
    expect(await status(server, 'ticket-spring')).toMatchObject({ code: 'UNKNOWN_ORDER' })
    expect(await status(server, 'ticket-doubt')).toMatchObject({ state: 'unknown' })
    expect(await jobs(server)).toHaveLength(0)
  })
  test('a second server on the folder says so and does not start; a folder that is a file says so too', async () => {
    const stateFolder = folder()
    await listening({ stateFolder })
    await expect(buildApp(webRoot, options({ stateFolder }))).rejects.toThrow(
      /Another Reach Plot server uses the folder/,
    )
    const file = join(folder(), 'file')
    writeFileSync(file, '')
    await expect(buildApp(webRoot, options({ stateFolder: file }))).rejects.toThrow(
      /cannot be used.*REACH_PLOT_STATE/,
    )
  }, 20_000)
})
