import { homeKeys } from '../bench/index.js'
import { noRules } from '../commands/index.js'
import { defaultSpanMm } from '../hand/index.js'
import { defaultLabelDesign } from '../label-design/index.js'
import { noMemory } from '../mnemonics/index.js'
import { defaultHoursPerDay, planVersion, type Plan } from './plan.js'
import { defaultPlaceWeights } from './weights.js'

/** A plan with one keyboard, a left hand on its home keys and an empty arrangement, but no commands yet. */
export const emptyPlan = (): Plan => ({
  format: 'reachplot-plan',
  version: planVersion,
  id: 'new-plan',
  name: 'New plan',
  system: 'gnome',
  layoutId: 'us',
  otherLayoutId: null,
  ownSystemKeys: {},
  devices: [{ id: 'keyboard', name: 'Keyboard', kind: 'board', board: 'ansi-104', bottomRow: 'windows' }],
  benches: [
    {
      id: 'desk',
      name: 'Desk',
      devices: [{ deviceId: 'keyboard', xMm: 0, yMm: 0, turnDeg: 0, mirrored: false, heightMm: 0 }],
      hands: [{ side: 'left', spanMm: defaultSpanMm, deviceId: 'keyboard', rests: homeKeys.left }],
    },
  ],
  programs: [],
  commands: [],
  routines: [],
  hoursPerDay: defaultHoursPerDay,
  usage: null,
  rules: noRules,
  weights: defaultPlaceWeights,
  memory: noMemory,
  labels: defaultLabelDesign,
  arrangements: [
    { id: 'draft', name: 'First draft', isDefault: false, placements: [], popups: [], accepted: [] },
  ],
  activeBenchId: 'desk',
  activeArrangementId: 'draft',
  setNowArrangementId: null,
})
