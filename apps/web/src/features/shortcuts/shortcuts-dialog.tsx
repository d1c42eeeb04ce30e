import { useEffect, useState } from 'react'
import { Dialog } from '../../parts/dialog.js'
import { useSettings } from '../../store/settings-store.js'
import { appActions, comboFor, refuseCombo, type AppActionId } from '../../parts/shortcuts/actions.js'
import { comboName, comboOf } from '../../parts/shortcuts/combo.js'

/** All shortcuts of the app, each of which can be changed by pressing another. */
export function ShortcutsDialog({ onClose }: { onClose: () => void }) {
  const own = useSettings((s) => s.shortcuts)
  const set = useSettings((s) => s.set)
  const [changing, setChanging] = useState<AppActionId | null>(null)
  const [refused, setRefused] = useState<string | null>(null)

  useEffect(() => {
    if (!changing) return
    const onKeyDown = (event: KeyboardEvent): void => {
      event.preventDefault()
      event.stopPropagation()
      const combo = comboOf(event)
      if (combo === null) return
      if (combo === 'Escape' && changing !== 'clear') {
        setChanging(null)
        return
      }
      const reason = refuseCombo(combo, changing, own)
      setRefused(reason && `${comboName(combo)}: ${reason}`)
      if (reason) return
      set({ shortcuts: { ...own, [changing]: combo } })
      setChanging(null)
    }
    addEventListener('keydown', onKeyDown, { capture: true })
    return () => removeEventListener('keydown', onKeyDown, { capture: true })
  }, [changing, own, set])

  return (
    <Dialog
      title="Shortcuts of this app"
      onClose={onClose}
      actions={
        <button type="button" className="btn" onClick={() => set({ shortcuts: {} })}>
          Back to the defaults
        </button>
      }
    >
      <p className="mb-3 text-ink-2">
        Off while you type in a field. Choose one and press another key to change it.
      </p>
      <p role="alert" className="mb-2 font-semibold text-magenta empty:hidden">
        {refused}
      </p>
      <ul>
        {appActions.map((action) => (
          <li key={action.id} className="flex items-center justify-between border-t border-rule py-1">
            <span>{action.name}</span>
            <button
              type="button"
              className="btn min-w-[110px] font-chart text-[14px] font-semibold"
              data-on={changing === action.id}
              aria-label={`${action.name}: ${comboName(comboFor(action.id, own))}. Change`}
              onClick={() => {
                setRefused(null)
                setChanging(action.id)
              }}
            >
              {changing === action.id ? 'Press a key' : comboName(comboFor(action.id, own))}
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  )
}
