import { FileDown } from 'lucide-react'
import {
  characterArcMinutes,
  heightAtMm,
  isPointingDevice,
  modifierName,
  pagesOf,
  papers,
} from '@reach-plot/core'
import { ModifierSign } from '../../shared/modifier-sign.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, useFront } from '../../store/selectors.js'
import { useSettings } from '../../store/settings-store.js'
import { useView } from '../../store/view-store.js'
import { offeredModifiers } from '../plot/layers.js'
import { ListDownload } from './list-download.js'
import { NumberField } from './number-field.js'
import type { LabelChoice } from './use-label-sheet.js'

/** Whose commands are printed, which levels of them, on what paper and how large. */
export function LabelOptionsPanel({ choice }: { choice: LabelChoice }) {
  const plan = usePlan()
  const { around, bench } = useDerived()
  const labelled = plan.devices.filter(
    (d) => bench.devices.some((p) => p.deviceId === d.id) && !isPointingDevice(d) && pagesOf(d).length === 0,
  )
  const options = useSettings((s) => s.labels)
  const set = useSettings((s) => s.set)
  const setOption = (change: Partial<typeof options>): void => set({ labels: { ...options, ...change } })
  const { good, least } = characterArcMinutes
  const heightOf = (arcMinutes: number): string =>
    heightAtMm(arcMinutes, options.readingDistanceMm).toFixed(1)
  return (
    <section
      aria-label="What is printed"
      className="flex w-[280px] shrink-0 flex-col gap-3 overflow-y-auto border-r border-rule bg-panel px-[14px] pt-[10px] pb-4"
    >
      <h2 className="title">Labels</h2>
      <FrontField />
      <label>
        <span className="caption mb-1 block">Device</span>
        <select
          className="field w-full"
          value={choice.deviceId}
          onChange={(e) => choice.setDeviceId(e.target.value)}
        >
          <option value="">all on the bench</option>
          {labelled.map((d) => (
            <option key={d.id} value={d.id}>
              {d.name}
            </option>
          ))}
        </select>
      </label>
      <fieldset>
        <legend className="caption mb-1">Levels with</legend>
        <div className="flex flex-wrap gap-x-4 gap-y-1">
          {offeredModifiers(around.layout).map((m) => (
            <label key={m} className="flex min-h-6 items-center gap-1.5">
              <input
                type="checkbox"
                className="size-4 accent-(--magenta)"
                checked={!choice.without.has(m)}
                onChange={() => choice.toggleModifier(m)}
              />
              <ModifierSign modifier={m} /> {modifierName(m, around.systemId)}
            </label>
          ))}
        </div>
      </fieldset>
      <label className="flex min-h-6 items-center gap-1.5">
        <input
          type="checkbox"
          className="size-4 accent-(--magenta)"
          checked={options.showLegend}
          onChange={(e) => setOption({ showLegend: e.target.checked })}
        />
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
        label="Reading distance, mm"
        value={options.readingDistanceMm}
        least={200}
        most={1200}
        step={10}
        onChange={(readingDistanceMm) => setOption({ readingDistanceMm })}
      />
      <NumberField
        label="Sticker smaller than the cap, each side, mm"
        value={options.insetMm}
        least={0}
        most={5}
        step={0.5}
        onChange={(insetMm) => setOption({ insetMm })}
      />
      <p className="text-ink-2">
        Letters {heightOf(good)} mm high are {good}′ of arc at this distance; below {heightOf(least)} mm (
        {least}′) nothing is printed.
      </p>
      <ListDownload />
      <button
        type="button"
        className="btn btn-main mt-auto"
        disabled={choice.count === 0}
        onClick={() => void choice.savePdf()}
      >
        <FileDown size={15} aria-hidden="true" /> Download {choice.count} labels as PDF
      </button>
    </section>
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
  const at = choices.findIndex((c) => c.programId === front.programId && c.contextId === front.contextId)
  return (
    <label>
      <span className="caption mb-1 block">Commands of</span>
      <select
        className="field w-full"
        value={at}
        onChange={(e) => {
          const chosen = choices[Number(e.target.value)]
          if (chosen) set({ programId: chosen.programId, contextId: chosen.contextId })
        }}
      >
        {choices.map((c, i) => (
          <option key={c.name} value={i}>
            {c.name}
          </option>
        ))}
      </select>
    </label>
  )
}
