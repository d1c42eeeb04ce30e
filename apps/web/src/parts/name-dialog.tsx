import { Dialog } from './dialog.js'
import { useKept } from './use-kept.js'

/** Asks for a name; what is half typed is there again after a reload. */
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
  const [text, setText] = useKept(`name for ${title}`, name, 'tab')
  const isEmpty = text.trim() === ''
  const close = (): void => {
    setText(name)
    onClose()
  }
  return (
    <Dialog title={title} onClose={close}>
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (isEmpty) return
          onName(text.trim())
          close()
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
