import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { decode, encode } from '@reach-plot/ipp'
import { catalogues } from '../../../data/index.js'
import {
  benchCandidates,
  CoreError,
  dayLoad,
  findClashes,
  pageFor,
  placesOn,
  prepare,
  prepareWork,
  rankPlaces,
  readCommandCsv,
  readDevice,
  readOwnKeys,
  readPlacementCsv,
  readPlan,
  salvagePlan,
  usageReader,
  writeCommandCsv,
  writeDevice,
  writePlan,
  type Plan,
} from '../src/index.js'
import { labelDesignSchema, ownIconSchema } from '../src/label-design/index.js'
import { loadLabelFont, type LabelFont } from '../src/drawing/index.js'
import { iconSet, makeSheet } from '../src/labels/index.js'
import {
  chance,
  mutatedJson,
  mutatedText,
  sampleTexts,
  smallPlan,
  smallPlanText,
  type Draw,
} from './hostile-inputs.js'

const require = createRequire(import.meta.url)
let font: LabelFont | null = null
const labelFont = (): LabelFont =>
  (font ??= loadLabelFont([
    readFileSync(
      require.resolve('@fontsource/barlow-condensed/files/barlow-condensed-latin-500-normal.woff'),
    ),
  ]))

/** An input that a reader took, and what is then done with it. */
type Attack = (draw: Draw) => { readonly input: string; readonly read: () => unknown }

const base = smallPlan()
const baseText = smallPlanText()
const gnome = catalogues.systems.find((s) => s.id === 'gnome') as (typeof catalogues.systems)[number]
const us = catalogues.layouts.find((l) => l.id === 'us') as (typeof catalogues.layouts)[number]
const noIcons = iconSet({ nodes: {}, tags: {} }, [])

/** All that the app does with a plan once it is open. */
export function useAll(plan: Plan): void {
  writePlan(plan)
  writeCommandCsv(plan)
  const model = prepare(plan, catalogues)
  const { env, index, arrangement } = model
  findClashes(arrangement.placements, env)
  const [command] = plan.commands
  if (command) {
    const candidates = benchCandidates(index, [[]], (id) => pageFor(id, command.programId, env))
    const ranked = rankPlaces(placesOn(command, candidates, model.reachAt, index, plan.weights))
    for (const { totalMs } of ranked)
      if (!Number.isFinite(totalMs)) throw new Error('a cost that is no number')
  }
  const { context } = prepareWork(model)
  const day = dayLoad(plan.commands, plan.routines, plan.hoursPerDay, context)
  if (JSON.stringify(day).includes('null,"ms"')) throw new Error('a time that is no number')
  makeSheet(
    { title: plan.name, placements: arrangement.placements, env, design: plan.labels, icons: noIcons },
    { kind: 'labels', deviceId: null, skip: 0, order: 'context', contextId: null, programId: null },
    labelFont(),
  )
}

const attacks: Readonly<Record<string, Attack>> = {
  plan: (draw) => {
    const input = JSON.stringify(mutatedJson(draw, base))
    return { input, read: () => useAll(readPlan(input)) }
  },
  'plan as text': (draw) => {
    const input = mutatedText(draw, baseText)
    return { input, read: () => useAll(readPlan(input)) }
  },
  mend: (draw) => {
    const input = JSON.stringify(mutatedJson(draw, base, 3))
    return {
      input,
      read: () => {
        const salvaged = salvagePlan(input)
        if (salvaged) readPlan(writePlan(salvaged.plan))
      },
    }
  },
  commands: (draw) => {
    const input = mutatedText(draw, sampleTexts.commands)
    return { input, read: () => readCommandCsv(input, base) }
  },
  keys: (draw) => {
    const input = mutatedText(draw, sampleTexts.keys)
    return { input, read: () => readPlacementCsv(input, base) }
  },
  log: (draw) => {
    const input = mutatedText(draw, draw() < 0.5 ? sampleTexts.log : sampleTexts.lines)
    return {
      input,
      read: () => {
        const reader = usageReader(base, draw() < 0.5 ? 'log.csv' : 'log.jsonl')
        for (let i = 0; i < input.length; i += 997) reader.push(input.slice(i, i + 997))
        return reader.finish()
      },
    }
  },
  dump: (draw) => {
    const input = mutatedText(draw, sampleTexts.dump)
    return {
      input,
      read: () => {
        const { own } = readOwnKeys(input, gnome, us)
        // what is taken must be a plan that can be read again
        readPlan(writePlan({ ...base, ownSystemKeys: { gnome: own } }))
      },
    }
  },
  device: (draw) => {
    const device = base.devices[1] as Plan['devices'][number]
    const input =
      draw() < 0.5
        ? mutatedText(draw, writeDevice(device))
        : JSON.stringify({ format: 'reachplot-device', version: 1, device: mutatedJson(draw, device) })
    return { input, read: () => readDevice(input, 'device.json') }
  },
  stock: (draw) => {
    const grid = {
      kind: 'grid',
      id: 'own-1',
      name: 'Grid',
      media: 'iso_a4_210x297mm',
      labelWidthMm: 38,
      labelHeightMm: 21,
      round: false,
      rows: 13,
      columns: 5,
      pitchXMm: 40.5,
      pitchYMm: 21.5,
      leftMm: 5,
      topMm: 10,
    }
    const input = JSON.stringify(
      mutatedJson(draw, { ...base.labels, stocks: [grid], rule: { ...base.labels.rule, stockId: 'own-1' } }),
    )
    return {
      input,
      read: () => {
        const read = labelDesignSchema.safeParse(JSON.parse(input))
        if (read.success) useAll({ ...base, labels: read.data })
      },
    }
  },
  icon: (draw) => {
    const input = mutatedText(draw, sampleTexts.path)
    return {
      input,
      read: () => {
        const read = ownIconSchema.safeParse({
          id: 'own-a',
          name: 'A',
          units: 24,
          paths: [{ d: input, strokeUnits: 2 }],
        })
        if (!read.success) return
        useAll({ ...base, labels: { ...base.labels, icons: [read.data] } })
      },
    }
  },
}

const ippMessage = encode({
  operation: 'Print-Job',
  id: 7,
  operationAttributes: { 'printer-uri': 'ipp://localhost/ipp/print', 'job-name': 'Labels [ticket]' },
  jobs: [{ copies: 2, 'media-col': { 'media-size': { 'x-dimension': 1400, 'y-dimension': 2100 } } }],
})

/** Messages of the printing protocol with octets changed, cut and doubled: read, or refused by an error that is no hang. */
function attackIpp(draw: Draw, inputs: number): { readonly taken: number; readonly longestMs: number } {
  let [taken, longestMs] = [0, 0]
  for (let n = 0; n < inputs; n++) {
    let bytes = Buffer.from(ippMessage)
    for (let changes = 1 + Math.floor(draw() * 8); changes > 0; changes--) {
      const at = Math.floor(draw() * bytes.length)
      const how = draw()
      if (how < 0.1) bytes = bytes.subarray(0, at + 1)
      else if (how < 0.2)
        bytes = Buffer.concat([bytes.subarray(0, at), bytes.subarray(Math.floor(draw() * bytes.length))])
      else bytes[at] = Math.floor(draw() * 256)
    }
    const start = performance.now()
    try {
      decode(bytes)
      taken++
    } catch {
      // no message
    }
    longestMs = Math.max(longestMs, performance.now() - start)
  }
  return { taken, longestMs }
}

/** What an attack found: errors without a code, and inputs that took long. */
export interface HostileReport {
  readonly inputs: number
  /** inputs that were taken, by reader */
  readonly taken: Readonly<Record<string, number>>
  readonly uncoded: readonly string[]
  readonly slow: readonly string[]
  readonly longestMs: number
}

/** Throws inputs at every reader; the same ones for the same seed. */
export function attack(seed: number, inputs: number, slowMs: number): HostileReport {
  const draw = chance(seed)
  const names = Object.keys(attacks)
  const taken: Record<string, number> = {}
  const uncoded: string[] = []
  const slow: string[] = []
  let longestMs = 0
  useAll(base)
  for (let n = 0; n < inputs; n++) {
    const name = names[n % names.length] as string
    const { input, read } = (attacks[name] as Attack)(draw)
    const start = performance.now()
    try {
      read()
      taken[name] = (taken[name] ?? 0) + 1
    } catch (error) {
      if (!(error instanceof CoreError))
        uncoded.push(
          `${name}: ${(error as Error).stack?.split('\n').slice(0, 3).join(' ') ?? String(error)} on ${input.slice(0, 300)}`,
        )
    }
    const ms = performance.now() - start
    longestMs = Math.max(longestMs, ms)
    if (ms > slowMs) slow.push(`${name}: ${Math.round(ms)} ms on ${input.slice(0, 200)}`)
  }
  return { inputs, taken, uncoded, slow, longestMs }
}

/** `npm run bench hostile`: every reader under a hundred thousand seeded inputs. */
export function benchHostile(): void {
  const { inputs, taken, uncoded, slow, longestMs } = attack(1, 100_000, 200)
  const counts = Object.entries(taken).map(([name, count]) => `${name} ${count}`)
  console.log(`hostile inputs: ${inputs}, taken: ${counts.join(', ')}; longest ${Math.round(longestMs)} ms`)
  console.log(`errors without a code: ${uncoded.length} (0 wanted); over 200 ms: ${slow.length} (0 wanted)`)
  const ipp = attackIpp(chance(2), 100_000)
  console.log(
    `printing protocol: 100000 messages, taken ${ipp.taken}; longest ${Math.round(ipp.longestMs)} ms`,
  )
  for (const line of [...uncoded, ...slow].slice(0, 20)) console.log(`  ${line}`)
}
