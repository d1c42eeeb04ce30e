import { setLabelRule } from '@reach-plot/core'
import { useState } from 'react'
import { deckDevices, labelledDevices, overlayDevices, type SheetKind } from '@reach-plot/core/labels'
import { defaultChangedColour } from '@reach-plot/core/label-design'
import { papers } from '@reach-plot/core/drawing'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived, useFront } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { DistanceField } from './distance-field.js'
import { ColourField, SelectField } from '../../parts/fields.js'
import { LabelRuleFields } from './label-rule-fields.js'
import { StockFields } from './stock-fields.js'
import { sheetsOfAll, type SheetState } from './use-sheet.js'

const kinds: readonly { readonly id: SheetKind; readonly name: string }[] = [
  { id: 'labels', name: 'Labels for key tops' },
  { id: 'deck', name: 'Pictures for a deck' },
  { id: 'strokes', name: 'Stroke cards' },
  { id: 'board', name: 'Whole board, every level' },
  { id: 'overlay', name: 'Overlay in one piece' },
  { id: 'list', name: 'List of all triggers' },
  { id: 'card', name: 'Folded card, two sides' },
  { id: 'calibration', name: 'Calibration page' },
]

const orders = [
  { id: 'context', name: 'by program and context' },
  { id: 'device', name: 'by device' },
  { id: 'modifiers', name: 'by modifiers held' },
] as const

/** What is printed, how its labels are made, and on what. */
export function SheetOptions({
  state,
  onChange,
}: {
  state: SheetState
  onChange: (change: Partial<SheetState>) => void
}) {
  const { kind } = state
  const isLabels = kind === 'labels'
  const isOnKeys = isLabels || kind === 'board' || kind === 'overlay'
  const onStock = isLabels || kind === 'calibration'
  return (
    <section
      aria-label="What is printed"
      className="side flex w-[284px] shrink-0 flex-col gap-2.5 overflow-y-auto border-r border-rule bg-panel px-[14px] pt-[10px] pb-4"
    >
      <SelectField
        label="Sheet"
        value={kind}
        choices={kinds}
        onChange={(id) => onChange({ kind: id, deviceId: null })}
      />
      {sheetsOfAll.has(kind) && (
        <SelectField
          label="Of"
          value={state.ofAll ? 'all' : 'front'}
          choices={[
            { id: 'all', name: 'all programs' },
            { id: 'front', name: 'one program or context' },
          ]}
          onChange={(id) => onChange({ ofAll: id === 'all' })}
        />
      )}
      {(isOnKeys || (sheetsOfAll.has(kind) && !state.ofAll)) && <FrontField />}
      <DeviceField state={state} onChange={onChange} />
      {(kind === 'list' || kind === 'card') && (
        <SelectField
          label="Order"
          value={state.order}
          choices={orders}
          onChange={(order) => onChange({ order })}
        />
      )}
      {onStock ? (
        <StockFields withLabels={isLabels} skip={state.skip} onSkip={(skip) => onChange({ skip })} />
      ) : (
        kind !== 'deck' && <PaperField kind={kind} />
      )}
      {kind === 'card' && (
        <p className="text-[12px] text-ink-2">
          Print on both sides, turned over the short edge, and fold down the middle.
        </p>
      )}
      {kind === 'overlay' && (
        <p className="text-[12px] text-ink-2">
          Every label stands where its key is, in true size. Print at 100 %, cut along the marks and seal it
          under clear film.
        </p>
      )}
      {isOnKeys && <SinceField sinceId={state.sinceId} onChange={(sinceId) => onChange({ sinceId })} />}
      {(isLabels || kind === 'overlay') && <LabelRuleFields />}
      {(kind === 'strokes' || kind === 'deck') && <DistanceField />}
    </section>
  )
}

function DeviceField({
  state,
  onChange,
}: {
  state: SheetState
  onChange: (change: Partial<SheetState>) => void
}) {
  const { env } = useDerived()
  const devices =
    state.kind === 'labels'
      ? labelledDevices(env)
      : state.kind === 'overlay'
        ? overlayDevices(env)
        : state.kind === 'deck'
          ? deckDevices(env)
          : state.kind === 'board'
            ? (env.devices ?? []).filter((d) => env.controls.some((c) => c.id.startsWith(`${d.id}/`)))
            : []
  if (devices.length === 0) return null
  const first = state.kind === 'labels' ? [{ id: '', name: 'all on the bench' }] : []
  const all = [...first, ...devices.map((d) => ({ id: d.id, name: d.name }))]
  return (
    <SelectField
      label="Device"
      value={state.deviceId ?? all[0]?.id ?? ''}
      choices={all}
      onChange={(id) => onChange({ deviceId: id || null })}
    />
  )
}

/** Since when what is new is marked on keys, and in which colour. */
function SinceField({
  sinceId,
  onChange,
}: {
  sinceId: string | null
  onChange: (sinceId: string | null) => void
}) {
  const { arrangements, activeArrangementId, labels } = usePlan()
  const edit = useEdit()
  const others = arrangements.filter((a) => a.id !== activeArrangementId)
  if (others.length === 0) return null
  return (
    <>
      <SelectField
        label="Mark what is new since"
        value={sinceId ?? ''}
        choices={[{ id: '', name: 'nothing is marked' }, ...others.map(({ id, name }) => ({ id, name }))]}
        onChange={(id) => onChange(id || null)}
      />
      {sinceId !== null && (
        <ColourField
          label="In this colour, with a bar beside it"
          value={labels.rule.changedColour ?? defaultChangedColour}
          onChange={(changedColour) =>
            edit((plan) => setLabelRule(plan, { changedColour }), 'label-changedColour')
          }
        />
      )}
    </>
  )
}

/** The program and context in front, chosen here too, since labels are printed for one at a time. */
function FrontField() {
  const plan = usePlan()
  const front = useFront()
  const set = useView((s) => s.set)
  const choices = plan.programs.flatMap((program) =>
    [null, ...program.contexts].map((context) => ({
      programId: program.id,
      contextId: context?.id ?? null,
      name: `${program.name} · ${context?.name ?? 'all contexts'}`,
    })),
  )
  if (choices.length === 0) return null
  const at = choices.findIndex((c) => c.programId === front.programId && c.contextId === front.contextId)
  return (
    <SelectField
      label="Commands of"
      value={String(at)}
      choices={choices.map((c, i) => ({ id: String(i), name: c.name }))}
      onChange={(id) => {
        const chosen = choices[Number(id)]
        if (chosen) set({ programId: chosen.programId, contextId: chosen.contextId })
      }}
    />
  )
}

/** A paper by name, or any by its PWG 5101.1 name. */
function PaperField({ kind }: { kind: SheetKind }) {
  const { rule } = usePlan().labels
  const edit = useEdit()
  const field = kind === 'strokes' ? 'cardPaper' : 'paper'
  const value = rule[field]
  const known = papers.map((p) => ({ id: p.id as string, name: p.name as string }))
  const isOther = !known.some((p) => p.id === value)
  const [draft, setDraft] = useState<string | null>(null)
  const other = draft !== null || isOther
  const save = (paper: string): void =>
    edit((plan) => setLabelRule(plan, { [field]: paper }), `label-${field}`)
  return (
    <>
      <SelectField
        label={kind === 'strokes' ? 'Card' : 'Paper'}
        value={other ? '' : value}
        choices={[...known, { id: '', name: 'another, by its PWG name' }]}
        onChange={(id) => {
          setDraft(id === '' ? value : null)
          if (id !== '') save(id)
        }}
      />
      {other && (
        <label>
          <span className="caption mb-0.5 block">PWG name, as in custom_card_85x54mm</span>
          <input
            className="field w-full"
            value={draft ?? value}
            maxLength={100}
            onChange={(e) => {
              setDraft(e.target.value)
              save(e.target.value)
            }}
          />
        </label>
      )}
    </>
  )
}
