import http from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterEach, describe, expect, test } from 'vitest'
import {
  decode,
  encode,
  findJob,
  printerStatus,
  sendOrder,
  IppProblem,
  type IppMessage,
  type OutMessage,
  type PrintOrder,
} from '../src/index.js'

type Answer = Omit<OutMessage, 'id'> | 'break' | 'nonsense'

const servers: http.Server[] = []
afterEach(() => {
  for (const server of servers.splice(0)) {
    server.closeAllConnections()
    server.close()
  }
})

/** A printer that answers as a test says, and remembers what it was asked. */
async function printer(answers: Readonly<Record<string, (message: IppMessage) => Answer>>) {
  const asked: IppMessage[] = []
  const server = http.createServer((request, response) => {
    const parts: Buffer[] = []
    request.on('data', (part: Buffer) => parts.push(part))
    request.on('end', () => {
      const message = decode(Buffer.concat(parts))
      asked.push(message)
      const answer = answers[message.operation ?? '']?.(message) ?? {
        statusCode: 'server-error-operation-not-supported',
      }
      if (answer === 'break') request.socket.destroy()
      else if (answer === 'nonsense') response.end('<html>')
      else response.end(encode({ ...answer, id: message.id }))
    })
  })
  servers.push(server)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  return { address: `ipp://127.0.0.1:${port}/ipp/print`, asked, names: () => asked.map((m) => m.operation) }
}

const ok = { statusCode: 'successful-ok' }
const ready = () => ({
  ...ok,
  printer: {
    'printer-name': 'Test',
    'printer-state': 'idle',
    'printer-is-accepting-jobs': true,
    'document-format-supported': ['application/pdf'],
    'operations-supported': ['Print-Job', 'Create-Job', 'Send-Document'],
    'printer-resolution-supported': [
      [203, 203, 'dpi'],
      [300, 600, 'dpi'],
    ],
  },
})
const job = (id: number, state = 'pending', more = {}) => ({
  ...ok,
  jobs: [{ 'job-id': id, 'job-state': state, ...more }],
})
const order = (change: Partial<PrintOrder> = {}): PrintOrder => ({
  ticket: 'ticket-1234',
  name: 'Labels',
  format: 'application/pdf',
  document: Uint8Array.from([37, 80, 68, 70]),
  media: 'iso_a4_210x297mm',
  widthMm: 210,
  heightMm: 297,
  copies: 1,
  ...change,
})
const codeOf = async (run: Promise<unknown>): Promise<string> => {
  const error = await run.then(
    () => null,
    (e: unknown) => e,
  )
  return error instanceof IppProblem ? error.code : String(error)
}

describe('sending an order', () => {
  test('makes a job, then sends its document, under a name that holds the ticket', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Create-Job': () => job(5),
      'Send-Document': () => job(5, 'processing'),
    })
    expect(await sendOrder(to.address, order(), false)).toMatchObject({ jobId: 5, state: 'processing' })
    expect(to.names()).toEqual(['Get-Printer-Attributes', 'Create-Job', 'Send-Document'])
    const [, create, send] = to.asked
    expect(create!.operationAttributes['job-name']).toBe('Labels [ticket-1234]')
    expect(create!.jobs[0]!['media-col']).toEqual({
      'media-size': { 'x-dimension': 21000, 'y-dimension': 29700 },
    })
    expect(send!.operationAttributes['last-document']).toBe(true)
    expect([...send!.data]).toEqual([37, 80, 68, 70])
  })
  test('is one request where the printer knows no other', async () => {
    const plain = () => ({
      ...ready(),
      printer: { ...ready().printer, 'operations-supported': ['Print-Job'] },
    })
    const to = await printer({ 'Get-Printer-Attributes': plain, 'Print-Job': () => job(9) })
    expect(await sendOrder(to.address, order(), false)).toMatchObject({ jobId: 9 })
    expect(to.names()).toEqual(['Get-Printer-Attributes', 'Print-Job'])
  })
  test('again takes up the job that the printer has, and prints nothing twice', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Get-Jobs': ({ operationAttributes: a }) =>
        a['which-jobs'] === 'completed' ? job(5, 'completed', { 'job-name': 'Labels [ticket-1234]' }) : ok,
    })
    expect(await sendOrder(to.address, order(), true)).toMatchObject({ jobId: 5, state: 'completed' })
    expect(to.names()).toEqual(['Get-Printer-Attributes', 'Get-Jobs', 'Get-Jobs'])
  })
  test('again gives the document to a job whose line broke before it', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Get-Jobs': () =>
        job(5, 'pending-held', { 'job-name': 'Labels [ticket-1234]', 'number-of-documents': 0 }),
      'Send-Document': ({ operationAttributes: a }) => job(Number(a['job-id'])),
    })
    expect(await sendOrder(to.address, order(), true)).toMatchObject({ jobId: 5 })
    expect(to.names()).toEqual(['Get-Printer-Attributes', 'Get-Jobs', 'Send-Document'])
  })
  test('again to a printer that never had it prints it', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Get-Jobs': () => job(4, 'pending', { 'job-name': 'Labels [another-one]' }),
      'Create-Job': () => job(6),
      'Send-Document': () => job(6),
    })
    expect(await sendOrder(to.address, order(), true)).toMatchObject({ jobId: 6 })
  })
  test('tells the number of the job as soon as there is one', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Create-Job': () => job(5),
      'Send-Document': () => 'break',
    })
    const seen: number[] = []
    expect(await codeOf(sendOrder(to.address, order(), false, (id) => seen.push(id)))).toBe('BROKEN')
    expect(seen).toEqual([5])
  })
})

describe('what goes wrong', () => {
  test('nothing is sent to a printer that takes no jobs or not this format', async () => {
    const shut = await printer({
      'Get-Printer-Attributes': () => ({
        ...ok,
        printer: { ...ready().printer, 'printer-is-accepting-jobs': false },
      }),
    })
    await expect(sendOrder(shut.address, order(), false)).rejects.toThrow(/takes no jobs/)
    const other = await printer({ 'Get-Printer-Attributes': ready })
    await expect(sendOrder(other.address, order({ format: 'image/pwg-raster' }), false)).rejects.toThrow(
      /does not take image\/pwg-raster. It takes application\/pdf/,
    )
    expect([...shut.names(), ...other.names()]).toEqual(['Get-Printer-Attributes', 'Get-Printer-Attributes'])
  })
  test('is told apart by whether anything was sent', async () => {
    expect(await codeOf(printerStatus('ipp://127.0.0.1:1/ipp/print'))).toBe('UNREACHABLE')
    expect(
      await codeOf(printerStatus((await printer({ 'Get-Printer-Attributes': () => 'break' })).address)),
    ).toBe('BROKEN')
    expect(
      await codeOf(printerStatus((await printer({ 'Get-Printer-Attributes': () => 'nonsense' })).address)),
    ).toBe('NOT_IPP')
    expect(await codeOf(findJob((await printer({})).address, 'x'))).toBe('REFUSED')
  })
  test('a refusal is said in words', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Create-Job': () => ({
        statusCode: 'client-error-attributes-or-values-not-supported',
        operationAttributes: { 'status-message': 'media' },
      }),
    })
    await expect(sendOrder(to.address, order(), false)).rejects.toThrow(
      /does not have this paper or label size.*It says: media/,
    )
  })
})

test('what a printer says of itself is read, and its reasons put into words', async () => {
  const to = await printer({
    'Get-Printer-Attributes': () => ({
      ...ok,
      printer: {
        ...ready().printer,
        'printer-state': 'stopped',
        'printer-state-reasons': ['cover-open-error', 'media-empty'],
      },
    }),
  })
  expect(await printerStatus(to.address)).toMatchObject({
    name: 'Test',
    state: 'stopped',
    says: 'Its cover is open. Close it. It is out of labels or paper. Load some.',
    isAccepting: true,
    dpis: [203],
  })
})
