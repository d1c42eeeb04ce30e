import { setShortText } from '@reach-plot/core'
import { printedText, type Label } from '@reach-plot/core/labels'
import { Dialog } from '../../parts/dialog.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** A command whose words were cut on a label, and how they are printed. */
interface CutWords {
  readonly commandId: string
  readonly printed: string
  readonly keys: readonly string[]
}

/** Commands whose words were cut, each once, with the keys on which they are. */
export function cutWordsOf(labels: readonly Label[]): readonly CutWords[] {
  const found = new Map<string, CutWords>()
  for (const label of labels) {
    if (!label.isCut || label.isHidden) continue
    for (const [at, { commandId }] of label.entries.entries()) {
      const printed = printedText(label, at)
      if (!printed.includes('.')) continue
      const before = found.get(commandId)
      found.set(commandId, { commandId, printed, keys: [...(before?.keys ?? []), label.legend] })
    }
  }
  return [...found.values()]
}

/** Better words for all that was cut, in one place: each is the command's short text on every label. */
export function CutWordsDialog({ words, onClose }: { words: readonly CutWords[]; onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  return (
    <Dialog
      title="Words that were cut"
      onClose={onClose}
      wide
      actions={
        <button type="button" className="btn btn-main" onClick={onClose}>
          Done
        </button>
      }
    >
      <p className="mb-2 text-ink-2">
        Please look whether they can be read. What you write here stands on every label of the command that
        has no room for its name.
      </p>
      <table className="w-full">
        <thead>
          <tr className="caption border-b border-rule text-left">
            <th scope="col" className="py-1 font-medium">
              command
            </th>
            <th scope="col" className="font-medium">
              printed as
            </th>
            <th scope="col" className="font-medium">
              on
            </th>
            <th scope="col" className="w-[220px] font-medium">
              shorter words
            </th>
          </tr>
        </thead>
        <tbody>
          {words.map(({ commandId, printed, keys }) => {
            const command = plan.commands.find((c) => c.id === commandId)
            return (
              <tr key={commandId} className="border-b border-rule">
                <td className="py-1 pr-3">{command?.name ?? commandId}</td>
                <td className="pr-3">{printed}</td>
                <td className="pr-3 text-ink-2">{keys.join(', ')}</td>
                <td>
                  <input
                    className="field w-full"
                    aria-label={`Shorter words for ${command?.name ?? commandId}`}
                    value={command?.label ?? ''}
                    maxLength={60}
                    onChange={(e) =>
                      edit((before) => setShortText(before, commandId, e.target.value), `short ${commandId}`)
                    }
                  />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </Dialog>
  )
}
