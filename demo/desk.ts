import {
  deviceFromModel,
  homeKeys,
  type Bench,
  type Device,
  type DeviceModel,
  type DrawnDevice,
  type PopupSet,
} from '@reach-plot/core'
import { deviceModels } from '@reach-plot/data'

const model = (id: string): DeviceModel => deviceModels.find((m) => m.id === id) as DeviceModel
const made = (modelId: string, id: string, name: string): DrawnDevice =>
  deviceFromModel(model(modelId), id, name)

const deck: DrawnDevice = {
  ...made('deck-15', 'deck', 'Deck of 15 buttons'),
  pages: [
    { id: 'fenmap', name: 'Fenmap', programId: 'fenmap', opens: [{ controlId: 'b15', pageId: 'features' }] },
    { id: 'features', name: 'Features', opens: [{ controlId: 'b15', pageId: null }] },
    {
      id: 'reedcall',
      name: 'Reedcall',
      programId: 'reedcall',
      opens: [{ controlId: 'b15', pageId: 'species' }],
    },
    { id: 'species', name: 'Species', opens: [{ controlId: 'b15', pageId: null }] },
  ],
}

/** What stands on the surveyor's desk and goes on the road. */
export const devices: Device[] = [
  { id: 'keyboard', name: 'Keyboard', kind: 'board', board: 'iso-105', bottomRow: 'windows' },
  {
    id: 'keyboard-left',
    name: 'Keyboard, numbers left',
    kind: 'board',
    board: 'iso-105-left',
    bottomRow: 'windows',
  },
  { id: 'laptop', name: 'Laptop', kind: 'board', board: 'laptop-compact', bottomRow: 'windows' },
  made('pad-20', 'pad', 'Pad of 20 keys'),
  deck,
  made('tablet-6', 'tablet', 'Pen tablet'),
  made('pen-2', 'pen', 'Pen'),
  made('pen-2', 'fine-pen', 'Fine pen'),
  made('mouse', 'mouse', 'Mouse'),
]

const at = (deviceId: string, xMm: number, yMm: number): Bench['devices'][number] => ({
  deviceId,
  xMm,
  yMm,
  turnDeg: 0,
  mirrored: false,
  heightMm: 0,
})

const left = { side: 'left', spanMm: 190 } as const

export const benches: Bench[] = [
  {
    id: 'desk',
    name: 'Desk',
    devices: [
      at('keyboard', 0, 0),
      at('pad', -126, -8),
      { ...at('deck', 60, -112), heightMm: 35 },
      at('tablet', 60, 142),
      at('pen', 374, 160),
      at('fine-pen', 398, 160),
      at('mouse', 446, 0),
    ],
    pointingId: 'mouse',
    hands: [
      {
        ...left,
        deviceId: 'keyboard',
        rests: homeKeys.left,
        otherRests: { pad: { little: 'k6', ring: 'k7', middle: 'k8', index: 'k9' } },
      },
    ],
  },
  {
    id: 'travel',
    name: 'Travel',
    devices: [at('laptop', 0, 0), at('mouse', 310, 0)],
    hands: [{ ...left, deviceId: 'laptop', rests: homeKeys.left }],
  },
]

export const popups: PopupSet[] = [
  {
    id: 'shapes',
    name: 'Shapes',
    opener: { kind: 'button', modifiers: [], deviceId: 'mouse', controlId: 'forward', act: 'press' },
    at: 'pointer',
    entries: 6,
  },
]
