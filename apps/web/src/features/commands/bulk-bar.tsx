import { useState } from 'react'
import { toast } from 'sonner'
import { commandKinds, damageLevels, type Command, deleteCommand, editCommand } from '@reach-plot/core'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** Changes many commands at once, in one step that can be undone. */
export function BulkBar({ chosen, onClear }: { chosen: readonly Command[]; onClear: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const [factor, setFactor] = useState('')
  const programIds = new Set(chosen.map((c) => c.programId))
  const program = programIds.size === 1 ? plan.programs.find((p) => programIds.has(p.id)) : undefined
  const each = (change: (command: Command) => Partial<Omit<Command, 'id'>>, told: string): void => {
    edit((plan) => chosen.reduce((p, c) => editCommand(p, c.id, change(c)), plan))
    toast(`${chosen.length} commands: ${told}`, { action: undoAction() })
  }
  const pick = (
    label: string,
    options: readonly (readonly [string, string])[],
    run: (value: string) => void,
    title?: string,
  ) => (
    <select
      className="field"
      aria-label={label}
      title={title}
      value=""
      disabled={options.length === 0}
      onChange={(e) => e.target.value !== '' && run(e.target.value)}
    >
      <option value="">{label} …</option>
      {options.map(([value, name]) => (
        <option key={value} value={value}>
          {name}
        </option>
      ))}
    </select>
  )
  const value = Number(factor.replace(',', '.'))
  const good = factor.trim() !== '' && value >= 0 && value <= 1000
  return (
    <div
      role="group"
      aria-label="Change the chosen commands"
      className="flex shrink-0 flex-wrap items-center gap-2 border-t border-ink bg-panel px-[14px] py-2"
    >
      <b>{chosen.length} chosen</b>
      {pick(
        'Live in',
        program ? [['*', 'everywhere'], ...program.contexts.map((c) => [c.id, c.name] as const)] : [],
        (id) => each(() => ({ contextIds: id === '*' ? [] : [id] }), 'contexts set'),
        program ? undefined : 'Only for commands of one program',
      )}
      {pick(
        'Kind',
        commandKinds.map((k) => [k, k] as const),
        (kind) => each(() => ({ kind: kind as Command['kind'] & string }), `kind ${kind}`),
      )}
      {pick('Cost of a slip', [['none', 'none'], ...damageLevels.map((d) => [d, d] as const)], (level) =>
        each(
          (c) =>
            ({
              damage: level === 'none' ? undefined : { level, wayOut: c.damage?.wayOut ?? '' },
            }) as Partial<Command>,
          `cost of a slip ${level}`,
        ),
      )}
      <form
        className="flex items-center gap-1"
        onSubmit={(e) => {
          e.preventDefault()
          if (good)
            each(
              (c) => ({ usesPerHour: Math.min(100_000, Math.round(c.usesPerHour * value * 100) / 100) }),
              `uses × ${value}`,
            )
        }}
      >
        <label htmlFor="bulk-uses">Uses ×</label>
        <input
          id="bulk-uses"
          className="field w-[64px]"
          inputMode="decimal"
          placeholder="0.5"
          value={factor}
          onChange={(e) => setFactor(e.target.value)}
        />
        <button type="submit" className="btn" disabled={!good}>
          Apply
        </button>
      </form>
      <button
        type="button"
        className="btn"
        onClick={() => {
          edit((plan) => chosen.reduce((p, c) => deleteCommand(p, c.id), plan))
          toast(`${chosen.length} commands are deleted, with their placements`, { action: undoAction() })
          onClear()
        }}
      >
        Delete
      </button>
      <button type="button" className="btn ml-auto" onClick={onClear}>
        Choose none
      </button>
    </div>
  )
}
