import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { cli, demo, folder, started } from './run.js'

const json = async (...args: string[]) => {
  const done = await cli(...args, '--json')
  return { code: done.status, value: JSON.parse(done.stdout), error: done.stderr }
}

describe('reach', () => {
  test('gives every field for an easy chord', async () => {
    const { code, value } = await json(
      'reach',
      '--board',
      'ansi-104',
      '--bottom-row',
      'windows',
      '--hand',
      'left',
      '--span',
      '190',
      '--keys',
      'ShiftLeft+KeyH',
    )
    expect(code).toBe(0)
    expect(value).toMatchObject({
      keys: ['ShiftLeft', 'KeyH'],
      verdict: 'stretch',
      fingers: { ShiftLeft: 'little', KeyH: 'index' },
    })
    for (const field of ['effort', 'stretch', 'palmShiftMm', 'turnDeg', 'spanUse', 'timeMs'])
      expect(typeof value[field]).toBe('number')
  })
  test('Control+Shift+U with the left hand is away, without a fingering', async () => {
    expect((await json('reach', '--keys', 'ControlLeft+ShiftLeft+KeyU')).value).toMatchObject({
      verdict: 'away',
      fingers: {},
    })
  })
})

test('check finds the demo’s faults and exits 1; the layout and system can be changed', async () => {
  const { code, value } = await json('check', demo, '--system', 'gnome', '--layout', 'de')
  expect(code).toBe(1)
  expect(value.counts.blocks).toBeGreaterThan(0)
  expect(value.counts.shadows).toBeGreaterThan(0)
  expect(value.counts.ambiguous).toBeGreaterThan(0)
  const [first] = value.clashes
  expect(Object.keys(first).sort()).toEqual([
    'cause',
    'commands',
    'evidence',
    'id',
    'kind',
    'layer',
    'message',
    'remedies',
    'severity',
    'trigger',
  ])
  expect(first.remedies.length).toBeGreaterThan(1)
  const windows = (await json('check', demo, '--system', 'windows')).value
  expect(
    windows.clashes.some(
      (c: { trigger: string; layer: string }) => c.trigger === 'Control+Alt+KeyQ' && c.layer === 'typing',
    ),
  ).toBe(true)
})

test('labels writes a PDF and names what it left out', async () => {
  const out = join(folder, 'labels.pdf')
  const { value } = await json(
    'labels',
    demo,
    '--paper',
    'iso_a4_210x297mm',
    '--out',
    out,
    '--context',
    'tracing',
  )
  expect(readFileSync(out).subarray(0, 5).toString()).toBe('%PDF-')
  expect(value.labels).toBeGreaterThan(10)
})

test('schema prints a JSON Schema, places ranks, csv goes round', async () => {
  expect((await json('schema')).value).toMatchObject({ title: 'Reach Plot plan', type: 'object' })
  expect((await json('places', demo, '--command', 'Hide shape', '--top', '3')).value.places[0]).toMatchObject(
    {
      trigger: 'KeyH',
      reason: 'Easy with the index finger; first letter of “hide”.',
    },
  )
  const csv = join(folder, 'commands.csv')
  writeFileSync(csv, (await cli('csv', demo, '--what', 'commands')).stdout)
  const out = join(folder, 'again.reachplot.json')
  expect((await cli('csv', demo, '--what', 'commands', '--in', csv, '--out', out)).status).toBe(0)
  expect(readFileSync(out, 'utf8')).toBe(readFileSync(demo, 'utf8'))
})

test('started as a process it says the same, on both outputs, and exits with the same code', async () => {
  for (const args of [['reach', '--keys', 'KeyA'], ['check', demo], ['dance']]) {
    const { status, stdout, stderr } = started(...args)
    expect({ status, stdout, stderr }).toEqual(await cli(...args))
  }
})

describe('bad input exits 2 with one line that says what and how to mend it', () => {
  const file = (name: string, text: string | Buffer): string => {
    writeFileSync(join(folder, name), text)
    return join(folder, name)
  }
  test.each([
    [['reach', '--board', 'ansi-999', '--keys', 'KeyA'], /no board "ansi-999".*ansi-104/],
    [['reach', '--keys', 'NoKey'], /no key "NoKey"/],
    [['reach', '--span', '5', '--keys', 'KeyA'], /130 to 260/],
    [['reach', '--color', 'red'], /--board/],
    [['dance'], /no verb "dance"/],
    [['check', '/nowhere.json'], /cannot be read/],
    [['check', file('empty.json', '')], /empty/],
    [['check', file('broken.json', '{"format":"reachplot-plan",')], /not JSON/],
    [['check', file('big.json', Buffer.alloc(50_000_000, 32))], /50\.0 MB/],
    [['check', demo, '--layout', 'xx'], /"xx" is not known/],
    [['labels', demo, '--out', '/tmp/x.pdf', '--paper', 'napkin'], /no paper "napkin"/],
    [
      ['csv', demo, '--in', file('bad.csv', 'program,comand\n'), '--out', join(folder, 'x.json')],
      /no column "comand"/,
    ],
  ])('%j', async (args, words) => {
    const done = await cli(...args)
    expect(done.status).toBe(2)
    expect(done.stdout).toBe('')
    expect(done.stderr.trim().split('\n')).toHaveLength(1)
    expect(done.stderr).toMatch(words)
  })
})
