import { readFileSync, writeFileSync } from 'node:fs'
import http from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { afterAll, describe, expect, test } from 'vitest'
import { decode, encode, type IppMessage } from '@reach-plot/ipp'
import { pngSize, readPwgRaster } from '@reach-plot/print'
import { cli, demo, folder, json } from './run.js'

const head = (path: string): string => readFileSync(path).subarray(0, 5).toString('latin1')

describe('labels', () => {
  test.each([
    ['labels', 'pdf', '%PDF-'],
    ['labels', 'svg', '<svg '],
    ['strokes', 'pdf', '%PDF-'],
    ['board', 'svg', '<svg '],
    ['card', 'pdf', '%PDF-'],
    ['calibration', 'pwg', 'RaS2P'],
    ['list', 'png', '\x89PNG\r'],
  ])('%s are written as %s', async (kind, ending, start) => {
    const out = join(folder, `${kind}.${ending}`)
    const { value } = await run('labels', demo, '--kind', kind, '--context', 'tracing', '--out', out)
    expect(value.kind).toBe(kind)
    expect(head(value.out)).toBe(start)
  })
  // one of each kind; the core's tests lay labels on all of them
  test.each(['letter', 'a4-5x13', 'roll-round-14'])('on %s', async (stock) => {
    const out = join(folder, `${stock}.pwg`)
    const { value } = await run(
      'labels',
      demo,
      '--stock',
      stock,
      '--device',
      'pad',
      '--out',
      out,
      '--dpi',
      '300',
    )
    expect(value.labels).toBeGreaterThan(5)
    const pages = readPwgRaster(readFileSync(out))
    expect(pages).toHaveLength(value.pages)
    expect([pages[0]!.dpi, pages[0]!.media]).toEqual([300, value.media])
  })
  test('pictures of one bit come as a zip, deck faces in the pixels that are asked for', async () => {
    const out = join(folder, 'roll.png')
    const { value } = await run(
      'labels',
      demo,
      '--stock',
      'roll-14x14',
      '--device',
      'pad',
      '--bits',
      'yes',
      '--out',
      out,
    )
    const files = Object.values(unzipSync(readFileSync(value.out)))
    expect(value.out).toBe(join(folder, 'roll.zip'))
    expect(pngSize(files[0]!)).toEqual({ width: 112, height: 112, depth: 1, channels: 1 })
    const deck = (
      await run('labels', demo, '--kind', 'deck', '--px', '72', '--out', join(folder, 'deck.zip'))
    ).value
    const faces = unzipSync(readFileSync(deck.out))
    expect(pngSize(faces['fenmap/b1.png']!)).toMatchObject({ width: 72, height: 72 })
  })
  test('a zip name gives a zip also for one page; no other file’s place is taken, and what cannot be written is said', async () => {
    const zip = join(folder, 'one.zip')
    await run('labels', demo, '--kind', 'board', '--out', zip)
    expect(Object.keys(unzipSync(readFileSync(zip)))).toHaveLength(1)
    const taken = join(folder, 'many.zip')
    writeFileSync(taken, 'mine')
    const many = await cli('labels', demo, '--stock', 'roll-14x14', '--out', join(folder, 'many.png'))
    expect([many.status, many.stderr]).toEqual([2, expect.stringMatching(/there is such a file/)])
    expect(readFileSync(taken, 'utf8')).toBe('mine')
    const nowhere = await cli('labels', demo, '--kind', 'list', '--out', join(folder, 'no/such/list.html'))
    expect([nowhere.status, nowhere.stderr]).toEqual([
      2,
      expect.stringMatching(/cannot be written \(ENOENT\)/),
    ])
  })
  test('a list is of one program or context where it is named, by id or by name', async () => {
    const entries = async (...options: string[]): Promise<number> =>
      (await run('labels', demo, '--kind', 'list', '--out', join(folder, 'some.html'), ...options)).value
        .entries as number
    const all = await entries()
    const [fenmap, byName] = [await entries('--program', 'fenmap'), await entries('--program', 'Fenmap')]
    expect(byName).toBe(fenmap)
    expect(fenmap).toBeLessThan(all)
    const one = await entries('--program', 'fenmap', '--context', 'labelling')
    expect(one).toBeLessThan(fenmap)
    expect(await entries('--context', 'Labelling')).toBe(one)
  })
  test('a list is written as Markdown or HTML too, and nothing else is', async () => {
    for (const [order, ending] of [
      ['context', 'md'],
      ['device', 'html'],
    ] as const) {
      const out = join(folder, `list.${ending}`)
      const { value } = await run('labels', demo, '--kind', 'list', '--order', order, '--out', out)
      expect(value.traps).toBeGreaterThan(0)
      expect(readFileSync(out, 'utf8')).toContain('Traps, and the way out')
    }
    expect((await cli('labels', demo, '--out', join(folder, 'labels.md'))).stderr).toMatch(
      /only a list.*--kind list/,
    )
  })
  test('what cannot be read is a finding with its reason', async () => {
    const done = await cli(
      'labels',
      demo,
      '--distance',
      '900',
      '--content',
      'text',
      '--out',
      join(folder, 'far.pdf'),
    )
    expect(done.status).toBe(1)
    expect(done.stdout).toMatch(/left out .*do not fit 15 x 15 mm with letters 4\.2 mm high/)
  })
  test.each([
    [['--out', 'x.doc'], /cannot be written.*\.pdf/],
    [['--out', 'x.pdf', '--stock', 'napkin'], /no stock "napkin"/],
    [['--out', 'x.pdf', '--kind', 'poster'], /"poster" is not known.*strokes/],
    [['--out', 'x.pdf', '--device', 'nope', '--kind', 'deck'], /no device "nope"/],
    [['--out', 'x.pdf', '--dpi', '9'], /72 to 1200/],
    [['--out', 'x.png', '--px', '1'], /16 to 2048/],
  ])('%j exits 2 and says what to choose from', async (args, words) => {
    const done = await cli('labels', demo, ...args)
    expect([done.status, done.stderr]).toEqual([2, expect.stringMatching(words)])
  })
})

/** Prints as JSON; findings are no fault here. */
const run = async (...args: string[]) => ({ value: await json(...args) })

const jobs: { id: number; name: string; sides: unknown; bytes: Uint8Array }[] = []
const printer = http.createServer((request, response) => {
  const parts: Buffer[] = []
  request.on('data', (part: Buffer) => parts.push(part))
  request.on('end', () => {
    const message = decode(Buffer.concat(parts))
    response.end(encode({ id: message.id, statusCode: 'successful-ok', ...answer(message) }))
  })
})
afterAll(() => printer.close())

/** The least that a printer answers: one kind of job, done as soon as it has come. */
function answer({ operation, operationAttributes: a, jobs: [template], data }: IppMessage) {
  if (operation === 'Get-Printer-Attributes')
    return {
      printer: {
        'printer-name': 'Shed',
        'printer-state': 'idle',
        'document-format-supported': ['image/pwg-raster', 'application/pdf'],
        'operations-supported': ['Print-Job'],
        'printer-resolution-supported': [[203, 203, 'dpi']],
        'pwg-raster-document-type-supported': ['black_1'],
        'sides-supported': ['one-sided', 'two-sided-short-edge'],
      },
    }
  if (operation === 'Print-Job')
    jobs.push({ id: jobs.length + 1, name: String(a['job-name']), sides: template?.['sides'], bytes: data })
  const of = jobs.map((job) => ({ 'job-id': job.id, 'job-name': job.name, 'job-state': 'completed' }))
  if (operation === 'Get-Jobs') return { jobs: a['which-jobs'] === 'completed' ? of : [] }
  return { jobs: of.slice(-1) }
}

const print = (...args: string[]) => cli('print', demo, ...args)

describe('print', () => {
  test('sends labels to a printer once, however often the same ticket is sent', async () => {
    await new Promise<void>((resolve) => printer.listen(0, '127.0.0.1', resolve))
    const address = `ipp://127.0.0.1:${(printer.address() as AddressInfo).port}/ipp/print`
    const args = ['--printer', address, '--stock', 'roll-15x15', '--device', 'pad', '--ticket', 'ticket-0001']
    const first = await print(...args)
    expect(first.stdout).toMatch(/job 1 completed.*2\d page\(s\) as image\/pwg-raster/)
    expect(readPwgRaster(jobs[0]!.bytes)[0]!.dpi).toBe(203)
    const again = JSON.parse((await print(...args, '--json')).stdout)
    expect(again.job).toMatchObject({ jobId: 1, state: 'completed' })
    expect(jobs).toHaveLength(1)
    expect((await print('--printer', address, '--format', 'pdf', '--json')).status).not.toBe(2)
    expect(Buffer.from(jobs[1]!.bytes.subarray(0, 5)).toString()).toBe('%PDF-')
    await print('--printer', address, '--kind', 'card')
    expect(jobs.map((job) => job.sides)).toEqual([undefined, undefined, 'two-sided-short-edge'])
  })
  test.each([
    [[], /--printer is missing/],
    [['--printer', 'http://localhost'], /must begin with ipp/],
    [['--printer', 'ipp://127.0.0.1:1/ipp/print'], /does not answer/],
    [['--printer', 'ipp://127.0.0.1:1/x', '--ticket', 'a b'], /no ticket/],
    [['--printer', 'ipp://127.0.0.1:1/x', '--format', 'jpeg'], /"jpeg" is not known/],
  ])('%j exits 2 and says what is wrong', async (args, words) => {
    const done = await print(...args)
    expect([done.status, done.stderr]).toEqual([2, expect.stringMatching(words)])
  })
})
