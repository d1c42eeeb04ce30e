import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { cli, demo, folder, json, root } from './run.js'

describe('places', () => {
  const hide = ['places', demo, '--command', 'fenmap-hide-shape'] as const
  test('rank every device and act, with the parts of the cost and a reason', async () => {
    const { places } = await json(...hide, '--top', '4000')
    expect(places[0]).toMatchObject({ trigger: 'KeyH', verdict: 'easy', mnemonic: 1 })
    const triggers = places.map((p: { trigger: string }) => p.trigger)
    for (const act of [
      'KeyH x2',
      'KeyH hold',
      'pad/k1',
      'pad/k1+pad/k2',
      'pad/dial left',
      'popup/shapes 4',
      'mouse/field stroke 0/8',
    ])
      expect(triggers).toContain(act)
    for (const p of places.slice(0, 50)) {
      const sum = Object.values(p.cost as Record<string, number>).reduce((a, b) => a + b)
      expect(Math.abs(sum - p.totalMs)).toBeLessThanOrEqual(3)
      expect(p.reason).toMatch(/\.$/)
    }
  })
  test('can be narrowed to modifiers, a device, free ones; weights change the order', async () => {
    const of = async (...more: string[]): Promise<string[]> =>
      (await json(...hide, '--top', '60', ...more)).places.map((p: { trigger: string }) => p.trigger)
    expect((await of('--modifiers', 'Control')).every((t) => t.startsWith('Control+'))).toBe(true)
    expect((await of('--device', 'pad')).every((t) => t.includes('pad/'))).toBe(true)
    const free = (await json(...hide, '--only', 'free', '--top', '60')).places
    expect(free.every((p: { holders: string[] }) => p.holders.length === 0)).toBe(true)
    expect((await of('--weights', 'recallMs=0'))[0]).not.toBe('KeyH')
  })
  test.each([
    [['--command', 'Nothing'], 'there is no command'],
    [['--command', 'Chart pen'], 'give the id'],
    [['--command', 'Undo', '--modifiers', 'Hyper'], 'is not known'],
    [['--command', 'Undo', '--device', 'desk'], 'choose one of'],
    [['--command', 'Undo', '--weights', 'speed=3'], 'recallMs'],
    [['--command', 'Undo', '--weights', 'recallMs=-1'], 'from 0 to 5000'],
  ])('%j is refused with what to do', async (args, message) => {
    const done = await cli('places', demo, ...args)
    expect(done.status).toBe(2)
    expect(done.stderr).toContain(message)
  })
})

test('free places under modifiers, within a verdict', async () => {
  const { free } = await json(
    'free',
    demo,
    '--modifiers',
    'Control',
    '--verdict',
    'stretch',
    '--program',
    'fenmap',
  )
  expect(free.length).toBeGreaterThan(5)
  for (const f of free) {
    expect(f.trigger).toMatch(/^Control\+/)
    expect(['rest', 'easy', 'stretch']).toContain(f.verdict)
  }
  expect((await json('free', demo, '--modifiers', 'none', '--verdict', 'rest')).free.length).toBeLessThan(
    (await json('free', demo, '--modifiers', 'none', '--verdict', 'easy')).free.length,
  )
  expect((await cli('free', demo, '--program', 'none')).stderr).toContain('choose one of fenmap, reedcall')
})

test('a chain tells who moves where, and what it costs an hour', async () => {
  const { steps, beforeSecondsPerHour, afterSecondsPerHour } = await json(
    'displace',
    demo,
    '--command',
    'fenmap-hide-shape',
    '--to',
    'KeyD',
  )
  expect(steps[0]).toMatchObject({ command: 'fenmap-hide-shape', to: 'KeyD' })
  expect(steps[1]).toMatchObject({ from: 'KeyD' })
  expect(beforeSecondsPerHour).toBeGreaterThan(0)
  expect(afterSecondsPerHour).toBeGreaterThan(0)
  // Undo is locked in the demo
  expect((await cli('displace', demo, '--command', 'fenmap-hide-shape', '--to', 'KeyZ')).stderr).toContain(
    'locked',
  )
})

test('mnemonics: a figure from 0 to 1, the weakest, letters in dispute, ideas that differ', async () => {
  const found = await json('mnemonics', demo, '--top', '5')
  expect(found.mean).toBeGreaterThan(0)
  expect(found.mean).toBeLessThan(1)
  expect(found.weakest.length).toBe(5)
  expect(found.letterConflicts.length).toBeGreaterThan(5)
  expect(found.differingIdeas.length).toBe(2)
  expect(found.differingIdeas[0].fix.length).toBe(1)
})

test('the chord table has a layer for each set of modifiers, and tells what the other hand can do', async () => {
  const { layers } = await json('chords', demo, '--modifiers', 'Control+Shift')
  expect(layers.length).toBe(1)
  const u = layers[0].chords.find((c: { place: string }) => c.place === 'KeyU')
  expect(u.verdict).toBe('away')
  expect(u.otherHand.backMs).toBeGreaterThan(0)
})

test('fit recovers the constants of a file of presses', async () => {
  const path = join(folder, 'presses.csv')
  const rows = ['index', 'little'].flatMap((finger) =>
    [0, 19, 24, 38, 57].map((mm) => {
      const slope = finger === 'index' ? 90 : 150
      return `${finger},${mm},18,${100 + slope * Math.log2(mm / 18 + 1)}`
    }),
  )
  writeFileSync(path, ['finger,distanceMm,widthMm,timeMs', ...rows].join('\n'))
  const fit = await json('fit', path)
  expect(fit).toMatchObject({ pressMs: 100, msPerBit: 120, presses: 10, leftOut: 0 })
  expect(fit.fingerFactors).toEqual({ index: 0.75, little: 1.25 })
  writeFileSync(path, 'finger,distanceMm,widthMm,timeMs\nnose,1,18,100\n')
  expect((await cli('fit', path)).stderr).toContain('line 2')
  expect(readFileSync(path, 'utf8')).toContain('nose')
})

describe('check in a build', () => {
  test('exits 1 only for findings at or above the severity asked for', async () => {
    const plan = JSON.parse(readFileSync(demo, 'utf8'))
    const draft = plan.arrangements.find((a: { id: string }) => a.id === 'draft-1')
    draft.placements = [
      { commandId: 'fenmap-hide-shape', trigger: { kind: 'chord', modifiers: [], code: 'F1' } },
    ]
    plan.arrangements.find((a: { id: string }) => a.id === 'defaults').placements = []
    const path = join(folder, 'cautious.reachplot.json')
    writeFileSync(path, JSON.stringify(plan))
    expect((await cli('check', path)).status).toBe(1)
    expect((await cli('check', path, '--fail-on', 'ambiguous')).status).toBe(0)
    expect((await cli('check', demo, '--fail-on', 'blocks')).status).toBe(1)
    expect((await cli('check', demo, '--fail-on', 'never')).stderr).toContain('choose one of blocks')
    // accepted, it is listed as such and fails nothing
    const [found] = (await json('check', path)).clashes
    draft.accepted = [
      { clashId: `${found.kind}:fenmap F1`, commandIds: ['fenmap-hide-shape'], note: 'F1 is spare' },
    ]
    writeFileSync(path, JSON.stringify(plan))
    const again = await cli('check', path, '--json')
    expect(again.status).toBe(0)
    expect(JSON.parse(again.stdout)).toMatchObject({ accepted: 1, clashes: [{ accepted: 'F1 is spare' }] })
  })
  test('--format lines gives one annotation a line, with its file and its title', async () => {
    const lines = (await cli('check', demo, '--format', 'lines')).stdout.trim().split('\n')
    expect(lines.length).toBe(101)
    for (const line of lines)
      expect(line).toMatch(/^::(error|warning|notice) file=[^:,]+,title=[^:,]+::.+\.$/)
    expect((await cli('check', demo, '--format', 'causes')).stdout).toContain(
      'Controls send what the system takes. (3)',
    )
  })
  test('a machine’s own settings count in place of those that ship', async () => {
    const dump = join(folder, 'keys.txt')
    writeFileSync(dump, 'org.gnome.settings-daemon.plugins.media-keys screensaver @as []\n')
    const locked = async (...more: string[]) =>
      (await json('check', demo, ...more)).clashes.filter(
        (c: { kind: string; trigger: string }) => c.kind === 'system-takes' && c.trigger === 'Meta+KeyL',
      ).length
    expect(await locked()).toBe(1)
    expect(await locked('--own-keys', dump)).toBe(0)
    writeFileSync(dump, 'nothing')
    expect((await cli('check', demo, '--own-keys', dump)).stderr).toContain('gsettings list-recursively')
  })
})

test('qap solves a published instance, the same from the same seed', async () => {
  const nug12 = join(root, 'packages/core/test/solve/qaplib/nug12.dat')
  const [a, b] = [
    await cli('qap', nug12, '--seed', '3', '--json'),
    await cli('qap', nug12, '--seed', '3', '--json'),
  ]
  expect(a.stdout).toBe(b.stdout)
  const { cost, permutation } = JSON.parse(a.stdout)
  // QAPLIB: 578 is the optimum
  expect(cost).toBe(578)
  expect(permutation.toSorted((x: number, y: number) => x - y)).toEqual(
    Array.from({ length: 12 }, (_, i) => i + 1),
  )
  expect((await cli('qap', demo)).stderr).toContain('is no number')
})
