import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import type { Plan } from '@reach-plot/core'
import { facesFor } from '@reach-plot/label-fonts'
import { labelFont } from '../src/label-font.js'
import { cli, demo, folder, json } from './run.js'

const names = {
  Greek: 'Σχεδίασε γραμμή',
  Cyrillic: 'Нарисовать линию',
  Hebrew: 'שמור קו',
  Chinese: '画一条新的线',
  Japanese: '線を描いて保存する',
  Korean: '새 선을 그리기',
}

/** The example with other names for its first commands that have a key. */
function renamed(words: readonly string[]): string {
  const plan = JSON.parse(readFileSync(demo, 'utf8')) as Plan
  const placed = new Set(plan.arrangements[0]!.placements.map((p) => p.commandId))
  const commands = plan.commands.filter((c) => placed.has(c.id))
  const after = new Map(words.map((name, i) => [commands[i]!.id, name]))
  const path = join(folder, 'scripts.reachplot.json')
  writeFileSync(
    path,
    JSON.stringify({
      ...plan,
      commands: plan.commands.map((c) => ({ ...c, name: after.get(c.id) ?? c.name })),
    }),
  )
  return path
}

describe('names in other scripts', () => {
  test('stand in the PDF as they were written, as poppler reads it', async () => {
    const out = join(folder, 'scripts.pdf')
    const { status } = await cli('labels', renamed(Object.values(names)), '--kind', 'list', '--out', out)
    expect(status).toBe(0)
    // poppler marks the direction of what runs left
    const words = execFileSync('pdftotext', [out, '-'], { encoding: 'utf8' }).replace(/[\u202a-\u202e]/g, '')
    for (const name of Object.values(names)) expect(words).toContain(name)
  })
  test.each(Object.entries({ ...names, Arabic: 'ارسم خطًا جديدًا' }))('%s has every sign', (_script, name) => {
    const font = labelFont(name)
    expect(font.missing(name)).toEqual([])
    expect(font.outline(name, 2, 0, 0)).toMatch(/^M/)
  })
  test('Arabic letters join: the word is narrower than its letters, and is drawn, not written', () => {
    const font = labelFont('سلام')
    const apart = [...'سلام'].reduce((sum, letter) => sum + font.widthMm(letter, 2), 0)
    expect(font.widthMm('سلام', 2)).toBeLessThan(apart * 0.9)
    expect(labelFont('ارسم خطًا').runs('خطًا')[0]!.isJoined).toBe(true)
  })
  test('a Latin plan takes no more files, kana takes those of Japanese', () => {
    expect(labelFont('Zoom in').files).toHaveLength(2)
    expect(facesFor([...'線']).map((f) => f.family)).toEqual(['noto-sans-sc'])
    expect([...new Set(facesFor([...'線を']).map((f) => f.family))]).toEqual(['noto-sans-jp'])
  })
  test('a sign that no font has is named', async () => {
    const plan = renamed(['Duck 🦆'])
    const answer = await json('labels', plan, '--out', join(folder, 'duck.pdf'))
    expect(JSON.stringify(answer)).toContain('no sign for 🦆')
  })
})
