/** The check and the trace ask the same stages: what one says must hold in the other. */
import { describe, expect, test } from 'vitest'
import {
  findClashes,
  liveContexts,
  parseTrigger,
  tracePress,
  triggerKey,
  type Command,
  type Environment,
  type Placed,
  type PopupSet,
  type Program,
} from '../../src/index.js'
import { browserChords, inputMethodOf, textActions } from '../../src/hosts/index.js'
import { catalogues, layouts, systems } from '@reach-plot/data'
import { command } from '../build.js'
import { fenmap, reedcall, scene } from './desk.js'

/** Numbers by chance from a seed (Park and Miller). */
function chance(seed: number): () => number {
  let state = seed
  return () => (state = (state * 48271) % 2147483647) / 2147483647
}
const draw = chance(7)
const pick = <T>(from: readonly T[]): T => from[Math.floor(draw() * from.length)] as T

const codes = [
  ...['KeyC', 'KeyI', 'KeyM', 'KeyW', 'KeyZ', 'KeyU', 'KeyL', 'KeyH', 'KeyQ', 'KeyV'],
  ...['Tab', 'Enter', 'Escape', 'Backspace', 'Space', 'Home', 'ArrowLeft', 'F1', 'F11', 'F12', 'Delete'],
  ...['Digit2', 'Digit7', 'Semicolon', 'BracketLeft', 'Numpad7', 'PageDown', 'Period', 'ContextMenu'],
]
const held = ['Control', 'Shift', 'Alt', 'AltGraph', 'Meta']
const pointed = [
  'mouse/wheel',
  'mouse/wheel up',
  'pad/k1',
  'pad/k2',
  'pad/dial left',
  'mouse/plain stroke 2/8',
]
const randomTrigger = () => {
  if (draw() < 0.05) return parseTrigger(pick(['popup/set 2', 'popup/set 3']))
  const with1 = draw() < 0.75 ? [pick(held)] : []
  const with2 = draw() < 0.35 ? [pick(held)] : []
  const modifiers = [...new Set([...with1, ...with2])]
  const last = draw() < 0.2 ? pick(pointed) : pick(codes)
  return parseTrigger([...modifiers, last].join('+'))
}

const hosts: readonly Partial<Program>[] = [
  {},
  { host: 'browser' },
  { host: 'browser', takesHostKeys: true },
  { host: 'terminal' },
  { host: 'terminal', takesHostKeys: true },
  { host: 'terminal', extendedKeys: true },
  { frees: ['Control+wheel', 'wheel', 'middle'], restsWhileTyping: true },
]
const commands = Array.from({ length: 10 }, (_, i) =>
  command(`Act ${i}`, {
    id: `act-${i}`,
    contextIds: i % 3 === 0 ? [] : i % 3 === 1 ? ['tracing'] : ['labelling'],
  }),
)

/** Environments over three systems, four layouts and the hosts. */
const environments = ['gnome', 'windows', 'macos'].flatMap((systemId) =>
  ['us', 'de', 'fr', 'se'].flatMap((layoutId) =>
    hosts.map((host): { env: Environment; program: Program } => {
      const layout = layouts.find((l) => l.id === layoutId)!
      const id = systemId as Environment['systemId']
      const program = { ...fenmap, ...host }
      const { env } = scene({
        systemId: id,
        system: systems.find((s) => s.id === systemId)!,
        layout,
        programs: [program, reedcall],
        commands,
        browserKeys: browserChords(catalogues.browserKeys, layout, id),
        terminal: catalogues.terminal,
        textActions: textActions(catalogues.standardKeys, layout, id),
        inputMethod: inputMethodOf(
          systemId === 'gnome' ? catalogues.inputMethods[0] : undefined,
          layoutId === 'fr' ? 'ContextMenu' : undefined,
          layout,
        ),
      })
      return { env, program }
    }),
  ),
)

/** A pop-up set opens by any press but one of a set. */
function randomOpener(): PopupSet['opener'] {
  const opener = randomTrigger()
  return opener.kind === 'popup' || opener.kind === 'sequence' ? randomOpener() : opener
}

const placedAt = (commandId: string): Placed => ({ commandId, trigger: randomTrigger() })

describe('10,000 random presses', () => {
  test('what the check blocks never runs in the trace, and what does not run has a finding', () => {
    let presses = 0
    let ran = 0
    while (presses < 10_000) {
      const { env: without, program } = pick(environments)
      const set = { id: 'set', name: 'Set', at: 'pointer', entries: 4, opener: randomOpener() } as const
      const env = { ...without, popups: [set] }
      const placements = commands.map((c) => placedAt(c.id))
      const clashes = findClashes(placements, env)
      for (const { commandId, trigger } of placements) {
        const of = commands.find((c) => c.id === commandId) as Command
        const contextId = pick(liveContexts(of, program))
        const trace = tracePress(trigger, { programId: program.id, contextId }, placements, env)
        const key = triggerKey(trigger)
        const found = clashes.filter((c) => c.commandIds.includes(of.id) && triggerKey(c.trigger) === key)
        const runs = trace.commandIds.includes(of.id)
        const said = `${env.systemId} ${env.layout.id} ${program.host ?? ''} ${contextId}: ${key} ${JSON.stringify(found.map((c) => [c.kind, c.severity]))} ${JSON.stringify(trace.steps.at(-1))}`
        if (found.some((c) => c.severity === 'blocks')) expect(runs, said).toBe(false)
        if (!runs) expect(found.length, said).toBeGreaterThan(0)
        presses++
        if (runs) ran++
      }
    }
    // neither all nor none
    expect(ran).toBeGreaterThan(presses * 0.2)
    expect(ran).toBeLessThan(presses * 0.9)
  })
})
