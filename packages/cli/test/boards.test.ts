import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { cli, demo, folder, json } from './run.js'

const geometry = join(folder, 'board.geometry')
writeFileSync(
  geometry,
  `xkb_geometry "half" { description="Half"; shape "NORM" { { [18,18] } }; key.gap=1;
   section "Keys" { left=10; top=10; angle=15; row { keys { <AC01>, <AC02>, <AC03>, <AC04>, <AC05> }; }; };
   section "Thumb" { left=70; top=60; angle=15; row { keys { <SPCE> }; }; }; };`,
)

describe('device and reach', () => {
  test('a geometry file becomes a device, on which a hand makes chords', async () => {
    const out = join(folder, 'half.device.json')
    expect(await json('device', 'read', geometry, '--geometry', 'half', '--out', out)).toMatchObject({
      form: 'xkb',
      controls: 6,
      withCode: 6,
      turned: 6,
    })
    expect(JSON.parse(readFileSync(out, 'utf8'))).toMatchObject({ format: 'reachplot-device' })
    const rests = 'index=KeyF,middle=KeyD,ring=KeyS,little=KeyA,thumb=Space'
    const reach = (keys: string) =>
      json('reach', '--device', out, '--hand', 'left', '--rests', rests, '--keys', keys)
    expect(await reach('Space+KeyD')).toMatchObject({
      verdict: 'rest',
      fingers: { Space: 'thumb', KeyD: 'middle' },
    })
    expect(await reach('KeyG')).toMatchObject({ verdict: 'easy', fingers: { KeyG: 'index' } })
  })
  test('what cannot be read says where, and exits 2', async () => {
    const broken = join(folder, 'broken.geometry')
    writeFileSync(broken, 'xkb_geometry "x" {\n section "A" { row { keys { <AC01> <AC02> }; }; }; };')
    const { status: code, stderr: err } = await cli('device', 'read', broken)
    expect(code).toBe(2)
    expect(err).toContain('line 2')
    expect((await cli('reach', '--device', geometry, '--rests', 'elbow=KeyF')).status).toBe(2)
  })
})

test('limits: the next chord to ask about, and a fit of what was said', async () => {
  const answers = join(folder, 'answers.json')
  const first = await json('limits', demo)
  expect(first).toMatchObject({ answers: 0, reach: null, foretold: null })
  writeFileSync(
    answers,
    JSON.stringify([
      { chord: first.next, felt: 'away' },
      { chord: ['keyboard/KeyT'], felt: 'stretch' },
    ]),
  )
  const out = join(folder, 'fitted.reachplot.json')
  const fitted = await json('limits', demo, '--answers', answers, '--out', out)
  expect(fitted.reach).toMatchObject({ answers: 2 })
  expect(fitted.next).not.toEqual(first.next)
  expect((await json('diff', demo, out)).differences.length).toBeGreaterThan(0)
  writeFileSync(answers, '[{"chord": "KeyT"}]')
  expect((await cli('limits', demo, '--answers', answers)).status).toBe(2)
})

test('bench --standing: where a device serves best, and what is no question', async () => {
  const { now, best, gainSecondsPerHour } = await json('bench', demo, '--standing', 'pad')
  expect(best.secondsPerHour).toBeLessThanOrEqual(now.secondsPerHour)
  expect(gainSecondsPerHour).toBeGreaterThanOrEqual(0)
  expect((await cli('bench', demo, '--standing', 'mouse')).status).toBe(2)
  expect((await cli('bench', demo, '--standing', 'nothing')).status).toBe(2)
})
