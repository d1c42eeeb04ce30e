import { describe, expect, test } from 'vitest'
import {
  type Plan,
  addIcon,
  dropStock,
  putStock,
  setIcon,
  setKeyLabel,
  setKeyWords,
  setLabelRule,
  setLabelText,
  setShortText,
  deleteCommand,
} from '../../src/index.js'
import { after, demo } from './after.js'
import { stockOf, type Stock } from '../../src/drawing/index.js'

describe('what a key has of its own', () => {
  test('is set part by part, and the key is forgotten when nothing is left', () => {
    const plan = after(
      (p) => setKeyLabel(p, 'keyboard/KeyH', { shape: 'round', widthMm: 20 }),
      (p) => setKeyLabel(p, 'keyboard/KeyH', { widthMm: undefined, level: ['Shift'] }),
    )
    expect(plan.labels.keys.find((k) => k.controlId === 'keyboard/KeyH')).toEqual({
      controlId: 'keyboard/KeyH',
      shape: 'round',
      level: ['Shift'],
    })
    const back = after(
      (p) => setKeyLabel(p, 'keyboard/KeyH', { shape: 'round' }),
      (p) => setKeyLabel(p, 'keyboard/KeyH', { shape: undefined }),
    )
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
    const twice = after(
      (p) => setLabelText(p, id, 'Nearer'),
      (p) => setLabelText(p, id, 'Closer'),
    )
    expect(texts(twice)).toEqual(['Closer'])
    const back = after(
      (p) => setLabelText(p, id, 'Nearer'),
      (p) => setLabelText(p, id, ' '),
    )
    expect(texts(back)).toEqual([])
  })
  test('is cut where it would not fit the plan, rather than making it one that does not open', () => {
    const plan = after(
      (p) => setLabelText(p, id, 'x'.repeat(500)),
      (p) => setShortText(p, id, 'y'.repeat(500)),
    )
    expect(plan.labels.texts.find((t) => t.commandId === id)!.text).toHaveLength(120)
    expect(command(plan).label).toHaveLength(60)
  })
  test('has a short text and an icon, which can be taken away again', () => {
    const set = after(
      (p) => setShortText(p, id, 'Near'),
      (p) => setIcon(p, id, 'map'),
    )
    expect([command(set).label, command(set).icon]).toEqual(['Near', 'map'])
    const gone = after(
      (p) => setShortText(p, id, 'Near'),
      (p) => setIcon(p, id, 'map'),
      (p) => setShortText(p, id, ''),
      (p) => setIcon(p, id, null),
    )
    expect([command(gone).label, command(gone).icon]).toEqual([undefined, undefined])
  })
  test('of a command that there is not changes nothing', () => {
    const plan = after(
      (p) => setShortText(p, 'nope', 'x'),
      (p) => setIcon(p, 'nope', 'map'),
    )
    expect(plan).toEqual(demo())
  })
})

describe('icons of one’s own', () => {
  const icon = (name: string) => ({ name, units: 24, paths: [{ d: 'M0 0 L9 9', strokeUnits: 2 }] })
  test('have ids that are free, whatever they are called', () => {
    const names = ['Tide staff', 'Tide staff', '潮', 'a'.repeat(80)]
    const plan = after(...names.map((name) => (p: Plan) => addIcon(p, icon(name))))
    const ids = plan.labels.icons.slice(-names.length).map((i) => i.id)
    expect(ids).toEqual(['own-tide-staff-2', 'own-tide-staff-3', 'own-icon', `own-${'a'.repeat(40)}`])
    expect(plan.labels.icons.map((i) => i.id)).toEqual(['own-tide-staff', ...ids])
  })
})

describe('stocks', () => {
  const own: Stock = { ...stockOf('a4-5x13'), id: 'own-9', name: 'Shed labels' }
  test('of one’s own are used at once, changed under their id, and dropped', () => {
    const put = after(
      (p) => putStock(p, own),
      (p) => putStock(p, { ...own, name: 'Barn labels' }),
    )
    expect(put.labels.rule.stockId).toBe('own-9')
    expect(put.labels.stocks.map((s) => s.name)).toEqual([demo().labels.stocks[0]!.name, 'Barn labels'])
    const dropped = after(
      (p) => putStock(p, own),
      (p) => dropStock(p, 'own-9'),
    )
    expect(dropped).toEqual(demo())
  })
  test('that are dropped while another is used leave it', () => {
    const plan = after(
      (p) => putStock(p, own),
      (p) => setLabelRule(p, { stockId: 'letter' }),
      (p) => dropStock(p, 'own-9'),
    )
    expect(plan.labels.rule.stockId).toBe('letter')
  })
})

describe('what a command says on one key alone', () => {
  const id = 'fenmap-zoom-in'
  const wordsOf = (plan: Plan, controlId: string) =>
    plan.labels.keys.find((k) => k.controlId === controlId)?.words

  test('is its text, short text and icon there, part by part; blanks go back to what the others say', () => {
    const plan = after(
      (p) => setKeyWords(p, 'pad/k3', id, {}),
      (p) => setKeyWords(p, 'pad/k3', id, { text: '  Come nearer ' }),
      (p) => setKeyWords(p, 'pad/k3', id, { short: 'Near' }),
      (p) => setKeyWords(p, 'pad/k3', id, { icon: 'undo' }),
      (p) => setKeyWords(p, 'pad/k3', id, { short: ' ' }),
    )
    expect(wordsOf(plan, 'pad/k3')).toEqual([{ commandId: id, text: 'Come nearer', icon: 'undo' }])
    // what the key has of its own beside it stays
    expect(plan.labels.keys.find((k) => k.controlId === 'pad/k3')).toMatchObject(
      demo().labels.keys.find((k) => k.controlId === 'pad/k3')!,
    )
  })
  test('is forgotten, and goes with its command', () => {
    const given = after(
      (p) => setKeyWords(p, 'pad/k1', id, { text: 'Nearer' }),
      (p) => setKeyWords(p, 'pad/k1', 'fenmap-undo', { text: 'Back' }),
      (p) => setLabelText(p, id, 'Closer'),
    )
    const without = setKeyWords(given, 'pad/k1', id, null)
    expect(wordsOf(without, 'pad/k1')).toEqual([{ commandId: 'fenmap-undo', text: 'Back' }])
    expect(setKeyWords(without, 'pad/k1', 'fenmap-undo', null).labels.keys).toEqual(demo().labels.keys)
    const gone = deleteCommand(given, id)
    expect(wordsOf(gone, 'pad/k1')).toEqual([{ commandId: 'fenmap-undo', text: 'Back' }])
    expect(gone.labels.texts).toEqual(demo().labels.texts)
  })
})
