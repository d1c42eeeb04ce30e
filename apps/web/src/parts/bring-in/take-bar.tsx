import { useEffect, useLayoutEffect, useRef } from 'react'
import type { TakeMode } from '@reach-plot/core'
import { SelectField } from '../fields.js'
import { useDerived } from '../../store/selectors.js'
import { putAway, setOption, takeIn, type BringInScreen } from './use-bring-in.js'

const modes: readonly { readonly id: TakeMode; readonly name: string }[] = [
  { id: 'merge', name: 'in place of the keys that these commands have' },
  { id: 'add', name: 'as further keys of these commands' },
  { id: 'replace', name: 'in place of all keys of the program' },
]

/** How the table is taken, and the step itself. */
export function TakeBar({ view }: { view: BringInScreen }) {
  const { plan, roles, programName, mode, as, preview, isCurrent } = view
  const { arrangement } = useDerived()
  const take = useFocusWhenReady(isCurrent)
  const count = preview?.of.taken.commands.filter((c) => c.status !== 'same').length ?? 0
  return (
    <div className="flex shrink-0 flex-wrap items-end gap-3 border-t border-rule bg-panel px-[14px] py-2.5">
      {!roles.includes('program') && (
        <label>
          <span className="caption mb-0.5 block">Program</span>
          <input
            className="field w-[150px]"
            list="bring-in-programs"
            value={programName}
            maxLength={120}
            onChange={(e) => setOption({ programName: e.target.value })}
          />
          <datalist id="bring-in-programs">
            {plan.programs.map((p) => (
              <option key={p.id} value={p.name} />
            ))}
          </datalist>
        </label>
      )}
      <SelectField
        label="Keys go"
        className="w-[300px]"
        value={mode}
        choices={modes}
        onChange={(id) => setOption({ mode: id })}
      />
      <SelectField
        label="Into"
        className="w-[220px]"
        value={as}
        choices={[
          { id: 'arrangement', name: arrangement.isDefault ? 'a copy of the defaults' : arrangement.name },
          { id: 'defaults', name: 'the program’s own keys' },
        ]}
        onChange={(id) => setOption({ as: id })}
      />
      <span className="ml-auto flex gap-2">
        <button type="button" className="btn" onClick={putAway}>
          Put it away
        </button>
        <button
          ref={take}
          type="button"
          className="btn btn-main"
          disabled={!isCurrent || count === 0}
          onClick={takeIn}
        >
          {isCurrent ? `Bring in ${count} ${count === 1 ? 'command' : 'commands'}` : 'Working it out …'}
        </button>
      </span>
    </div>
  )
}

/**
 * What was pressed to read the table is gone, and the focus with it: it goes to the button as soon as that can be pressed, unless
 * the person has gone on meanwhile. Where the focus lies by then says nothing: it was kept from falling to the page.
 */
function useFocusWhenReady(isReady: boolean) {
  const button = useRef<HTMLButtonElement>(null)
  const isWaiting = useRef(false)
  useLayoutEffect(() => {
    isWaiting.current = document.activeElement === document.body
    const goOn = (): void => void (isWaiting.current = false)
    addEventListener('keydown', goOn, true)
    addEventListener('pointerdown', goOn, true)
    return () => {
      removeEventListener('keydown', goOn, true)
      removeEventListener('pointerdown', goOn, true)
    }
  }, [])
  useEffect(() => {
    if (!isReady || !isWaiting.current) return
    isWaiting.current = false
    button.current?.focus()
  }, [isReady])
  return button
}
