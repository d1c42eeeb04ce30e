import { useState } from 'react'
import { modifierName, setKeyLabel, type Modifier } from '@reach-plot/core'
import type { KeyLabel } from '@reach-plot/core/label-design'
import { ColourField, SelectField, TickField } from '../../parts/fields.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { contentChoices, shapeChoices } from './label-rule-fields.js'

/** What the key has of its own: which level it stands for, its form, size and colours. */
export function KeyFields({ controlId }: { controlId: string }) {
  const { rule, keys } = usePlan().labels
  const { arrangement, env } = useDerived()
  const edit = useEdit()
  const own: Partial<KeyLabel> = keys.find((k) => k.controlId === controlId) ?? {}
  const set = (change: Parameters<typeof setKeyLabel>[2]): void =>
    edit(
      (plan) => setKeyLabel(plan, controlId, change),
      `label-key-${controlId}-${Object.keys(change).join()}`,
    )
  const control = env.controls.find((c) => c.id === controlId)
  const levels = new Map<string, readonly Modifier[]>()
  for (const { trigger } of arrangement.placements) {
    if (trigger.kind === 'popup' || trigger.kind === 'sequence' || trigger.kind === 'stroke') continue
    const controlRef = 'code' in trigger ? trigger.code : `${trigger.deviceId}/${trigger.controlId}`
    if (controlRef === (control?.code ?? controlId))
      levels.set(trigger.modifiers.join('+'), trigger.modifiers)
  }
  const nameOf = (held: readonly Modifier[]): string =>
    held.length === 0 ? 'the plain level' : held.map((m) => modifierName(m, env.systemId)).join('+')
  const byRule = { id: '', name: 'as the rule says' }
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">This key only</legend>
      <div className="mt-1 grid grid-cols-3 gap-x-3 gap-y-2">
        <SelectField
          label="Stands for"
          value={own.level === undefined ? 'all' : own.level.join('+')}
          choices={[
            { id: 'all', name: 'all its levels' },
            ...[...levels].map(([id, held]) => ({ id, name: nameOf(held) })),
          ]}
          onChange={(id) => set({ level: id === 'all' ? undefined : [...(levels.get(id) ?? [])] })}
        />
        <SelectField
          label="Shows"
          value={own.content ?? ''}
          choices={[byRule, ...contentChoices]}
          onChange={(id) => set({ content: contentChoices.find((c) => c.id === id)?.id })}
        />
        <SelectField
          label="Shape"
          value={own.shape ?? ''}
          choices={[byRule, ...shapeChoices]}
          onChange={(id) => set({ shape: shapeChoices.find((c) => c.id === id)?.id })}
        />
        <SizeField label="Width, mm" value={own.widthMm} onChange={(widthMm) => set({ widthMm })} />
        <SizeField label="Height, mm" value={own.heightMm} onChange={(heightMm) => set({ heightMm })} />
        <SizeField
          label="Margin, mm"
          value={own.marginMm}
          least={0}
          most={10}
          onChange={(marginMm) => set({ marginMm })}
        />
      </div>
      <div className="mt-2 flex flex-wrap gap-4">
        <TickField
          checked={own.ink !== undefined || own.keyColour !== undefined}
          onChange={(on) =>
            set(on ? { ink: rule.ink, keyColour: rule.keyColour } : { ink: undefined, keyColour: undefined })
          }
        >
          Colours of its own
        </TickField>
        {own.ink !== undefined && (
          <ColourField label="Ink" value={own.ink} onChange={(ink) => set({ ink })} />
        )}
        {own.keyColour !== undefined && rule.material === 'clear' && (
          <ColourField label="Key" value={own.keyColour} onChange={(keyColour) => set({ keyColour })} />
        )}
      </div>
    </fieldset>
  )
}

/** A length of the key's own; empty for the rule's. */
function SizeField({
  label,
  value,
  least = 4,
  most = 400,
  onChange,
}: {
  label: string
  value: number | undefined
  least?: number
  most?: number
  onChange: (value: number | undefined) => void
}) {
  const [draft, setDraft] = useState<string | null>(null)
  const isGood = (text: string): boolean => text === '' || (Number(text) >= least && Number(text) <= most)
  return (
    <label>
      <span className="caption mb-0.5 block">{label}</span>
      <input
        type="number"
        step={0.5}
        className="field w-full aria-invalid:border-magenta"
        placeholder="by rule"
        title={`${least} to ${most}, or empty`}
        value={draft ?? value ?? ''}
        aria-invalid={draft !== null && !isGood(draft)}
        onChange={(e) => {
          setDraft(e.target.value)
          if (isGood(e.target.value)) onChange(e.target.value === '' ? undefined : Number(e.target.value))
        }}
        onBlur={() => setDraft(null)}
      />
    </label>
  )
}
