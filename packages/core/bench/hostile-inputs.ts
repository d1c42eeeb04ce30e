import { chord, emptyPlan, writePlan, type DrawnDevice, type Plan } from '../src/index.js'

/** Numbers by chance from a seed, 0 up to below 1 (mulberry32). */
export function chance(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}

export type Draw = ReturnType<typeof chance>
const pick = <T>(draw: Draw, from: readonly T[]): T => from[Math.floor(draw() * from.length)] as T
const upTo = (draw: Draw, most: number): number => Math.floor(draw() * most)

/** Values that have broken readers of other things. */
const odd: readonly unknown[] = [
  ...[null, true, 0, -1, 1e308, -1e308, 0.1, 1e-9, 2 ** 53, '', ' ', '..', '.', '/', '\u0000', '__proto__'],
  ...[
    'constructor',
    'toString',
    'hasOwnProperty',
    'valueOf',
    '=1+1',
    '<script>',
    '‮',
    '🦀',
    'x'.repeat(5000),
  ],
  ...['KeyH', 'Control', 'popup/a 1', 'pad/k1', [], {}, [null], { id: 'constructor' }, [[[[]]]]],
]

/** A small plan with a part of every kind, so that every reader and rule has something to do. */
export function smallPlan(): Plan {
  const plan = emptyPlan()
  const key = (id: string, xMm: number): DrawnDevice['controls'][number] => ({
    ...{ id, name: id, type: 'key', shape: 'rect', code: null },
    ...{ xMm, yMm: 10, widthMm: 18, heightMm: 18 },
  })
  const pad: DrawnDevice = {
    ...{ id: 'pad', name: 'Pad', kind: 'drawn', form: 'pad', widthMm: 70, heightMm: 30 },
    controls: [key('k1', 10), key('k2', 29), { ...key('dial', 50), type: 'dial', shape: 'round' }],
    pages: [],
  }
  const deck: DrawnDevice = {
    ...{ id: 'deck', name: 'Deck', kind: 'drawn', form: 'deck', widthMm: 60, heightMm: 30 },
    controls: [key('b1', 10), key('b2', 29)].map((c) => ({ ...c, type: 'button' as const })),
    pages: [
      { id: 'one', name: 'One', programId: 'map', opens: [{ controlId: 'b2', pageId: 'two' }] },
      { id: 'two', name: 'Two', opens: [] },
    ],
  }
  const commands = ['Open', 'Close', 'Zoom in', 'Zoom out', 'Hide shape', 'Show shape', 'Delete', 'Undo'].map(
    (name, i) => ({
      id: `c${i}`,
      programId: 'map',
      contextIds: i % 2 ? ['draw'] : [],
      name,
      menu: ['Edit', name],
      usesPerHour: i * 3,
    }),
  )
  return {
    ...plan,
    devices: [...plan.devices, pad, deck],
    benches: plan.benches.map((bench) => ({
      ...bench,
      devices: [
        ...bench.devices,
        { deviceId: 'pad', xMm: -120, yMm: 0, turnDeg: 10, mirrored: false, heightMm: 0 },
        { deviceId: 'deck', xMm: 0, yMm: -90, turnDeg: 0, mirrored: false, heightMm: 5 },
      ],
    })),
    programs: [
      {
        id: 'map',
        name: 'Map',
        contexts: [
          { id: 'main', name: 'Main', typing: false, overlaps: [] },
          { id: 'draw', name: 'Draw', typing: true, overlaps: ['main'] },
        ],
        menuChord: chord('F10'),
      },
    ],
    commands,
    routines: [
      {
        id: 'r',
        name: 'Round',
        programId: 'map',
        timesPerHour: 4,
        steps: [
          { kind: 'command', commandId: 'c0' },
          { kind: 'command', commandId: 'c2' },
        ],
      },
    ],
    arrangements: [
      {
        id: 'draft',
        name: 'First draft',
        isDefault: false,
        placements: [
          { commandId: 'c0', trigger: chord('KeyO') },
          { commandId: 'c1', trigger: chord('KeyC', ['Control']) },
          { commandId: 'c2', trigger: { kind: 'popup', setId: 'p', entry: 1 } },
          {
            commandId: 'c4',
            trigger: { kind: 'button', modifiers: [], deviceId: 'pad', controlId: 'k1', act: 'press' },
            sends: [chord('F13')],
          },
          {
            commandId: 'c6',
            trigger: { kind: 'turn', modifiers: [], deviceId: 'pad', controlId: 'dial', turn: 'left' },
          },
          {
            commandId: 'c7',
            trigger: {
              kind: 'button',
              modifiers: [],
              deviceId: 'deck',
              controlId: 'b1',
              pageId: 'one',
              act: 'press',
            },
          },
          {
            commandId: 'c5',
            trigger: { kind: 'sequence', chords: [chord('KeyK', ['Control']), chord('KeyS')] },
          },
        ],
        popups: [{ id: 'p', name: 'Set', opener: chord('Space'), at: 'pointer', entries: 8 }],
        accepted: [],
      },
    ],
  }
}

/** Changes a few places of data that is JSON: puts odd values in, drops, doubles and swaps entries. */
export function mutatedJson(draw: Draw, data: unknown, times = 1 + upTo(draw, 2)): unknown {
  const copy = structuredClone(data)
  for (let n = 0; n < times; n++) {
    let holder = copy as Record<string, unknown>
    for (let depth = 0; depth < 8; depth++) {
      const keys = Object.keys(holder)
      if (keys.length === 0) break
      const key = pick(draw, keys)
      const inner = holder[key]
      if (typeof inner === 'object' && inner !== null && Object.keys(inner).length > 0 && draw() < 0.85) {
        holder = inner as Record<string, unknown>
        continue
      }
      const how = draw()
      if (how < 0.5) holder[key] = structuredClone(pick(draw, odd))
      else if (how < 0.62) Reflect.deleteProperty(holder, key)
      else if (how < 0.75 && Array.isArray(holder)) holder.push(structuredClone(inner))
      else if (how < 0.85 && typeof inner === 'string')
        holder[key] = inner + pick(draw, ['', ' ', '\n', inner, '’', '.'])
      else if (how < 0.95 && typeof inner === 'number') holder[key] = inner * pick(draw, [-1, 0, 2, 10, 1.5])
      else holder[String(pick(draw, odd))] = inner
      break
    }
  }
  return copy
}

/** Changes a text: cuts it, repeats a part of it, puts odd pieces in. */
export function mutatedText(draw: Draw, text: string): string {
  let out = text
  for (let n = 1 + upTo(draw, 4); n > 0; n--) {
    const at = upTo(draw, out.length + 1)
    const how = draw()
    if (how < 0.2) out = out.slice(0, at)
    else if (how < 0.4) out = out.slice(0, at) + out.slice(upTo(draw, out.length + 1))
    else if (how < 0.5)
      out =
        out.slice(0, at) +
        pick(draw, ['<', '"', "'", ',', '[', '{', '\t', '-', ' ', '+', '(']).repeat(1 + upTo(draw, 20_000)) +
        out.slice(at)
    else out = out.slice(0, at) + String(pick(draw, odd)).slice(0, 200) + out.slice(at + upTo(draw, 4))
  }
  return out
}

export const smallPlanText = (): string => writePlan(smallPlan())

export const sampleTexts = {
  commands:
    'program,command,contexts,menu,usesPerHour,opposite,note\nMap,Open,everywhere,File > Open,3,,\nMap,Close,Draw;Main,File > Close,"1,5",Open,"a ""note"""\n',
  keys: 'program,command,trigger\nMap,Open,Control+KeyO\nMap,Close,pad/k1\nMap,Zoom in,"Control+KeyK,KeyS"\n',
  log: 'time,program,context,command,how\n2026-05-04T09:00:00Z,Map,Main,Open,key\n2026-05-04T09:00:03Z,Map,Draw,Close,menu\n',
  lines:
    '{"time":"2026-05-04T09:00:00Z","program":"Map","command":"Open","how":"key"}\n{"time":"2026-05-04T09:00:03Z","program":"Map","command":"Close","how":"menu"}\n',
  dump: "org.gnome.desktop.wm.keybindings close ['<Super>q', '<Alt>F4']\norg.gnome.desktop.wm.keybindings maximize @as []\norg.gnome.settings-daemon.plugins.media-keys home ['<Super>e']\norg.gnome.mutter overlay-key 'Super_L'\n",
  path: 'M1 2 L3 4 h5 v6 C1 2 3 4 5 6 a1 2 0 0 1 3 4 Z',
} as const
