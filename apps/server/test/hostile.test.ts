import { expect, test } from 'vitest'
import { encode } from '@reach-plot/ipp'
import { listening, raster } from './open.js'

/** Numbers by chance from a seed, 0 up to below 1 (Park and Miller). */
function chance(seed: number): () => number {
  let state = seed
  return () => (state = (state * 48271) % 2147483647) / 2147483647
}

/** Messages that are sent; REACH_PLOT_HOSTILE asks for more, such as 100000. */
const messages = Number(process.env['REACH_PLOT_HOSTILE'] ?? 3000)
const atOnce = 16

/** Orders that printers know, with and without a document. */
const orders = (address: string): Buffer[] => {
  const head = { 'printer-uri': address, 'job-name': 'Labels [ticket]', 'requesting-user-name': 'me' }
  const order = (operation: string, more: object = {}): Buffer =>
    encode({ operation, id: 7, operationAttributes: { ...head, ...more } })
  return [
    Buffer.concat([
      encode({
        operation: 'Print-Job',
        id: 7,
        operationAttributes: { ...head, 'document-format': 'image/pwg-raster' },
        jobs: [{ copies: 2, 'media-col': { 'media-size': { 'x-dimension': 1400, 'y-dimension': 1400 } } }],
      }),
      Buffer.from(raster()),
    ]),
    order('Get-Printer-Attributes', { 'requested-attributes': ['all'] }),
    order('Get-Jobs', { 'which-jobs': 'completed' }),
    order('Get-Job-Attributes', { 'job-id': 1 }),
    order('Cancel-Job', { 'job-id': 1 }),
  ]
}

function mutated(draw: () => number, message: Buffer): Buffer {
  let bytes = Buffer.from(message)
  for (let changes = 1 + Math.floor(draw() * 6); changes > 0; changes--) {
    const at = Math.floor(draw() * Math.min(bytes.length, 400))
    const how = draw()
    if (how < 0.1) bytes = bytes.subarray(0, at + 1)
    else if (how < 0.2)
      bytes = Buffer.concat([bytes.subarray(0, at), bytes.subarray(Math.floor(draw() * at))])
    else bytes[at] = Math.floor(draw() * 256)
  }
  return bytes
}

test(
  'every mutated message over HTTP gets an answer, soon, and a good order is taken after them all',
  async () => {
    const { url, address } = await listening()
    const draw = chance(5)
    const seeds = orders(address)
    const send = (body: Buffer): Promise<Response> =>
      fetch(`${url}/ipp/print`, {
        method: 'POST',
        headers: { 'content-type': 'application/ipp' },
        body: new Uint8Array(body),
        signal: AbortSignal.timeout(5000),
      })
    const statuses = new Map<number, number>()
    let heapMb = 0
    for (let sent = 0; sent < messages; sent += atOnce) {
      const answers = await Promise.all(
        Array.from({ length: atOnce }, (_, i) =>
          send(mutated(draw, seeds[(sent + i) % seeds.length] as Buffer)),
        ),
      )
      for (const answer of answers) {
        expect((await answer.arrayBuffer()).byteLength).toBeGreaterThan(0)
        statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1)
      }
      if (sent === Math.floor(messages / 2 / atOnce) * atOnce) heapMb = process.memoryUsage().rss / 2 ** 20
    }
    expect([...statuses.keys()].filter((status) => status >= 500)).toEqual([])
    expect(process.memoryUsage().rss / 2 ** 20).toBeLessThan(heapMb * 1.5 + 100)
    const good = await send(seeds[1] as Buffer)
    expect(good.status).toBe(200)
  },
  60_000 + messages * 20,
)
