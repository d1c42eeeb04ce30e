import { describe, expect, test } from 'vitest'
import { readPlan, writePlan, type Plan } from '@reach-plot/core'
import { stockOf, type Stock } from '@reach-plot/core/drawing'
import { readFileSync } from 'node:fs'
import {
  addIcon,
  dropStock,
  putStock,
  setIcon,
  setKeyLabel,
  setKeyWords,
  setLabelRule,
  setLabelText,
  setShortText,
} from '../src/store/label-edits.js'
import { deleteCommand } from '../src/store/plan-edits.js'

const demo = (): Plan =>
  readPlan(readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))

/** A plan after an edit; it must still be one that opens. */
function after(edit: (plan: Plan) => void): Plan {
  const plan = demo()
  edit(plan)
  return readPlan(writePlan(plan))
}

describe('what a key has of its own', () => {
  test('is set part by part, and the key is forgotten when nothing is left', () => {
    const plan = after((p) => {
      setKeyLabel(p, 'keyboard/KeyH', { shape: 'round', widthMm: 20 })
      setKeyLabel(p, 'keyboard/KeyH', { widthMm: undefined, level: ['Shift'] })
    })
    expect(plan.labels.keys.find((k) => k.controlId === 'keyboard/KeyH')).toEqual({
      controlId: 'keyboard/KeyH',
      shape: 'round',
      level: ['Shift'],
    })
    const back = after((p) => {
      setKeyLabel(p, 'keyboard/KeyH', { shape: 'round' })
      setKeyLabel(p, 'keyboard/KeyH', { shape: undefined })
    })
    expect(back.labels.keys).toEqual(demo().labels.keys)
  })
  test('changes no other key', () => {
    const plan = after((p) => setKeyLabel(p, 'pad/k1', { isHidden: true }))
    expect(plan.labels.keys).toEqual([...demo().labels.keys, { controlId: 'pad/k1', isHidden: true }])
  })
})

describe('what a command says', () => {
  const id = 'fenmap-zoom-in'
  const command = (plan: Plan) => plan.commands.find((c) => c.id === id)!

  test('is a text of its own, trimmed, or its name again', () => {
    const texts = (plan: Plan) => plan.labels.texts.filter((t) => t.commandId === id).map((t) => t.text)
    expect(texts(after((p) => setLabelText(p, id, '  Nearer ')))).toEqual(['Nearer'])
    const twice = after((p) => {
      setLabelText(p, id, 'Nearer')
      setLabelText(p, id, 'Closer')
    })
    expect(texts(twice)).toEqual(['Closer'])
    const back = after((p) => {
      setLabelText(p, id, 'Nearer')
      setLabelText(p, id, ' ')
    })
    expect(texts(back)).toEqual([])
  })
  test('is cut where it would not fit the plan, rather than making it one that does not open', () => {
    const plan = after((p) => {
      setLabelText(p, id, 'x'.repeat(500))
      setShortText(p, id, 'y'.repeat(500))
    })
    expect(plan.labels.texts.find((t) => t.commandId === id)!.text).toHaveLength(120)
    expect(command(plan).label).toHaveLength(60)
  })
  test('has a short text and an icon, which can be taken away again', () => {
    const set = after((p) => {
      setShortText(p, id, 'Near')
      setIcon(p, id, 'map')
    })
    expect([command(set).label, command(set).icon]).toEqual(['Near', 'map'])
    const gone = after((p) => {
      setShortText(p, id, 'Near')
      setIcon(p, id, 'map')
      setShortText(p, id, '')
      setIcon(p, id, null)
    })
    expect([command(gone).label, command(gone).icon]).toEqual([undefined, undefined])
  })
  test('of a command that there is not changes nothing', () => {
    const plan = after((p) => {
      setShortText(p, 'nope', 'x')
      setIcon(p, 'nope', 'map')
    })
    expect(plan).toEqual(demo())
  })
})

describe('icons of one’s own', () => {
  const icon = (name: string) => ({ name, units: 24, paths: [{ d: 'M0 0 L9 9', strokeUnits: 2 }] })
  test('have ids that are free, whatever they are called', () => {
    const ids: string[] = []
    const plan = after((p) => {
      for (const name of ['Tide staff', 'Tide staff', '潮', 'a'.repeat(80)]) ids.push(addIcon(p, icon(name)))
    })
    expect(ids).toEqual(['own-tide-staff-2', 'own-tide-staff-3', 'own-icon', `own-${'a'.repeat(40)}`])
    expect(plan.labels.icons.map((i) => i.id)).toEqual(['own-tide-staff', ...ids])
  })
})

describe('stocks', () => {
  const own: Stock = { ...stockOf('a4-5x13'), id: 'own-9', name: 'Shed labels' }
  test('of one’s own are used at once, changed under their id, and dropped', () => {
    const put = after((p) => {
      putStock(p, own)
      putStock(p, { ...own, name: 'Barn labels' })
    })
    expect(put.labels.rule.stockId).toBe('own-9')
    expect(put.labels.stocks.map((s) => s.name)).toEqual([demo().labels.stocks[0]!.name, 'Barn labels'])
    const dropped = after((p) => {
      putStock(p, own)
      dropStock(p, 'own-9')
    })
    expect(dropped).toEqual(demo())
  })
  test('that are dropped while another is used leave it', () => {
    const plan = after((p) => {
      putStock(p, own)
      setLabelRule(p, { stockId: 'letter' })
      dropStock(p, 'own-9')
    })
    expect(plan.labels.rule.stockId).toBe('letter')
  })
})

describe('what a command says on one key alone', () => {
  const id = 'fenmap-zoom-in'
  const wordsOf = (plan: Plan, controlId: string) =>
    plan.labels.keys.find((k) => k.controlId === controlId)?.words

  test('is its text, short text and icon there, part by part; blanks go back to what the others say', () => {
    const plan = after((p) => {
      setKeyWords(p, 'pad/k3', id, {})
      setKeyWords(p, 'pad/k3', id, { text: '  Come nearer ' })
      setKeyWords(p, 'pad/k3', id, { short: 'Near' })
      setKeyWords(p, 'pad/k3', id, { icon: 'undo' })
      setKeyWords(p, 'pad/k3', id, { short: ' ' })
    })
    expect(wordsOf(plan, 'pad/k3')).toEqual([{ commandId: id, text: 'Come nearer', icon: 'undo' }])
    // what the key has of its own beside it stays
    expect(plan.labels.keys.find((k) => k.controlId === 'pad/k3')).toMatchObject(
      demo().labels.keys.find((k) => k.controlId === 'pad/k3')!,
    )
  })
  test('is forgotten, and goes with its command', () => {
    const given = after((p) => {
      setKeyWords(p, 'pad/k1', id, { text: 'Nearer' })
      setKeyWords(p, 'pad/k1', 'fenmap-undo', { text: 'Back' })
      setLabelText(p, id, 'Closer')
    })
    const without = structuredClone(given) as Plan
    setKeyWords(without, 'pad/k1', id, null)
    expect(wordsOf(without, 'pad/k1')).toEqual([{ commandId: 'fenmap-undo', text: 'Back' }])
    setKeyWords(without, 'pad/k1', 'fenmap-undo', null)
    expect(without.labels.keys).toEqual(demo().labels.keys)
    deleteCommand(given, id)
    expect(wordsOf(given, 'pad/k1')).toEqual([{ commandId: 'fenmap-undo', text: 'Back' }])
    expect(given.labels.texts).toEqual(demo().labels.texts)
  })
})
