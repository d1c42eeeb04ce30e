import { useMemo, useState } from 'react'
import {
  heldOf,
  labelPdf,
  pagesOf,
  labelSheet,
  type LabelFont,
  type LabelSheet,
  type Modifier,
} from '@reach-plot/core'
import { download } from '../../shared/download.js'
import { showProblem } from '../../shared/problem.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, useFrontCommands } from '../../store/selectors.js'
import { useSettings } from '../../store/settings-store.js'
import { useLabelFont } from './use-label-font.js'

export interface LabelChoice {
  readonly font: LabelFont | null
  /** labels of all keys, and of those that are not left out; null until the font is read */
  readonly all: LabelSheet | null
  readonly printed: LabelSheet | null
  readonly count: number
  readonly without: ReadonlySet<Modifier>
  readonly hidden: ReadonlySet<string>
  /** only the labels of this device; empty for all */
  readonly deviceId: string
  setDeviceId(id: string): void
  toggleModifier(modifier: Modifier): void
  toggleKey(controlId: string): void
  savePdf(): Promise<void>
}

const toggled = <T>(from: ReadonlySet<T>, item: T): ReadonlySet<T> => {
  const next = new Set(from)
  if (!next.delete(item)) next.add(item)
  return next
}

/** The labels of the program and context in front, as the person's choices would print them. */
export function useLabelSheet(): LabelChoice {
  const plan = usePlan()
  const { around, arrangement } = useDerived()
  const commands = useFrontCommands()
  const options = useSettings((s) => s.labels)
  const font = useLabelFont()
  const [without, setWithout] = useState<ReadonlySet<Modifier>>(new Set())
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set())
  const [deviceId, setDeviceId] = useState('')
  const sheets = useMemo(() => {
    if (!font) return { all: null, printed: null }
    const placements = arrangement.placements.filter((p) => heldOf(p.trigger).every((m) => !without.has(m)))
    const source = { placements, commands, layout: around.layout, systemId: around.systemId }
    // a device with pages shows its labels on screens of its own
    const controls = around.controls.filter(
      (c) =>
        (deviceId === '' || c.deviceId === deviceId) &&
        pagesOf(plan.devices.find((d) => d.id === c.deviceId)).length === 0,
    )
    const shown = controls.filter((c) => !hidden.has(c.id))
    return {
      all: labelSheet({ ...source, controls }, options, font),
      printed: labelSheet({ ...source, controls: shown }, options, font),
    }
  }, [font, arrangement, commands, around, options, without, hidden, deviceId, plan.devices])
  return {
    font,
    ...sheets,
    count: sheets.printed?.pages.flat().length ?? 0,
    without,
    hidden,
    deviceId,
    setDeviceId,
    toggleModifier: (modifier) => setWithout(toggled(without, modifier)),
    toggleKey: (controlId) => setHidden(toggled(hidden, controlId)),
    async savePdf() {
      if (!sheets.printed || !font) return
      try {
        const bytes = await labelPdf(sheets.printed, font, `${plan.name}, ${arrangement.name}`)
        download(new Uint8Array(bytes), 'labels.pdf', 'application/pdf')
      } catch (error) {
        showProblem(error)
      }
    },
  }
}
