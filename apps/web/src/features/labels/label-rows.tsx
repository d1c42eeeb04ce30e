import { setKeyLabel } from '@reach-plot/core'
import { Pencil } from 'lucide-react'
import { useState } from 'react'
import { arcMinutesOf, printedText, type Label, type UnreadableLabel } from '@reach-plot/core/labels'
import type { PrintCheck } from '@reach-plot/print'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { CutWordsDialog, cutWordsOf } from './cut-words-dialog.js'
import { LabelDialog } from './label-dialog.js'
import type { SheetView } from './use-sheet.js'

/** Each command of a label in one line, as it is printed. */
const wordsOf = (label: Label): string =>
  label.entries
    .map((_, at) => printedText(label, at))
    .filter(Boolean)
    .join(' · ')

/** What a one-colour printer would not bring out well, in words; empty when all is well. */
function faultOf(label: Label, check: PrintCheck | undefined, dpi: number): string {
  return [
    label.leftOut,
    label.readsLike === '' ? '' : `reads like the label of ${label.readsLike}: write a short text`,
    check && check.thinDots > 0 ? `strokes are thinner than 2 dots at ${dpi} dpi` : '',
    check?.leavesLabel ? 'ink reaches the edge' : '',
  ]
    .filter(Boolean)
    .join(', ')
}

/** Every label by itself: whether it is printed, how large its letters are, and why it cannot be read. */
export function LabelRows({ view, dpi }: { view: SheetView; dpi: number }) {
  const edit = useEdit()
  const distanceMm = usePlan().labels.rule.readingDistanceMm
  const [edited, setEdited] = useState<string | null>(null)
  // as they were when the dialog was opened, so that a row stays while its words are written
  const [cutShown, setCutShown] = useState<ReturnType<typeof cutWordsOf> | null>(null)
  const set = view.sheet?.labels
  if (!set) return null
  const printed = set.labels.filter((l) => !l.isHidden).length
  const unreadable = set.unreadable.length
  const cut = cutWordsOf(set.labels)
  return (
    <>
      <p className="px-[14px] pt-2 pb-2 text-ink-2">
        {printed} printed
        {unreadable > 0 && (
          <b className="text-magenta">
            , {unreadable} cannot be read and {unreadable === 1 ? 'is' : 'are'} left out
          </b>
        )}
        {cut.length > 0 && (
          <button type="button" className="link ml-2" onClick={() => setCutShown(cut)}>
            {cut.length === 1 ? '1 command has cut words' : `${cut.length} commands have cut words`}: please
            look
          </button>
        )}
      </p>
      <ul aria-label="Labels" className="min-h-0 grow overflow-y-auto border-t border-ink">
        {set.unreadable.map((label) => (
          <Row
            key={label.controlId}
            label={label}
            text=""
            note={label.reason}
            isFault
            checked={false}
            onEdit={() => setEdited(label.controlId)}
          />
        ))}
        {set.labels.map((label) => {
          const fault = faultOf(label, view.checks.get(label.controlId), dpi)
          const icons = label.icons.length
          const size = `letters ${label.capMm.toFixed(1)} mm, ${Math.round(arcMinutesOf(label.capMm, distanceMm))}′`
          return (
            <Row
              key={label.controlId}
              label={label}
              text={wordsOf(label) || `${icons} icon${icons === 1 ? '' : 's'}`}
              note={`${label.isCut ? 'words were cut, ' : label.shortened ? 'shortened, ' : ''}${size}${fault === '' ? '' : `; ${fault}`}`}
              isFault={fault !== ''}
              checked={!label.isHidden}
              onCheck={(checked) =>
                edit((plan) => setKeyLabel(plan, label.controlId, { isHidden: checked ? undefined : true }))
              }
              onEdit={() => setEdited(label.controlId)}
            />
          )
        })}
      </ul>
      {cutShown !== null && <CutWordsDialog words={cutShown} onClose={() => setCutShown(null)} />}
      {edited !== null && <LabelDialog controlId={edited} view={view} onClose={() => setEdited(null)} />}
    </>
  )
}

function Row({
  label,
  text,
  note,
  isFault,
  checked,
  onCheck,
  onEdit,
}: {
  label: Pick<Label | UnreadableLabel, 'controlId' | 'legend'>
  text: string
  note: string
  isFault: boolean
  checked: boolean
  onCheck?: (checked: boolean) => void
  onEdit: () => void
}) {
  const { legend } = label
  return (
    <li className="flex gap-2 border-b border-rule py-[5px] pr-2 pl-[14px]">
      <input
        type="checkbox"
        className="mt-0.5 size-4 shrink-0 accent-(--magenta)"
        aria-label={`Print the label of ${legend}`}
        disabled={!onCheck}
        checked={checked}
        onChange={(e) => onCheck?.(e.target.checked)}
      />
      <span
        className="w-[74px] shrink-0 truncate font-chart text-[14px] font-semibold"
        title={`${legend} (${label.controlId})`}
      >
        {legend}
      </span>
      <span className="min-w-0 grow break-words">
        {text}
        <span className={`block text-[12px] ${isFault ? 'text-magenta' : 'text-ink-2'}`}>{note}</span>
      </span>
      <button
        type="button"
        className="btn h-7 shrink-0 px-[6px]"
        aria-label={`Change the label of ${legend}`}
        onClick={onEdit}
      >
        <Pencil size={13} aria-hidden="true" />
      </button>
    </li>
  )
}

/** How much is on a sheet that has no labels, and what could not be put on it. */
export function SheetSummary({ view: { sheet } }: { view: SheetView }) {
  if (!sheet) return null
  const pages = sheet.document.pages.length
  const pageWords = `${pages} page${pages === 1 ? '' : 's'}`
  const what = sheet.faces
    ? `${sheet.faces.length} buttons on ${pageWords}`
    : `${pageWords} of ${sheet.stock.name}`
  return (
    <section aria-label="What is on it" className="border-b border-rule px-[14px] pt-[10px] pb-3">
      <p>
        <b>{what}.</b>{' '}
        {sheet.unreadable.length === 0 ? (
          <span className="text-ink-2">Everything can be read.</span>
        ) : (
          <span className="text-magenta">{sheet.unreadable.length} left out:</span>
        )}
      </p>
      <ul>
        {sheet.unreadable.map((u) => (
          <li key={u.what} className="mt-1">
            {u.what}
            <span className="block text-[12px] text-magenta">{u.reason}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
