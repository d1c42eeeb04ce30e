import { describe, expect, test } from 'vitest'
import { decode, encode, textOf, type IppMessage, type OutMessage } from '@reach-plot/ipp'
import { pngSize } from '@reach-plot/print'
import { Machine, machineLimits } from '../src/stand-in/machine.js'
import { openApp, pdf, raster, until } from './open.js'

const printerUri = 'ipp://localhost/ipp/print'

async function opened() {
  const app = await openApp()
  const raw = async (payload: Buffer): Promise<IppMessage> => {
    const response = await app.inject({
      method: 'POST',
      url: '/ipp/print',
      headers: { 'content-type': 'application/ipp' },
      payload,
    })
    expect([response.statusCode, response.headers['content-type']]).toEqual([200, 'application/ipp'])
    return decode(response.rawPayload)
  }
  const ask = (operation: string, message: Partial<OutMessage> = {}): Promise<IppMessage> =>
    raw(
      encode({
        operation,
        id: 7,
        ...message,
        operationAttributes: { 'printer-uri': printerUri, ...message.operationAttributes },
      }),
    )
  const print = async (document: Uint8Array, format = 'image/pwg-raster', job = {}): Promise<number> => {
    const { jobs, statusCode } = await ask('Print-Job', {
      operationAttributes: { 'job-name': 'Test', 'document-format': format },
      jobs: [job],
      data: document,
    })
    expect(statusCode).toBe('successful-ok')
    return Number(jobs[0]!['job-id'])
  }
  const state = async () => (await app.inject('/api/stand-in')).json()
  const jobIs = (id: number, ...states: string[]) =>
    until(
      async () => (await state()).jobs.find((j: { id: number }) => j.id === id),
      (j) => states.includes(j?.state),
    )
  const faults = (...on: string[]) =>
    app.inject({ method: 'PUT', url: '/api/stand-in/faults', payload: { faults: on } })
  return { app, raw, ask, print, state, jobIs, faults }
}

describe('printing', () => {
  test.each([
    ['PWG raster', 'image/pwg-raster', () => Promise.resolve(raster(3))],
    ['PDF', 'application/pdf', () => pdf(3)],
    ['what is sensed as raster', 'application/octet-stream', () => Promise.resolve(raster(3))],
  ])('%s comes out as a picture of each label', async (_name, format, document) => {
    const { app, print, jobIs } = await opened()
    const id = await print(await document(), format)
    const job = await jobIs(id, 'completed', 'aborted')
    expect(job).toMatchObject({ state: 'completed', pagesTotal: 3 })
    expect(job.pages).toHaveLength(3)
    expect(job.pages[0].widthMm).toBeCloseTo(14, 1)
    const picture = await app.inject(`/api/stand-in/jobs/${id}/2.png`)
    expect(pngSize(picture.rawPayload)).toMatchObject({ width: 112, height: 112, depth: 1 })
    expect((await app.inject(`/api/stand-in/jobs/${id}/4.png`)).statusCode).toBe(404)
  })
  test('copies come out as often', async () => {
    const { print, jobIs } = await opened()
    expect(
      (await jobIs(await print(raster(2), 'image/pwg-raster', { copies: 3 }), 'completed')).pages,
    ).toHaveLength(6)
  })
  test.each([
    ['a document that is none', async () => Buffer.from('nonsense'), 'application/pdf', /cannot be printed/],
    [
      'raster of a resolution that it lacks',
      async () => raster(1, 150),
      'image/pwg-raster',
      /150 dots per inch; this printer has 203, 300, 600/,
    ],
    [
      'a page of another size than the job asks for',
      () => pdf(1, 60, 40),
      'application/pdf',
      /asks for 14.0 x 14.0 mm, its pages are 60.0 x 40.0 mm/,
    ],
    ['a page that is too large', () => pdf(1, 600, 40), 'application/pdf', /page 1 is 600 x 40 mm/],
  ])('%s is given up with the reason', async (_name, document, format, reason) => {
    const { print, jobIs } = await opened()
    const size = { 'media-col': { 'media-size': { 'x-dimension': 1400, 'y-dimension': 1400 } } }
    const job = await jobIs(await print(await document(), format, size), 'aborted', 'completed')
    expect([job.state, job.message]).toEqual(['aborted', expect.stringMatching(reason)])
  })
})

describe('faults', () => {
  test.each([
    ['cover-open', 'cover-open-error'],
    ['no-media', 'media-empty-error'],
    ['wrong-size', 'media-needed-error'],
  ])('%s holds a job up; when it is mended the job goes on, once', async (fault, reason) => {
    const { ask, print, jobIs, faults, state } = await opened()
    await faults(fault)
    const id = await print(raster(2))
    await jobIs(id, 'pending', 'processing-stopped')
    const printer = await until(
      async () => (await ask('Get-Printer-Attributes')).printer,
      (p) => p['printer-state'] === 'stopped',
    )
    expect(printer['printer-state-reasons']).toBe(reason)
    await faults()
    expect((await jobIs(id, 'completed')).pages).toHaveLength(2)
    expect((await state()).jobs).toHaveLength(1)
  })
  test('a slow printer shows how far it is', async () => {
    const { print, jobIs, faults, state } = await opened()
    await faults('slow')
    const id = await print(raster(6))
    const seen = await until(state, (s) => s.jobs[0].pages.length > 0)
    expect(seen.jobs[0].pages.length).toBeLessThan(6)
    await jobIs(id, 'completed')
  })
  test('a printer that refuses takes no job, and says so beforehand', async () => {
    const { ask, faults } = await opened()
    await faults('refuses')
    expect((await ask('Get-Printer-Attributes')).printer['printer-is-accepting-jobs']).toBe(false)
    for (const operation of ['Validate-Job', 'Print-Job', 'Create-Job'])
      expect((await ask(operation)).statusCode).toBe('server-error-not-accepting-jobs')
  })
  test('a fault that there is not is refused', async () => {
    const { app } = await opened()
    const bad = await app.inject({
      method: 'PUT',
      url: '/api/stand-in/faults',
      payload: { faults: ['fire'] },
    })
    expect(bad.statusCode).toBe(400)
  })
})

describe('jobs', () => {
  test('are made, filled, looked at and cancelled one by one', async () => {
    const { ask, faults } = await opened()
    await faults('cover-open')
    const made = await ask('Create-Job', {
      operationAttributes: { 'job-name': 'Later', 'requesting-user-name': 'ada' },
    })
    const id = Number(made.jobs[0]!['job-id'])
    expect(made.jobs[0]!['job-state']).toBe('pending-held')
    const of = { operationAttributes: { 'job-id': id } }
    expect((await ask('Send-Document', of)).statusCode).toBe('client-error-bad-request')
    const full = { operationAttributes: { 'job-id': id, 'last-document': true }, data: raster() }
    expect((await ask('Send-Document', full)).jobs[0]!['job-state']).toBe('pending')
    expect((await ask('Send-Document', full)).statusCode).toBe(
      'server-error-multiple-document-jobs-not-supported',
    )
    const mine = await ask('Get-Jobs', {
      operationAttributes: {
        'my-jobs': true,
        'requesting-user-name': 'ada',
        'requested-attributes': ['job-name'],
      },
    })
    expect(mine.jobs).toEqual([{ 'job-name': 'Later' }])
    expect((await ask('Cancel-Job', of)).statusCode).toBe('successful-ok')
    expect((await ask('Cancel-Job', of)).statusCode).toBe('client-error-not-possible')
    expect(textOf((await ask('Get-Job-Attributes', of)).jobs[0]!, 'job-state')).toBe('canceled')
    expect((await ask('Get-Jobs')).jobs).toEqual([])
    expect((await ask('Get-Jobs', { operationAttributes: { 'which-jobs': 'completed' } })).jobs).toHaveLength(
      1,
    )
  })
  test.each([
    ['Get-Job-Attributes', { 'job-id': 99 }, 'client-error-not-found'],
    ['Get-Job-Attributes', {}, 'client-error-bad-request'],
    ['Get-Jobs', { 'which-jobs': 'lost' }, 'client-error-attributes-or-values-not-supported'],
    ['Validate-Job', { 'document-format': 'image/jpeg' }, 'client-error-document-format-not-supported'],
    ['Validate-Job', { compression: 'gzip' }, 'client-error-compression-not-supported'],
    ['Validate-Job', { 'printer-uri': 'ipp://localhost/elsewhere' }, 'client-error-not-found'],
    ['Pause-Printer', {}, 'server-error-operation-not-supported'],
  ])('%s with %o is answered %s', async (operation, operationAttributes, status) => {
    const { ask } = await opened()
    expect((await ask(operation, { operationAttributes })).statusCode).toBe(status)
  })
  test('media is checked: too small or large is refused, any other size is taken', async () => {
    const { ask } = await opened()
    const size = (x: number, y: number) => ({
      jobs: [{ 'media-col': { 'media-size': { 'x-dimension': x, 'y-dimension': y } } }],
    })
    expect((await ask('Validate-Job', size(1400, 1400))).statusCode).toBe('successful-ok')
    expect((await ask('Validate-Job', size(300, 1400))).statusCode).toBe(
      'client-error-attributes-or-values-not-supported',
    )
    expect((await ask('Validate-Job', size(99_000, 1400))).statusCode).toBe(
      'client-error-attributes-or-values-not-supported',
    )
    const named = (media: string) =>
      ask('Validate-Job', { operationAttributes: { 'ipp-attribute-fidelity': true }, jobs: [{ media }] })
    expect((await named('na_letter_8.5x11in')).statusCode).toBe('successful-ok')
    expect((await named('napkin')).statusCode).toBe('client-error-attributes-or-values-not-supported')
  })
  test('no more wait than there is room for', async () => {
    const { ask, faults } = await opened()
    await faults('cover-open')
    for (let i = 0; i < machineLimits.waiting; i++)
      expect((await ask('Create-Job')).statusCode).toBe('successful-ok')
    expect((await ask('Create-Job')).statusCode).toBe('server-error-busy')
  })
  test('old ones are forgotten, those that wait are not', async () => {
    const machine = new Machine({ slowMs: 1, now: () => 100 })
    const waits = machine.create('waits', 'x', null, 1)
    for (let i = 0; i < machineLimits.kept * 2; i++) machine.cancel(machine.create(`${i}`, 'x', null, 1))
    expect(machine.jobs.length).toBeLessThanOrEqual(machineLimits.kept)
    expect(machine.jobs).toContain(waits)
    machine.clear()
    expect(machine.jobs).toEqual([waits])
  })
})

test('bytes that are no request get an answer that says so', async () => {
  const { raw } = await opened()
  for (const bytes of ['', 'nonsense', '\x01\x01\x00\x0b'])
    expect((await raw(Buffer.from(bytes, 'latin1'))).statusCode).toBe('client-error-bad-request')
})
