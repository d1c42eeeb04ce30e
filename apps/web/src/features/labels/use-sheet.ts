import { useEffect, useMemo, useState } from 'react'
import { CoreError, onBench } from '@reach-plot/core'
import { makeSheet, type Label, type Sheet, type SheetChoice, type SheetKind } from '@reach-plot/core/labels'
import type { PrintCheck } from '@reach-plot/print'
import { noCalibration, type Adjust, type LabelFont } from '@reach-plot/core/drawing'
import { showProblem } from '../../store/problem.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, useFront } from '../../store/selectors.js'
import { useCalibrations } from '../../store/personal-store.js'
import { checkLabels } from '../../worker/label-client.js'
import { useIcons } from '../../parts/icons/use-icons.js'
import { useLabelFont } from './use-label-font.js'

/** What is shown and printed beside what the plan says about labels. */
export interface SheetState {
  readonly kind: SheetKind
  readonly deviceId: string | null
  readonly skip: number
  readonly order: SheetChoice['order']
  readonly dpi: number
  /** lists: of all programs, or of the program and context in use */
  readonly ofAll: boolean
  /** the arrangement since which what is new is marked; null for no marks */
  readonly sinceId: string | null
}

export const firstSheet: SheetState = {
  kind: 'labels',
  deviceId: null,
  skip: 0,
  order: 'context',
  dpi: 203,
  ofAll: true,
  sinceId: null,
}

/** Sheets that can be of all programs. */
export const sheetsOfAll: ReadonlySet<SheetKind> = new Set(['list', 'card', 'strokes'] as const)

export interface SheetView {
  /** null until the font and the icons are read */
  readonly font: LabelFont | null
  readonly sheet: Sheet | null
  /** why there is nothing to show, in words; empty when there is */
  readonly nothing: string
  readonly title: string
  readonly adjust: Adjust
  /** control → what a printer of one ink makes of its label; empty until it is known */
  readonly checks: ReadonlyMap<string, PrintCheck>
}

/** The sheet that the person has chosen, as it would be printed now. */
export function useSheet(state: SheetState): SheetView {
  const plan = usePlan()
  const { env, arrangement } = useDerived()
  const front = useFront()
  const font = useLabelFont()
  const icons = useIcons()
  const calibrations = useCalibrations()
  const title = `${plan.name}, ${arrangement.name}`
  const design = plan.labels
  const { kind, deviceId, skip, order, ofAll } = state
  const { programId, contextId } = front
  const { placements } = arrangement
  const since = plan.arrangements.find((a) => a.id === state.sinceId)
  const before = since && onBench(since, plan.activeBenchId).placements
  const made = useMemo(() => {
    if (!font || !icons) return { sheet: null, nothing: '' }
    // lists and cards are of everything, unless those of the program in use are wanted
    const isOfAll = sheetsOfAll.has(kind) && ofAll
    const choice: SheetChoice = {
      ...{ kind, deviceId, skip, order },
      contextId: isOfAll ? null : contextId,
      programId: isOfAll ? null : programId || null,
    }
    try {
      const sheet = makeSheet({ title, placements, env, design, icons, before }, choice, font)
      return { sheet, nothing: '' }
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      const { what, remedy } = error.detail
      return { sheet: null, nothing: [what, remedy].map(asSentence).join(' ') }
    }
  }, [
    font,
    icons,
    before,
    title,
    placements,
    env,
    design,
    kind,
    deviceId,
    skip,
    order,
    ofAll,
    programId,
    contextId,
  ])
  const stockId = made.sheet?.stock.id ?? ''
  const adjust = useMemo(
    (): Adjust => ({
      // a calibration page is printed as the printer is, to be measured
      calibration: kind === 'calibration' ? noCalibration : (calibrations[stockId] ?? noCalibration),
      mirror: kind === 'labels' && design.rule.mirror,
    }),
    [kind, calibrations, stockId, design.rule.mirror],
  )
  const checks = useChecks(made.sheet?.labels?.labels ?? noLabels, state.dpi)
  return { font, ...made, title, adjust, checks }
}

const asSentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`

const noLabels: readonly Label[] = []

/** Looks at the labels in a worker, a moment after the last change. */
function useChecks(labels: readonly Label[], dpi: number): ReadonlyMap<string, PrintCheck> {
  const [checks, setChecks] = useState<ReadonlyMap<string, PrintCheck>>(new Map())
  useEffect(() => {
    let isCurrent = true
    const timer = setTimeout(() => {
      const given = labels.map(({ drawing, round }) => ({ drawing, round }))
      checkLabels(given, dpi).then((found) => {
        if (isCurrent) setChecks(new Map(labels.map((label, i) => [label.controlId, found[i] as PrintCheck])))
      }, showProblem)
    }, 250)
    return () => {
      isCurrent = false
      clearTimeout(timer)
    }
  }, [labels, dpi])
  return checks
}
