import { modifierName, type Modifier, setLabelRule } from '@reach-plot/core'
import { characterArcMinutes, heightAtMm } from '@reach-plot/core/labels'
import type { Content, LabelRule } from '@reach-plot/core/label-design'
import { ModifierSign } from '../../parts/modifier-sign.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { offeredModifiers } from '../../parts/held-sets.js'
import { DistanceField } from './distance-field.js'
import { TickField, SelectField } from '../../parts/fields.js'
import { NumberField } from '../../parts/number-field.js'

export const contentChoices: readonly { readonly id: Content; readonly name: string }[] = [
  { id: 'text', name: 'words' },
  { id: 'icon-text', name: 'an icon over words' },
  { id: 'icon', name: 'an icon alone' },
]

export const shapeChoices: readonly { readonly id: LabelRule['shape']; readonly name: string }[] = [
  { id: 'key', name: 'as the key top' },
  { id: 'rect', name: 'rectangular' },
  { id: 'round', name: 'round' },
]

const levelChoices = [
  { id: 'lines', name: 'one under the other' },
  { id: 'places', name: 'each in its corner' },
] as const

/** The rule by which all labels are made at once. */
export function LabelRuleFields() {
  const { rule } = usePlan().labels
  const { env } = useDerived()
  const edit = useEdit()
  const set = (change: Partial<LabelRule>): void =>
    edit((plan) => setLabelRule(plan, change), `label-${Object.keys(change).join()}`)
  const toggle = (modifier: Modifier): void =>
    set({
      without: rule.without.includes(modifier)
        ? rule.without.filter((m) => m !== modifier)
        : [...rule.without, modifier],
    })
  const { good, least } = characterArcMinutes
  const heightOf = (arcMinutes: number): string => heightAtMm(arcMinutes, rule.readingDistanceMm).toFixed(1)
  return (
    <>
      <h3 className="caption mt-1 border-t border-rule pt-2">One rule for all keys</h3>
      <SelectField
        label="Shows"
        value={rule.content}
        choices={contentChoices}
        onChange={(content) => set({ content })}
      />
      <fieldset>
        <legend className="caption mb-0.5">Levels with</legend>
        <div className="flex flex-wrap gap-x-3 gap-y-0.5">
          {offeredModifiers(env.layout).map((m) => (
            <TickField key={m} checked={!rule.without.includes(m)} onChange={() => toggle(m)}>
              <ModifierSign modifier={m} /> {modifierName(m, env.systemId)}
            </TickField>
          ))}
        </div>
      </fieldset>
      <SelectField
        label="Several levels"
        value={rule.levels}
        choices={levelChoices}
        onChange={(levels) => set({ levels })}
      />
      <div>
        <TickField checked={rule.showLegend} onChange={(showLegend) => set({ showLegend })}>
          The key’s own letter too
        </TickField>
        <TickField checked={rule.showChord} onChange={(showChord) => set({ showChord })}>
          The chord in words under each command
        </TickField>
      </div>
      <SelectField
        label="Shape"
        value={rule.shape}
        choices={shapeChoices}
        onChange={(shape) => set({ shape })}
      />
      <NumberField
        label="Smaller than the key top, each side, mm"
        value={rule.marginMm}
        least={0}
        most={5}
        step={0.5}
        onChange={(marginMm) => set({ marginMm })}
      />
      <DistanceField>
        <p className="text-[12px] text-ink-2">
          Letters {heightOf(good)} mm high are {good}′ of arc at this distance; below {heightOf(least)} mm (
          {least}′) nothing is printed.
        </p>
      </DistanceField>
    </>
  )
}
