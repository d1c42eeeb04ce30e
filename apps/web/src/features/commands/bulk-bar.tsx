import { howMany } from '../../parts/words.js'
import { toast } from '../../store/message.js'
import {
  backToDefaults,
  commandKinds,
  damageLevels,
  deleteCommand,
  takeOffKeys,
  type Command,
} from '@reach-plot/core'
import { DealDialog } from '../../parts/deal/deal-dialog.js'
import { undoAction } from '../../store/actions.js'
import { useBulkBar, type BulkBarView } from './use-bulk-bar.js'

/** Changes many commands at once, in one step that can be undone. */
export function BulkBar(props: { chosen: readonly Command[]; onClear: () => void }) {
  const view = useBulkBar(props)
  const { chosen, program, each, edit, onKeys, onClear, dealing, setDealing, targets } = view
  return (
    <div
      role="group"
      aria-label="Change the chosen commands"
      className="flex shrink-0 flex-wrap items-center gap-2 border-t border-ink bg-panel px-[14px] py-2"
    >
      <b>{chosen.length} chosen</b>
      <Pick
        label="Live in"
        options={
          program ? [['*', 'everywhere'], ...program.contexts.map((c) => [c.id, c.name] as const)] : []
        }
        onPick={(id) => each(() => ({ contextIds: id === '*' ? [] : [id] }), 'contexts set')}
        title={program ? undefined : 'Only for commands of one program'}
      />
      <Pick
        label="Kind"
        options={commandKinds.map((k) => [k, k] as const)}
        onPick={(kind) => each(() => ({ kind: kind as Command['kind'] & string }), `kind ${kind}`)}
      />
      <Pick
        label="Harmful if pressed by mistake"
        options={[['none', 'no'], ...damageLevels.map((d) => [d, d] as const)]}
        onPick={(level) => each(harmOf(level), `harm ${level}`)}
      />
      <BulkValues view={view} />
      <button
        type="button"
        className="btn"
        disabled={program === undefined}
        title={program === undefined ? 'Only for commands of one program' : undefined}
        onClick={() => setDealing(true)}
      >
        Deal onto …
      </button>
      {dealing && program && (
        <DealDialog
          targets={targets}
          chosenIds={chosen.map((c) => c.id)}
          programId={program.id}
          onClose={() => setDealing(false)}
        />
      )}
      <button
        type="button"
        className="btn"
        onClick={() => onKeys(backToDefaults, 'back on the program’s own keys')}
      >
        Back to the program’s keys
      </button>
      <button type="button" className="btn" onClick={() => onKeys(takeOffKeys, 'taken off their keys')}>
        Take off their keys
      </button>
      <button
        type="button"
        className="btn"
        onClick={() => {
          edit((plan) => chosen.reduce((p, c) => deleteCommand(p, c.id), plan))
          toast(
            howMany(
              chosen.length,
              'command is deleted, with its placements',
              'commands are deleted, with their placements',
            ),
            { action: undoAction() },
          )
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

function BulkValues({ view: { good, each, value, factor, setFactor } }: { view: BulkBarView }) {
  return (
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
  )
}

const harmOf =
  (level: string) =>
  (c: Command): Partial<Command> =>
    ({
      damage: level === 'none' ? undefined : { level, wayOut: c.damage?.wayOut ?? '' },
    }) as Partial<Command>

/** A list that runs what is picked and stands empty again. */
function Pick({
  label,
  options,
  onPick,
  title,
}: {
  label: string
  options: readonly (readonly [value: string, name: string])[]
  onPick: (value: string) => void
  title?: string | undefined
}) {
  return (
    <select
      className="field"
      aria-label={label}
      title={title}
      value=""
      disabled={options.length === 0}
      onChange={(e) => e.target.value !== '' && onPick(e.target.value)}
    >
      <option value="">{label} …</option>
      {options.map(([value, name]) => (
        <option key={value} value={value}>
          {name}
        </option>
      ))}
    </select>
  )
}
