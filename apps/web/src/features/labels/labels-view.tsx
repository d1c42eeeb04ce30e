import { FileDown } from 'lucide-react'
import { useMemo, useState } from 'react'
import {
  arcMinutesOf,
  characterArcMinutes,
  heightAtMm,
  keyLegend,
  labelPdf,
  labelSheet,
  liveContexts,
  modifierName,
  papers,
  type LabelSheet,
  type PlacedLabel,
} from '@reach-plot/core'
import { download } from '../../shared/download.js'
import { ModifierSign } from '../../shared/modifier-sign.js'
import { showProblem } from '../../shared/problem.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, useFront } from '../../store/selectors.js'
import { useSettings } from '../../store/settings-store.js'
import { useView } from '../../store/view-store.js'
import { offeredModifiers } from '../plot/layers.js'
import { SheetPreview } from './sheet-preview.js'
import { useLabelFont } from './use-label-font.js'

/** Labels for the key tops of the program and context in front: what is printed, how it will look, what cannot be read. */
export function LabelsView() {
  const plan = usePlan()
  const { around, arrangement } = useDerived()
  const front = useFront()
  const setView = useView((s) => s.set)
  const options = useSettings((s) => s.labels)
  const set = useSettings((s) => s.set)
  const font = useLabelFont()
  const [without, setWithout] = useState<ReadonlySet<string>>(new Set())
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set())
  const [page, setPage] = useState(0)
  const program = plan.programs.find((p) => p.id === front.programId)
  const commands = useMemo(
    () =>
      program
        ? plan.commands.filter(
            (c) =>
              c.programId === program.id &&
              (front.contextId === null || liveContexts(c, program).includes(front.contextId)),
          )
        : [],
    [plan.commands, program, front.contextId],
  )
  const placements = useMemo(
    () => arrangement.placements.filter((p) => p.trigger.modifiers.every((m) => !without.has(m))),
    [arrangement, without],
  )
  const sheetOf = useMemo(() => {
    if (!font) return null
    const source = { placements, commands, layout: around.layout, systemId: around.systemId }
    return {
      all: labelSheet({ ...source, controls: around.controls }, options, font),
      printed: labelSheet(
        { ...source, controls: around.controls.filter((c) => !hidden.has(c.id)) },
        options,
        font,
      ),
    }
  }, [font, placements, commands, around, options, hidden])
  const sheet = sheetOf?.printed ?? null
  const count = sheet?.pages.flat().length ?? 0
  const shownPage = Math.min(page, Math.max(0, (sheet?.pages.length ?? 1) - 1))
  const setOption = (change: Partial<typeof options>): void => set({ labels: { ...options, ...change } })
  const save = async (): Promise<void> => {
    if (!sheet || !font) return
    try {
      const bytes = await labelPdf(sheet, font, `${plan.name}, ${arrangement.name}`)
      download(new Uint8Array(bytes), 'labels.pdf', 'application/pdf')
    } catch (error) {
      showProblem(error)
    }
  }
  const toggleIn = (from: ReadonlySet<string>, id: string): Set<string> => {
    const next = new Set(from)
    if (!next.delete(id)) next.add(id)
    return next
  }

  return (
    <>
      <section
        aria-label="What is printed"
        className="flex w-[280px] shrink-0 flex-col gap-3 overflow-y-auto border-r border-rule bg-panel px-[14px] pt-[10px] pb-4"
      >
        <h2 className="title">Labels</h2>
        <label>
          <span className="caption mb-1 block">Commands of</span>
          <select
            className="field w-full"
            value={`${front.programId}/${front.contextId ?? ''}`}
            onChange={(e) => {
              const [p, c] = e.target.value.split('/')
              setView({ programId: p ?? null, contextId: c === '' || c === undefined ? null : c })
            }}
          >
            {/* prettier-ignore */}
            {plan.programs.flatMap((p) =>
              [null, ...p.contexts].map((c) => (
                <option key={`${p.id}/${c?.id ?? ''}`} value={`${p.id}/${c?.id ?? ''}`}>
                  {p.name} · {c?.name ?? 'all contexts'}
                </option>
              )),
            )}
          </select>
        </label>
        <fieldset>
          <legend className="caption mb-1">Levels with</legend>
          <div className="flex flex-wrap gap-x-4 gap-y-1">
            {offeredModifiers(around.layout).map((m) => (
              <label key={m} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="size-4 accent-(--magenta)"
                  checked={!without.has(m)}
                  onChange={() => setWithout(toggleIn(without, m))}
                />
                <ModifierSign modifier={m} /> {modifierName(m, around.systemId)}
              </label>
            ))}
          </div>
        </fieldset>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-(--magenta)"
            checked={options.showLegend}
            onChange={(e) => setOption({ showLegend: e.target.checked })}
          />{' '}
          The key’s own letter too
        </label>
        <label>
          <span className="caption mb-1 block">Paper</span>
          <select
            className="field w-full"
            value={options.paper}
            onChange={(e) => setOption({ paper: e.target.value })}
          >
            {papers.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
        <NumberField
          label="Reading distance"
          unit="mm"
          value={options.readingDistanceMm}
          least={200}
          most={1200}
          step={10}
          onChange={(readingDistanceMm) => setOption({ readingDistanceMm })}
        />
        <NumberField
          label="Sticker smaller than the cap, each side"
          unit="mm"
          value={options.insetMm}
          least={0}
          most={5}
          step={0.5}
          onChange={(insetMm) => setOption({ insetMm })}
        />
        <p className="text-ink-2">
          Letters {heightAtMm(characterArcMinutes.good, options.readingDistanceMm).toFixed(1)} mm high are{' '}
          {characterArcMinutes.good}′ of arc at this distance; below{' '}
          {heightAtMm(characterArcMinutes.least, options.readingDistanceMm).toFixed(1)} mm (
          {characterArcMinutes.least}′) nothing is printed.
        </p>
        <button
          type="button"
          className="btn btn-main mt-auto"
          disabled={count === 0}
          onClick={() => void save()}
        >
          <FileDown size={15} aria-hidden="true" /> Download {count} labels as PDF
        </button>
      </section>
      <section aria-label="Preview" className="flex min-w-0 grow flex-col items-center gap-2 p-4">
        <p className="caption self-start">
          Sheet in true proportion · {sheet?.paper.widthMm.toFixed(0)} x {sheet?.paper.heightMm.toFixed(0)} mm
        </p>
        <div className="flex min-h-0 grow justify-center">
          {sheet && font && count > 0 ? (
            <SheetPreview sheet={sheet} page={shownPage} font={font} />
          ) : (
            <p className="pt-8 text-ink-2">
              {font
                ? 'Nothing to print here. Place commands on the Plot, or choose another context.'
                : 'Reading the label font …'}
            </p>
          )}
        </div>
        {sheet && sheet.pages.length > 1 && (
          <div className="flex items-center gap-2">
            <button
              type="button"
              className="btn"
              disabled={shownPage === 0}
              onClick={() => setPage(shownPage - 1)}
            >
              Previous page
            </button>
            {shownPage + 1} of {sheet.pages.length}
            <button
              type="button"
              className="btn"
              disabled={shownPage === sheet.pages.length - 1}
              onClick={() => setPage(shownPage + 1)}
            >
              Next page
            </button>
          </div>
        )}
      </section>
      <section
        aria-label="Labels one by one"
        className="flex w-[330px] shrink-0 flex-col border-l border-rule bg-panel"
      >
        <div className="px-[14px] pt-[10px] pb-2">
          <p className="caption">One by one</p>
          <p className="text-ink-2">
            {count} printed
            {sheetOf && sheetOf.all.unreadable.length > 0 && (
              <>
                ,{' '}
                <b className="text-magenta">
                  {sheetOf.all.unreadable.length} cannot be read and are left out
                </b>
              </>
            )}
          </p>
        </div>
        <ul className="min-h-0 grow overflow-y-auto border-t border-ink">
          {sheetOf &&
            rowsOf(sheetOf.all).map((row) => (
              <li key={row.controlId} className="flex gap-2 border-b border-rule px-[14px] py-[5px]">
                <input
                  type="checkbox"
                  className="mt-0.5 size-4 shrink-0 accent-(--magenta)"
                  aria-label={`Print the label of ${keyLegend(row.controlId, around.layout, around.systemId)}`}
                  disabled={row.reason !== null}
                  checked={row.reason === null && !hidden.has(row.controlId)}
                  onChange={() => setHidden(toggleIn(hidden, row.controlId))}
                />
                <span className="w-[52px] shrink-0 truncate font-chart text-[14px] font-semibold">
                  {keyLegend(row.controlId, around.layout, around.systemId)}
                </span>
                <span className="min-w-0 grow">
                  {row.text}
                  {row.label && (
                    <span className="block text-[12px] text-ink-2">
                      {row.label.shortened && 'shortened, '}letters {row.capMm.toFixed(1)} mm,{' '}
                      {Math.round(arcMinutesOf(row.capMm, options.readingDistanceMm))}′
                    </span>
                  )}
                  {row.reason !== null && (
                    <span className="block text-[12px] text-magenta">{row.reason}</span>
                  )}
                </span>
              </li>
            ))}
        </ul>
      </section>
    </>
  )
}

interface LabelRow {
  readonly controlId: string
  readonly text: string
  readonly label: PlacedLabel | null
  readonly capMm: number
  readonly reason: string | null
}

/** Labels that print and labels that cannot, those first. */
const rowsOf = (sheet: LabelSheet): LabelRow[] => [
  ...sheet.unreadable.map((u) => ({
    controlId: u.controlId,
    text: '',
    label: null,
    capMm: 0,
    reason: u.reason,
  })),
  ...sheet.pages.flat().map((label) => ({
    controlId: label.controlId,
    text: entryTexts(label).join(' · '),
    label,
    capMm: label.lines[0]?.capMm ?? 0,
    reason: null,
  })),
]

/** Each command of a label in one line, as it is printed. */
const entryTexts = (label: PlacedLabel): string[] => {
  const texts: string[] = []
  for (const line of label.lines)
    if (line.entry >= 0) texts[line.entry] = [texts[line.entry], line.text].filter(Boolean).join(' ')
  return texts
}

function NumberField({
  label,
  unit,
  value,
  least,
  most,
  step,
  onChange,
}: {
  label: string
  unit: string
  value: number
  least: number
  most: number
  step: number
  onChange: (value: number) => void
}) {
  return (
    <label>
      <span className="caption mb-1 block">
        {label}, {unit}
      </span>
      <input
        type="number"
        className="field w-[110px]"
        value={value}
        min={least}
        max={most}
        step={step}
        onChange={(e) => {
          const next = Number(e.target.value)
          if (e.target.value !== '' && next >= least && next <= most) onChange(next)
        }}
      />
    </label>
  )
}
