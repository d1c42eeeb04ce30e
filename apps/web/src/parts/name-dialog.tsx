import { useState } from 'react'
import { Dialog } from './dialog.js'

/** Asks for a name. */
export function NameDialog({
  title,
  name,
  action,
  onClose,
  onName,
}: {
  title: string
  name: string
  action: string
  onClose: () => void
  onName: (name: string) => void
}) {
  const [text, setText] = useState(name)
  const isEmpty = text.trim() === ''
  return (
    <Dialog title={title} onClose={onClose}>
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (isEmpty) return
          onName(text.trim())
          onClose()
        }}
      >
        <label className="grow">
          <span className="caption mb-1 block">Name</span>
          <input
            className="field w-full"
            value={text}
            maxLength={120}
            onChange={(e) => setText(e.target.value)}
            autoFocus
          />
        </label>
        <button type="submit" className="btn btn-main" disabled={isEmpty}>
          {action}
        </button>
      </form>
    </Dialog>
  )
}
