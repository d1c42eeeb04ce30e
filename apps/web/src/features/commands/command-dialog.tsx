import { lazy, Suspense } from 'react'
import {
  commandKinds,
  contextsInWords,
  damageLevels,
  fullName,
  triggerKey,
  triggerName,
  type Command,
  moveToProgram,
  standardActionOf,
  standardActions,
} from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import { ChoiceField, TextField } from '../../parts/fields.js'
import { CommandChooser } from '../../parts/command-chooser.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { remove } from '../../store/actions.js'
import { HintsField } from './hints-field.js'
import { useCommandDialog, type CommandDialogView } from './use-command-dialog.js'

const IconField = lazy(() => import('../../parts/icons/icon-field.js'))

const kindNames: Readonly<Record<(typeof commandKinds)[number], string>> = {
  once: 'fires once',
  'on-off': 'turns on and off',
  held: 'works while it is held',
  stepped: 'steps up or down',
}
const damageNames: Readonly<Record<(typeof damageLevels)[number], string>> = {
  nuisance: 'costs a moment',
  rework: 'work has to be done again',
  loss: 'something is lost for good',
}
/** Everything about one command. Each change goes into the plan at once and can be undone. */
export function CommandDialog(props: { command: Command; onClose: () => void }) {
  const view = useCommandDialog(props)
  const { command, onClose, program, triggersOf, env, count, namesakes } = view
  return (
    <Dialog
      title={fullName(command)}
      onClose={onClose}
      wide
      actions={
        <button type="button" className="btn" onClick={onClose}>
          Done
        </button>
      }
    >
      <CommandFields view={view} />
      <p className="caption mt-5 border-b border-rule pb-1">Keys</p>
      <ul>
        {triggersOf(command.id).length === 0 && <li className="py-1 text-ink-2">none</li>}
        {triggersOf(command.id).map((t) => (
          <li key={triggerKey(t)} className="flex items-center justify-between border-b border-rule py-1">
            <TriggerChip trigger={t} />
            <button
              type="button"
              className="link text-[12px]"
              onClick={() => remove(command.id, t, triggerName(t, env))}
            >
              remove
            </button>
          </li>
        ))}
      </ul>
      {count && (
        <p className="mt-2 text-ink-2">
          {count.uses.toLocaleString('en-GB')} uses in the log, {count.byMenu.toLocaleString('en-GB')} of them
          from a menu and {count.byPointer.toLocaleString('en-GB')} by pointer.
        </p>
      )}
      {namesakes.length > 0 && (
        <>
          <p className="caption mt-4 border-b border-rule pb-1">Others of this name</p>
          <ul>
            {[command, ...namesakes].map((c) => (
              <li
                key={c.id}
                className={`border-b border-rule py-1 ${c.id === command.id ? 'font-semibold' : ''}`}
              >
                {fullName(c)} · {c.menu.join(' › ') || 'in no menu'} · {contextsInWords(c, program)}
              </li>
            ))}
          </ul>
        </>
      )}
    </Dialog>
  )
}

function CommandFields({ view }: { view: CommandDialogView }) {
  const { command, set, plan, edit, mates } = view
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-3">
      <TextField
        label="Name"
        value={command.name}
        maxLength={120}
        onChange={(name) => name !== '' && set({ name }, 'name')}
      />
      <TextField
        label="Variant, which tells it from others of its name"
        value={command.parameter ?? ''}
        maxLength={60}
        onChange={(parameter) => set({ parameter }, 'parameter')}
      />
      <ChoiceField
        label="Program"
        value={command.programId}
        options={plan.programs.map((p) => [p.id, p.name])}
        onChange={(programId) => edit((draft) => moveToProgram(draft, command.id, programId))}
      />
      <MenuPathField view={view} />
      <ContextFields view={view} />
      <ChoiceField
        label="Kind"
        value={command.kind ?? 'once'}
        options={commandKinds.map((k) => [k, kindNames[k]])}
        onChange={(kind) => set({ kind }, 'kind')}
      />
      <StandardField view={view} />
      <UsesField view={view} />
      <HarmField view={view} />
      <TextField
        label="The way out of it"
        value={command.damage?.wayOut ?? ''}
        maxLength={300}
        disabled={!command.damage}
        onChange={(wayOut) => command.damage && set({ damage: { ...command.damage, wayOut } }, 'wayOut')}
      />
      <HintsField hints={command.hints ?? []} onChange={(hints) => set({ hints }, 'hints')} />
      <CommandChooser
        label="Opposite"
        commands={mates}
        value={command.oppositeId ?? ''}
        empty="none"
        onChange={(oppositeId) => set({ oppositeId }, 'opposite')}
      />
      <TiesFields view={view} />
      <TextField
        label="Short label"
        value={command.label ?? ''}
        maxLength={60}
        onChange={(label) => set({ label }, 'label')}
      />
      <Suspense fallback={<div />}>
        <IconField icon={command.icon} name={command.name} onChange={(icon) => set({ icon }, 'icon')} />
      </Suspense>
      <TextField
        label="Note"
        value={command.note ?? ''}
        maxLength={2000}
        onChange={(note) => set({ note }, 'note')}
        className="col-span-2"
      />
    </div>
  )
}

function MenuPathField({ view: { command, set } }: { view: CommandDialogView }) {
  return (
    <TextField
      label={`Menu path, ${command.menu.length} deep`}
      value={command.menu.join(' › ')}
      maxLength={300}
      onChange={(text) =>
        set(
          {
            menu: text
              .split(/[>›]/)
              .map((p) => p.trim())
              .filter(Boolean)
              .slice(0, 8),
          },
          'menu',
        )
      }
      lazily
    />
  )
}

function ContextFields({ view: { program, command, set } }: { view: CommandDialogView }) {
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-ink-2">Live in; in every context when none is chosen</legend>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
        {program?.contexts.map((c) => (
          <label key={c.id} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-(--magenta)"
              checked={command.contextIds.includes(c.id)}
              onChange={(e) =>
                set(
                  {
                    contextIds: e.target.checked
                      ? [...command.contextIds, c.id]
                      : command.contextIds.filter((id) => id !== c.id),
                  },
                  `context ${c.id}`,
                )
              }
            />
            {c.name}
          </label>
        ))}
      </div>
    </fieldset>
  )
}

function UsesField({ view: { command, set } }: { view: CommandDialogView }) {
  return (
    <TextField
      label="Uses an hour"
      value={String(command.usesPerHour)}
      onChange={(text) => {
        const uses = Number(text.replace(',', '.'))
        if (text.trim() !== '' && uses >= 0 && uses <= 100_000) set({ usesPerHour: uses }, 'uses')
      }}
      lazily
    />
  )
}

/** `SelectAll` as people write it. */
const actionWords = (action: string): string => {
  const words = action.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** The standard action that it is: its key is known by heart, and Solve leaves it there. */
function StandardField({ view: { command, set } }: { view: CommandDialogView }) {
  const { standard: _, ...unsaid } = command
  const byName = standardActionOf(unsaid)
  return (
    <ChoiceField
      label="Standard action"
      value={command.standard ?? ''}
      options={[
        ['', `by its name: ${byName === null ? 'none' : actionWords(byName)}`],
        ['none', 'none, whatever its name'],
        ...standardActions.map((action) => [action, actionWords(action)] as const),
      ]}
      onChange={(standard) =>
        set({ standard: standard === '' ? undefined : standard } as Partial<Command>, 'standard')
      }
    />
  )
}

function HarmField({ view: { command, set } }: { view: CommandDialogView }) {
  return (
    <ChoiceField
      label="Harmful if pressed by mistake"
      value={command.damage?.level ?? ''}
      options={[['', 'no'], ...damageLevels.map((d) => [d, damageNames[d]] as const)]}
      onChange={(level) =>
        set(
          {
            damage: level === '' ? undefined : { level, wayOut: command.damage?.wayOut ?? '' },
          } as Partial<Command>,
          'damage',
        )
      }
    />
  )
}

function TiesFields({ view: { siblings, set, plan, mates } }: { view: CommandDialogView }) {
  return (
    <div>
      <CommandChooser
        label="Belongs together with"
        commands={mates.filter((c) => !siblings.includes(c.id))}
        value=""
        empty={siblings.length === 0 ? 'none' : 'add another …'}
        onChange={(id) => id !== '' && set({ siblingIds: [...siblings, id] }, 'siblings')}
      />
      {siblings.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-x-3">
          {siblings.map((id) => {
            const name = plan.commands.find((c) => c.id === id)?.name ?? id
            return (
              <li key={id}>
                {name}{' '}
                <button
                  type="button"
                  className="link text-[12px]"
                  aria-label={`${name} does not belong with it`}
                  onClick={() => set({ siblingIds: siblings.filter((x) => x !== id) }, 'siblings')}
                >
                  remove
                </button>
              </li>
            )
          })}
        </ul>
      )}
    </div>
  )
}
