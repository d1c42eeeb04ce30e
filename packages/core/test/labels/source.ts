import { boardControls, type Control } from '../../src/index.js'
import {
  defaultLabelDesign,
  defaultLabelRule,
  type KeyLabel,
  type LabelDesign,
  type LabelRule,
} from '../../src/label-design/index.js'
import type { LabelSource } from '../../src/labels/index.js'
import { envWith, command, placements } from '../build.js'
import { icons } from '../../../print/test/tools.js'

/** A design with the rule, and what keys have of their own, as a test needs them. */
export const design = (
  rule: Partial<LabelRule> = {},
  keys: readonly KeyLabel[] = [],
  more: Partial<LabelDesign> = {},
): LabelDesign => ({
  ...defaultLabelDesign,
  rule: { ...defaultLabelRule, ...rule },
  keys: [...keys],
  ...more,
})

const commands = [
  command('Hide shape'),
  command('Show all shapes'),
  command('Measure'),
  command('Lock layer'),
]

/** Controls as they are on a bench: with the device before their names. */
export const onBench = (controls: readonly Control[], deviceId = 'keyboard'): Control[] =>
  controls.map((c) => ({ ...c, id: `${deviceId}/${c.id}` }))

export const source = (
  given: Readonly<Record<string, string>> = {
    'hide-shape': 'KeyH',
    'show-all-shapes': 'Shift+KeyH',
    measure: 'KeyM',
  },
  labels: LabelDesign = design(),
  change: Partial<LabelSource> = {},
): LabelSource => ({
  placements: placements(given),
  commands,
  controls: onBench(boardControls('ansi-104', 'windows')),
  layout: envWith([]).layout,
  systemId: 'gnome',
  design: labels,
  icons,
  ...change,
})
