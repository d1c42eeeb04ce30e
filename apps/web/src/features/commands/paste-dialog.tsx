import { useState } from 'react'
import { Dialog } from '../../parts/dialog.js'

const heading = ['program', 'contexts', 'command', 'menu', 'usesPerHour']

/** What is pasted has the columns of the CSV; without a heading, the first five of them are taken. */
export const withHeading = (text: string): string => {
  const [first = ''] = text.trimStart().split('\n')
  const cells = first.split('\t').map((cell) => cell.trim().toLowerCase())
  if (cells.includes('program') && cells.includes('command')) return text
  return `${heading.slice(0, Math.max(3, cells.length)).join('\t')}\n${text}`
}

/** Takes rows from a spreadsheet. */
export function PasteDialog({
  start,
  onClose,
  onText,
}: {
  start: string
  onClose: () => void
  onText: (text: string) => void
}) {
  const [text, setText] = useState(start)
  return (
    <Dialog
      title="Paste from a spreadsheet"
      onClose={onClose}
      wide
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-main"
            disabled={text.trim() === ''}
            onClick={() => onText(text)}
          >
            Read it
          </button>
        </>
      }
    >
      <label htmlFor="pasted">
        Rows with the columns {heading.join(', ')}, or with a heading of their own. You see what they would
        change before anything does.
      </label>
      <textarea
        id="pasted"
        className="field mt-2 h-[260px] w-full font-mono text-[12px]"
        value={text}
        onChange={(e) => setText(e.target.value)}
        autoFocus
      />
    </Dialog>
  )
}
