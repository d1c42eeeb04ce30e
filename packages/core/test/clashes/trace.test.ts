/** Presses on the demo's bench, followed stage by stage, and what the look-up says of the same keys. */
import { describe, expect, test } from 'vitest'
import {
  holdWaitMs,
  modifierSetRows,
  lookUp,
  parseTrigger,
  environmentOf,
  tracePress,
  triggerKey,
  type Trace,
} from '../../src/index.js'
import { catalogues, demoPlan, draft } from '../work/desk.js'

const env = environmentOf(demoPlan, catalogues, draft)
const press = (text: string, contextId = 'tracing', programId = 'fenmap'): Trace =>
  tracePress(parseTrigger(text, []), { programId, contextId }, draft.placements, env)
const stages = (trace: Trace): string => trace.steps.map((s) => s.stage).join(', ')

describe('a press that arrives', () => {
  test('passes every layer in order and runs its command', () => {
    const trace = press('KeyD')
    expect(stages(trace)).toBe('device, system, text field, program, command')
    expect(trace.commandIds).toEqual(['fenmap-add-vertex'])
    expect(trace.steps.at(-1)!.outcome).toBe('runs')
  })
  test('of a pad key goes as what the pad sends', () => {
    const trace = press('pad/k1')
    expect(trace.commandIds).toEqual(['fenmap-simplify'])
    expect(trace.steps[0]!.text).toContain('sends 4')
  })
  test('of a control that sends nothing is known to the program itself', () => {
    const trace = press('Control+mouse/wheel up', 'overview')
    expect(trace.commandIds).toEqual(['fenmap-zoom-in'])
    expect(trace.steps[0]!.text).toContain('itself')
  })
  test('that walks a menu runs what stands there', () => {
    expect(press('Shift+pad/dial left').commandIds).toEqual(['fenmap-image-darker'])
    expect(press('Shift+pad/dial left').steps.some((s) => s.text.includes('opens its menus'))).toBe(true)
  })
})

describe('a press that does not arrive', () => {
  test('is taken by the system', () => {
    const trace = press('Meta+KeyL')
    expect(trace.commandIds).toEqual([])
    expect(trace.steps.at(-1)).toMatchObject({ stage: 'system', outcome: 'ends' })
  })
  test('types where text is typed', () => {
    const trace = press('KeyT', 'labelling')
    expect(trace.commandIds).toEqual([])
    expect(trace.steps.at(-1)).toMatchObject({ stage: 'text field', outcome: 'ends' })
  })
  test('is lost where no device has the key', () => {
    const trace = press('F13')
    expect(stages(trace)).toBe('device')
    expect(trace.steps[0]!.text).toContain('No device on this bench')
  })
  test('reaches nothing when the control sends what stands nowhere', () => {
    // the pad sends Ctrl+Alt+H, which nothing has
    expect(press('pad/k5').commandIds).toEqual([])
  })
  test('means nothing to a program that is not there', () => {
    expect(press('KeyD', 'tracing', 'nope')).toEqual({ steps: [], commandIds: [], waitMs: 0 })
  })
})

describe('a press that waits', () => {
  test('of a key that is held for something else, until the release', () => {
    const trace = press('KeyM')
    expect(trace.waitMs).toBeGreaterThan(0)
    expect(trace.waitMs).toBeLessThanOrEqual(holdWaitMs)
  })
  test('held long enough it is the other command', () => {
    expect(press('KeyM hold', 'overview').commandIds).toContain('fenmap-toggle-ruler')
  })
  test('brings up a pop-up set, and its places are commands', () => {
    const { opener } = draft.popups.find((s) => s.id === 'shapes')!
    const opened = press(triggerKey(opener))
    expect(opened.commandIds).toEqual([])
    expect(opened.steps.at(-1)!.text).toContain('pop-up set')
  })
})

describe('looking a key up', () => {
  const look = (text: string) => lookUp(parseTrigger(text, []), draft.placements, env)
  test('agrees with the trace in every context', () => {
    for (const text of ['KeyD', 'KeyN', 'Shift+KeyD', 'Control+KeyB', 'KeyQ', 'Escape']) {
      const found = look(text)
      if (found.systemAction !== null) continue
      for (const { program, contexts } of found.programs)
        for (const { id, commands } of contexts) {
          const trace = press(text, id, program.id)
          if (trace.steps.at(-1)?.stage !== 'command') continue
          for (const commandId of trace.commandIds)
            // contexts that are live together bring their commands along
            expect(
              commands.some((c) => c.id === commandId) ||
                program.contexts.find((c) => c.id === id)!.overlaps.length > 0 ||
                program.contexts.some((c) => c.overlaps.includes(id) || c.everywhere === true),
              `${text} in ${id}: ${commandId}`,
            ).toBe(true)
        }
    }
  })
  test('names what the system does, what is typed, and who sends it', () => {
    expect(look('Meta+KeyL').systemAction).toMatch(/lock/i)
    expect(look('KeyT').typed).not.toBeNull()
    expect(look('KeyT').relays.map((r) => triggerKey(r.trigger))).toContain('pad/k3')
    expect(look('F13').lacks).toEqual(['the key F13'])
  })
})

describe('a layer in rows', () => {
  const rows = modifierSetRows(['Control'], draft.placements, env, 'fenmap')
  test('has every key once, bound or free or kept, never two of them', () => {
    const keys = rows.map((r) => triggerKey(r.trigger))
    expect(new Set(keys).size).toBe(keys.length)
    for (const row of rows)
      expect(row.free && (row.commands.length > 0 || row.systemAction !== null)).toBe(false)
  })
  test('holds what the arrangement has there', () => {
    const bound = rows.filter((r) => r.commands.length > 0).map((r) => triggerKey(r.trigger))
    expect(bound).toContain('Control+KeyB')
    expect(rows.every((r) => r.commands.every((c) => c.programId === 'fenmap'))).toBe(true)
  })
})
