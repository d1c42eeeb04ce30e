import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { cli, demo, json } from './run.js'

test('setup: what to change where, in order, with what each step waits for', async () => {
  const found = await json('setup', demo, '--from', 'defaults', '--to', 'draft-1')
  expect(found).toMatchObject({ from: 'defaults', to: 'draft-1' })
  expect(found.steps[0]).toMatchObject({ kind: 'system', command: null })
  const ids: string[] = found.steps.map((s: { id: string }) => s.id)
  for (const [i, step] of found.steps.entries())
    for (const id of step.after) expect(ids.indexOf(id), step.id).toBeLessThan(i)
  expect(
    (await json('setup', demo, '--from', 'draft-1', '--to', 'draft-1')).steps.every(
      (s: { kind: string }) => s.kind === 'system',
    ),
  ).toBe(true)
})

test('setup --out: the list as PDF, page, text and table', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'reach-plot-setup-'))
  const written = async (ending: string): Promise<Buffer> => {
    const out = join(folder, `list.${ending}`)
    await json('setup', demo, '--from', 'defaults', '--to', 'draft-1', '--out', out)
    return readFileSync(out)
  }
  expect((await written('pdf')).subarray(0, 5).toString()).toBe('%PDF-')
  expect((await written('html')).toString()).toContain('Select none · Edit › Select › None')
  expect((await written('md')).toString()).toContain('- [ ] Edit › Select › None: Select none: Take')
  expect((await written('csv')).toString()).toContain('where,menu,command,now,becomes,what to do')
  expect((await cli('setup', demo, '--out', join(folder, 'list.doc'))).status).toBe(2)
})

test('keyfile: an arrangement over a program’s own key file, changing only what changes', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'reach-plot-keyfile-'))
  const [path, out] = [join(folder, 'keys.conf'), join(folder, 'new.conf')]
  writeFileSync(
    path,
    '# my keys\nbind ctrl+shift+k "Close outline"\nbind g "Show grid"\nbind ctrl+h "No such thing"\n',
  )
  const found = await json('keyfile', demo, path, '--program', 'fenmap', '--out', out)
  expect(found.found).toBe(2)
  expect(readFileSync(out, 'utf8')).toBe(
    '# my keys\nbind f "Close outline"\nbind g "Show grid"\nbind ctrl+h "No such thing"\n',
  )
  expect(found.changes).toEqual([
    { line: 2, was: 'bind ctrl+shift+k "Close outline"', becomes: 'bind f "Close outline"' },
  ])
  expect((await cli('keyfile', demo, path, '--program', 'nothing')).status).toBe(2)
  const keeping = join(folder, 'keeping.json')
  const plan = JSON.parse(readFileSync(demo, 'utf8'))
  plan.keyFiles = [{ id: 'k', programId: 'fenmap', name: 'mine', text: readFileSync(path, 'utf8') }]
  writeFileSync(keeping, JSON.stringify(plan))
  const kept = await json('keyfile', keeping, '--program', 'fenmap', '--kept', 'mine')
  expect(kept.changes).toEqual(found.changes)
  expect((await cli('keyfile', keeping, '--program', 'fenmap')).stderr).toMatch(
    /give --kept with one of mine/,
  )
})

test('page: one file for people without the app', async () => {
  const out = join(mkdtempSync(join(tmpdir(), 'reach-plot-page-')), 'page.html')
  expect(await json('page', demo, '--out', out)).toMatchObject({ arrangement: 'draft-1' })
  expect(readFileSync(out, 'utf8')).toContain('Close outline')
  expect((await cli('page', demo)).stderr).toMatch(/--out is missing/)
})

/** A colleague who has one key otherwise, and no deck. */
function annaPlan(): string {
  const folder = mkdtempSync(join(tmpdir(), 'reach-plot-standard-'))
  const anna = join(folder, 'anna.reachplot.json')
  const plan = JSON.parse(readFileSync(demo, 'utf8'))
  const draft = plan.arrangements.find((a: { id: string }) => a.id === 'draft-1')
  draft.placements.find((p: { commandId: string }) => p.commandId === 'fenmap-close-outline').trigger.code =
    'F6'
  plan.benches.find((b: { id: string }) => b.id === plan.activeBenchId).devices = plan.benches
    .find((b: { id: string }) => b.id === plan.activeBenchId)
    .devices.filter((d: { deviceId: string }) => d.deviceId !== 'deck')
  writeFileSync(anna, JSON.stringify(plan))
  return anna
}

test('standard: who deviates where, and whom it does not serve', async () => {
  const anna = annaPlan()
  const found = await json('standard', demo, anna, demo)
  expect(found.people[0]).toMatchObject({ who: 'anna', deviations: 1, lacking: [] })
  expect(found.people[1]).toMatchObject({ deviations: 0 })
  expect(found.commands[0]).toMatchObject({
    command: 'fenmap-close-outline',
    deviates: [{ who: 'anna', own: 'F6' }],
  })
  const lost = found.commands.flatMap((c: { unfit: { who: string; why: string }[] }) => c.unfit)
  expect(
    lost.some((u: { who: string; why: string }) => u.who === 'anna' && u.why === 'not on their bench'),
  ).toBe(true)
})

test('standard --follow: a plan takes what is proposed, and has nothing to take a second time', async () => {
  const out = join(mkdtempSync(join(tmpdir(), 'reach-plot-follow-')), 'anna.json')
  const first = await json('standard', demo, annaPlan(), '--follow', out)
  expect(first.changes.map((c: { command: string }) => c.command)).toContain('fenmap-close-outline')
  const again = await json('standard', demo, out, '--follow', join(out, '../again.json'))
  expect(again.changes).toEqual([])
  expect(again.keptDeviations).toBe(first.deviations.length)
})

test('bench --places: what is left without a key on another bench gets one of its own there', async () => {
  const out = join(mkdtempSync(join(tmpdir(), 'reach-plot-travel-')), 'travel.json')
  const found = await json('bench', demo, '--compare', 'desk', 'travel', '--places', out)
  expect(found.places.length).toBeGreaterThan(20)
  const left = await json('bench', out, '--compare', 'desk', 'travel')
  const before = await json('bench', demo, '--compare', 'desk', 'travel')
  expect(left.without.length).toBe(before.without.length - found.places.length)
})

test('codes: what a device sends, as a table and for systemd', async () => {
  const found = await json('codes', demo, '--device', 'keyboard')
  expect(found.lines).toContain(',KeyA,pressed,KeyA,0x07,0x04,')
  expect(
    (await cli('codes', demo, '--device', 'keyboard', '--out', join(tmpdir(), 'board.hwdb'))).stderr,
  ).toMatch(/no key of it sends another code/)
})
