import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { cancelJob, findJob, isOver, jobOf, jobStatus, printerStatus, sendOrder } from '@reach-plot/ipp'
import { choosePrintForm } from '@reach-plot/print'
import { endPeers, evePrinter, ipptool } from './peers.js'
import { listening, pdf, raster, until } from './open.js'

afterAll(endPeers)

describe('the stand-in, asked by a client that nobody here wrote', () => {
  // ipptool of CUPS 2.4 with its own suites for IPP/1.1 (RFC 8011) and IPP/2.0 (PWG 5100.12)
  test.each([
    ['ipp-1.1.test', 30],
    ['ipp-2.0.test', 30],
  ])('passes %s of ipptool', async (suite, least) => {
    const { address } = await listening()
    const documents = {
      'document-a4.pdf': await pdf(1, 210, 297),
      'document-letter.pdf': await pdf(1, 215.9, 279.4),
    }
    const score = await ipptool(suite, address.replace('127.0.0.1', 'localhost'), documents)
    console.log(`ipptool ${suite}: ${score.passed} passed, ${score.failed} failed, ${score.skipped} skipped`)
    expect([score.failed, score.failed === 0 ? '' : score.output]).toEqual([0, ''])
    expect(score.output).not.toContain('[FAIL]')
    expect(score.passed).toBeGreaterThanOrEqual(least)
  })
})

describe('printing on a printer that nobody here wrote', () => {
  test('documents go through the server to ippeveprinter and arrive whole, each once', async () => {
    const { address, spool } = await evePrinter()
    const server = await listening()
    const asked = await fetch(`${server.url}/api/printers/status`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ printer: address }),
    })
    const takes = (await asked.json()) as Parameters<typeof choosePrintForm>[0]
    expect(choosePrintForm(takes, 'pwg', 203)).toMatchObject({
      format: 'image/pwg-raster',
      rasterType: 'black_1',
    })
    const sent = { 'application/pdf': await pdf(2), 'image/pwg-raster': raster(3) }
    let count = 0
    for (const [format, document] of Object.entries(sent)) {
      const ticket = `ticket-${format.replace(/\W/g, '-')}`
      const query = new URLSearchParams({
        ticket,
        printer: address,
        name: `Labels ${format}`,
        media: 'iso_a4_210x297mm',
        widthMm: '210',
        heightMm: '297',
      })
      const post = () =>
        fetch(`${server.url}/api/print?${query}`, {
          method: 'POST',
          headers: { 'content-type': format },
          body: new Uint8Array(document),
        })
      await post()
      // the same order again
      await post()
      const done = await until(
        async () =>
          (await (await fetch(`${server.url}/api/print/${ticket}/status`, { method: 'POST' })).json()) as {
            state: string
          },
        (t) => t.state === 'done',
      )
      expect(done.state).toBe('done')
      count++
      const files = readdirSync(spool)
      expect(files).toHaveLength(count)
      const file = files.find((f) => f.endsWith(format === 'application/pdf' ? '.pdf' : '.pwg'))!
      expect(readFileSync(join(spool, file)).equals(Buffer.from(document))).toBe(true)
    }
    console.log(`ippeveprinter: ${count} jobs printed, ${readdirSync(spool).length} files spooled`)
  })
  test('it is asked how it is; what it lacks is refused, and a finished job is found again', async () => {
    const { address } = await evePrinter()
    const printer = await printerStatus(address)
    expect(printer.state).toBe('idle')
    expect(printer.operations).toContain('Create-Job')
    const order = {
      ticket: 'ticket-eve-0001',
      name: 'Labels',
      format: 'image/pwg-raster' as const,
      document: raster(1),
      media: 'iso_a4_210x297mm',
      widthMm: 210,
      heightMm: 297,
      copies: 1,
    }
    // this printer has office paper only, and says so
    const label = { ...order, ticket: 'ticket-eve-0002', widthMm: 14, heightMm: 14 }
    await expect(sendOrder(address, label)).rejects.toThrow(/does not have this paper or label size/)
    const first = await sendOrder(address, order)
    expect(await findJob(address, order)).toMatchObject({ jobId: first.jobId, hasDocument: true })
    expect(await jobOf(address, first.jobId, order)).toMatchObject({ jobId: first.jobId })
    expect(await jobOf(address, first.jobId, { ticket: 'ticket-eve-0009' })).toBeNull()
    await cancelJob(address, first.jobId)
    await until(
      () => jobStatus(address, first.jobId),
      (j) => isOver(j.state),
    )
    expect(await findJob(address, order)).toMatchObject({ jobId: first.jobId })
  })
})
