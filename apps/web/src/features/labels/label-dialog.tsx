import { useState } from 'react'
import { modifierName, setIcon, setKeyWords, setLabelText, setShortText } from '@reach-plot/core'
import { labelIconId, type NamedEntry } from '@reach-plot/core/labels'
import { Dialog } from '../../parts/dialog.js'
import { ModifierSign } from '../../parts/modifier-sign.js'
import { endEditGroup, useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { DrawingMarks } from './drawing-view.js'
import { TickField } from '../../parts/fields.js'
import { IconImage, IconPicker } from '../../parts/icons/icon-picker.js'
import { KeyFields } from './key-fields.js'
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
