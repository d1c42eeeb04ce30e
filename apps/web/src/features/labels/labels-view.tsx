import { useState } from 'react'
import { Subtabs } from '../../parts/subtabs.js'
import { LabelRows, SheetSummary } from './label-rows.js'
import { PrintPanel } from './print-panel.js'
import { SavePanel } from './save-panel.js'
import { SheetOptions } from './sheet-options.js'
import { SheetPreview } from './sheet-preview.js'
import { useFile } from './use-file.js'
import { firstSheet, useSheet } from './use-sheet.js'

const tabs = [
  { id: 'labels', name: 'One by one' },
  { id: 'out', name: 'Save and print' },
] as const

/** What is printed at the left, how it will look, and at the right each label or the ways to get it out. */
export function LabelsView() {
  const [state, setState] = useState(firstSheet)
  const [tab, setTab] = useState<'labels' | 'out'>('labels')
  const view = useSheet(state)
  const maker = useFile()
  const change = (part: Partial<typeof state>): void => setState({ ...state, ...part })
  const isLabels = state.kind === 'labels'
  const isOut = !isLabels || tab === 'out'
  return (
    <>
      <SheetOptions state={state} onChange={change} />
      <SheetPreview key={state.kind} view={view} kind={state.kind} />
      <section
        aria-label={isOut ? 'Save and print' : 'One by one'}
        className="side flex w-[330px] shrink-0 flex-col border-l border-rule bg-panel"
      >
        {isLabels && (
          <Subtabs
            label="Labels and output"
            tabs={tabs}
            chosen={tab}
            onChoose={setTab}
            className="h-9 border-b border-rule px-1"
          />
        )}
        {isOut ? (
          <div className="min-h-0 overflow-y-auto">
            {!isLabels && <SheetSummary view={view} />}
            <SavePanel view={view} state={state} maker={maker} onDpi={(dpi) => change({ dpi })} />
            <PrintPanel view={view} state={state} maker={maker} />
          </div>
        ) : (
          <LabelRows view={view} dpi={state.dpi} />
        )}
      </section>
    </>
  )
}
