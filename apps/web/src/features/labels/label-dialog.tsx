import { useState } from 'react'
import {
  modifierName,
  type Modifier,
  setIcon,
  setKeyLabel,
  setKeyWords,
  setLabelText,
  setShortText,
} from '@reach-plot/core'
import { labelIconId, type NamedEntry } from '@reach-plot/core/labels'
import type { KeyLabel } from '@reach-plot/core/label-design'
import { Dialog } from '../../parts/dialog.js'
import { ModifierSign } from '../../parts/modifier-sign.js'
import { endEditGroup, useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { DrawingMarks } from './drawing-view.js'
import { TickField, ColourField, SelectField } from '../../parts/fields.js'
import { IconImage, IconPicker } from '../../parts/icons/icon-picker.js'
import { contentChoices, shapeChoices } from './label-rule-fields.js'
import { useIcons } from '../../parts/icons/use-icons.js'
import type { SheetView } from './use-sheet.js'

/** One label: what each of its commands says, and what the key has of its own beside the rule. */
export function LabelDialog({
  controlId,
  view,
  onClose,
}: {
  controlId: string
  view: SheetView
  onClose: () => void
}) {
  const set = view.sheet?.labels
  const label = set?.labels.find((l) => l.controlId === controlId)
  const unreadable = set?.unreadable.find((l) => l.controlId === controlId)
  const shown = label ?? unreadable
  if (!shown || !view.font) return null
  return (
    <Dialog
      wide
      title={`Label of ${shown.legend}`}
      onClose={() => {
        endEditGroup()
        onClose()
      }}
    >
      <div className="flex gap-5">
        <div className="min-w-0 grow">
          <ul className="flex flex-col gap-3">
            {shown.entries.map((entry) => (
              <EntryFields
                key={`${entry.commandId} ${entry.level.join()} ${entry.how}`}
                controlId={controlId}
                entry={entry}
                view={view}
              />
            ))}
          </ul>
          <KeyFields controlId={controlId} />
        </div>
        <div className="w-[230px] shrink-0">
          <p className="caption mb-1">As it is printed</p>
          {label ? (
            <svg
              viewBox={`-0.3 -0.3 ${label.drawing.widthMm + 0.6} ${label.drawing.heightMm + 0.6}`}
              className="max-h-[230px] w-full border border-edge"
              style={{ background: view.sheet?.ground }}
              role="img"
              aria-label={`Label of ${label.legend}`}
            >
              <DrawingMarks marks={label.drawing.marks} font={view.font} />
            </svg>
          ) : (
            <p role="status" className="text-magenta">
              {unreadable?.reason}
            </p>
          )}
          {label && (
            <p role="status" className="mt-2 text-[12px] text-ink-2">
              {label.drawing.widthMm.toFixed(1)} x {label.drawing.heightMm.toFixed(1)} mm, letters{' '}
              {label.capMm.toFixed(1)} mm, contrast {label.contrast.toFixed(1)} to 1
              {label.shortened && '; shortened by rule'}
              {label.leftOut !== '' && `; ${label.leftOut}`}
            </p>
          )}
        </div>
      </div>
    </Dialog>
  )
}
/** The words and the icon of one command: on all labels that it stands on, or on this one alone. */
function EntryFields(props: { controlId: string; entry: NamedEntry; view: SheetView }) {
  const view = useEntryFields(props)
  if (!view) return null
  const {
    entry,
    command,
    env,
    only,
    setWords,

    picking,
    setPicking,

    chosen,
    icons,
    setCommandIcon,
  } = view
  return (
    <li className="border-b border-rule pb-3">
      <p className="mb-1 flex items-center gap-1.5">
        {entry.level.map((m) => (
          <ModifierSign key={m} modifier={m} />
        ))}
        <b className="min-w-0 truncate" title={command.name}>
          {command.name}
        </b>
        <span className="shrink-0 text-ink-2">
          {[entry.level.map((m) => modifierName(m, env.systemId)).join('+'), entry.how]
            .filter(Boolean)
            .join(', ')}
        </span>
        <span className="ml-auto shrink-0">
          <TickField checked={only} onChange={(on) => setWords(on ? {} : null)}>
            Other words on this key
          </TickField>
        </span>
      </p>
      <EntryTexts view={view} />
      {picking && (
        <div className="mt-2">
          <IconPicker
            icons={icons}
            start={command.name.split(' ').at(-1) ?? ''}
            onChoose={(chosenId) => {
              setCommandIcon(chosenId)
              setPicking(false)
            }}
          />
          {chosen !== undefined && (
            <button type="button" className="link mt-1" onClick={() => setCommandIcon(null)}>
              {only ? 'Back to the icon of its other keys' : 'Back to the icon that the name suggests'}
            </button>
          )}
        </div>
      )}
    </li>
  )
}

/** What is shown and can be done there. */
function useEntryFields({
  controlId,
  entry,
  view,
}: {
  controlId: string
  entry: NamedEntry
  view: SheetView
}) {
  const plan = usePlan()
  const edit = useEdit()
  const icons = useIcons()
  const { env } = useDerived()
  const [picking, setPicking] = useState(false)
  const command = plan.commands.find((c) => c.id === entry.commandId)
  if (!command || !icons || !view.font) return null
  const { id } = command
  const text = plan.labels.texts.find((t) => t.commandId === id)?.text
  const words = plan.labels.keys
    .find((k) => k.controlId === controlId)
    ?.words?.find((w) => w.commandId === id)
  const only = words !== undefined
  const setWords = (change: Parameters<typeof setKeyWords>[3]): void =>
    edit(
      (p) => setKeyWords(p, controlId, id, change),
      `label-words-${controlId}-${id}-${Object.keys(change ?? {}).join()}`,
    )
  const setCommandIcon = (icon: string | null): void =>
    only ? setWords({ icon: icon ?? undefined }) : edit((p) => setIcon(p, id, icon))
  const chosen = only ? words.icon : command.icon
  const iconId = chosen ?? labelIconId(command, icons)
  const icon = iconId === null ? null : icons.get(iconId)
  return {
    entry,
    command,
    env,
    only,
    setWords,
    text,
    words,
    edit,
    id,
    picking,
    setPicking,
    icon,
    chosen,
    icons,
    setCommandIcon,
  }
}

type EntryFieldsView = NonNullable<ReturnType<typeof useEntryFields>>

function EntryTexts({
  view: { only, text, command, words, setWords, edit, id, picking, setPicking, icon, chosen },
}: {
  view: EntryFieldsView
}) {
  return (
    <div className="flex items-end gap-3">
      <TextField
        label="Text"
        placeholder={only ? (text ?? command.name) : command.name}
        value={(words ? words.text : text) ?? ''}
        most={120}
        onChange={(next) =>
          only ? setWords({ text: next }) : edit((p) => setLabelText(p, id, next), `label-text-${id}`)
        }
      />
      <TextField
        label="Short text"
        placeholder={words && words.text === undefined ? (command.label ?? 'by rule') : 'by rule'}
        value={(words ? words.short : command.label) ?? ''}
        most={60}
        onChange={(next) =>
          only ? setWords({ short: next }) : edit((p) => setShortText(p, id, next), `label-short-${id}`)
        }
      />
      <button
        type="button"
        className="btn h-[30px]"
        aria-expanded={picking}
        onClick={() => setPicking(!picking)}
      >
        {icon && <IconImage icon={icon} size={18} />}
        {iconWords(chosen, icon?.name)}
      </button>
    </div>
  )
}

const iconWords = (chosen: string | undefined, name: string | undefined): string => {
  if (chosen !== undefined) return `Icon: ${name ?? `${chosen}, which is missing`}`
  return name === undefined ? 'Icon: none' : `Icon: ${name}, suggested`
}

function TextField({
  label,
  value,
  placeholder,
  most,
  onChange,
}: {
  label: string
  value: string
  placeholder: string
  most: number
  onChange: (text: string) => void
}) {
  // what is being written is kept as it is: blanks at its ends are only taken off what is stored
  const [draft, setDraft] = useState<string | null>(null)
  return (
    <label className="min-w-0 grow">
      <span className="caption mb-0.5 block">{label}</span>
      <input
        className="field w-full"
        value={draft ?? value}
        placeholder={placeholder}
        maxLength={most}
        onChange={(e) => {
          setDraft(e.target.value)
          onChange(e.target.value)
        }}
        onBlur={() => setDraft(null)}
      />
    </label>
  )
}

/** What the key has of its own: which level it stands for, its form, size and colours. */
function KeyFields({ controlId }: { controlId: string }) {
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
