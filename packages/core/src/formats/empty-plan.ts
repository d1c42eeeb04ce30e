import { homeKeys } from '../bench/index.js'
import { defaultSpanMm } from '../hand/index.js'
import { planVersion, type Plan } from './plan.js'

/** A plan with one keyboard, a left hand on its home keys and an empty arrangement, but no commands yet. */
export const emptyPlan = (): Plan => ({
  format: 'reachplot-plan',
  version: planVersion,
  name: 'New plan',
  system: 'gnome',
  layoutId: 'us',
  devices: [{ id: 'keyboard', name: 'Keyboard', kind: 'board', board: 'ansi-104', bottomRow: 'windows' }],
  benches: [
    {
      id: 'desk',
      name: 'Desk',
      devices: [{ deviceId: 'keyboard', xMm: 0, yMm: 0, turnDeg: 0, mirrored: false }],
      hands: [{ side: 'left', spanMm: defaultSpanMm, deviceId: 'keyboard', rests: homeKeys.left }],
    },
  ],
  programs: [],
  commands: [],
  routines: [],
  usage: null,
  arrangements: [{ id: 'draft', name: 'First draft', isDefault: false, placements: [], popups: [] }],
  activeBenchId: 'desk',
  activeArrangementId: 'draft',
})
