import { useLayoutEffect, useRef } from 'react'
import { useSettings } from '../../store/settings-store.js'
import { appActions, comboFor, type AppActionId } from './actions.js'
import { comboOf } from './combo.js'

export type ActionHandlers = Readonly<Partial<Record<AppActionId, () => void>>>

/** Whether keys go into a field just now, where shortcuts would get in the way of typing. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    (target.matches('input, textarea, select') &&
      !target.matches('[type=checkbox], [type=radio], [type=range]')))

/**
 * Runs `handlers` on the app's shortcuts while the component is shown. An open dialog keeps all keys to itself.
 * In layout effects: a screen that can be seen answers its keys, or a quick press would be lost.
 */
export function useShortcuts(handlers: ActionHandlers): void {
  const own = useSettings((s) => s.shortcuts)
  const latest = useRef(handlers)
  useLayoutEffect(() => {
    latest.current = handlers
  })
  useLayoutEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || document.querySelector('[role=dialog], [data-listening]')) return
      const combo = comboOf(event)
      const action = combo === null ? undefined : appActions.find((a) => comboFor(a.id, own) === combo)
      const run = action && latest.current[action.id]
      // In a field only Escape acts: undo there is the field's own.
      if (!run || (isTyping(event.target) && combo !== 'Escape')) return
      event.preventDefault()
      run()
    }
    addEventListener('keydown', onKeyDown)
    return () => removeEventListener('keydown', onKeyDown)
  }, [own])
}
