import http from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterEach, describe, expect, test } from 'vitest'
import {
  decode,
  encode,
  findJob,
  jobOf,
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
    expect(await sendOrder(to.address, order())).toMatchObject({ jobId: 5, state: 'processing' })
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
    expect(await sendOrder(to.address, order())).toMatchObject({ jobId: 9 })
    expect(to.names()).toEqual(['Get-Printer-Attributes', 'Print-Job'])
  })
  test('the job of an order is found by its name, finished or not, each attempt by its own', async () => {
    const to = await printer({
      'Get-Jobs': ({ operationAttributes: a }) =>
        a['which-jobs'] === 'completed'
          ? job(5, 'completed', { 'job-name': 'Labels [ticket-1234]', 'number-of-documents': 1 })
          : job(4, 'pending', { 'job-name': 'Labels [ticket-1234 2]', 'number-of-documents': 0 }),
    })
    const ticket = 'ticket-1234'
    expect(await findJob(to.address, { ticket })).toMatchObject({ jobId: 5, hasDocument: true })
    expect(await findJob(to.address, { ticket, attempt: 2 })).toMatchObject({ jobId: 4, hasDocument: false })
    expect(await findJob(to.address, { ticket: 'another-one' })).toBeNull()
  })
  test('a number that is another’s by now is not taken for the order’s', async () => {
    const to = await printer({
      'Get-Job-Attributes': ({ operationAttributes: a }) =>
        a['job-id'] === 9
          ? { statusCode: 'client-error-not-found' }
          : job(Number(a['job-id']), 'completed', { 'job-name': 'Somebody’s letter' }),
    })
    expect(await jobOf(to.address, 1, { ticket: 'ticket-1234' })).toBeNull()
    expect(await jobOf(to.address, 9, { ticket: 'ticket-1234' })).toBeNull()
  })
  test('a job that was made before gets the document now, where it has none', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Get-Job-Attributes': () =>
        job(5, 'pending-held', { 'job-name': 'Labels [ticket-1234]', 'number-of-documents': 0 }),
      'Send-Document': ({ operationAttributes: a }) => job(Number(a['job-id'])),
    })
    expect(await sendOrder(to.address, order(), { madeJobId: 5 })).toMatchObject({ jobId: 5 })
    expect(to.names()).toEqual(['Get-Printer-Attributes', 'Get-Job-Attributes', 'Send-Document'])
  })
  test('says before the document goes out, and waits until that is noted', async () => {
    for (const operations of [['Print-Job'], ['Create-Job', 'Send-Document']]) {
      const to = await printer({
        'Get-Printer-Attributes': () => ({
          ...ready(),
          printer: { ...ready().printer, 'operations-supported': operations },
        }),
        'Create-Job': () => job(5),
        'Send-Document': () => job(5),
        'Print-Job': () => job(5),
      })
      let asked: readonly (string | undefined)[] = []
      const beforeDocument = async (): Promise<void> => {
        await new Promise((resolve) => setTimeout(resolve, 30))
        asked = to.names()
      }
      await sendOrder(to.address, order(), { beforeDocument })
      expect(asked).not.toContain(operations.at(-1))
      expect(to.names().at(-1)).toBe(operations.at(-1))
    }
  })
  test('tells the number of the job as soon as there is one', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Create-Job': () => job(5),
      'Send-Document': () => 'break',
    })
    const seen: number[] = []
    expect(await codeOf(sendOrder(to.address, order(), { onCreated: (id) => void seen.push(id) }))).toBe(
      'BROKEN',
    )
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
    await expect(sendOrder(shut.address, order())).rejects.toThrow(/takes no jobs/)
    const other = await printer({ 'Get-Printer-Attributes': ready })
    await expect(sendOrder(other.address, order({ format: 'image/pwg-raster' }))).rejects.toThrow(
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
    expect(await codeOf(findJob((await printer({})).address, { ticket: 'x' }))).toBe('REFUSED')
  })
  test('a refusal is said in words', async () => {
    const to = await printer({
      'Get-Printer-Attributes': ready,
      'Create-Job': () => ({
        statusCode: 'client-error-attributes-or-values-not-supported',
        operationAttributes: { 'status-message': 'media' },
      }),
    })
    await expect(sendOrder(to.address, order())).rejects.toThrow(
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
