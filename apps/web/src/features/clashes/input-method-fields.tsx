import { keyLegend, setComposeCode, setInputMethod } from '@reach-plot/core'
import { SelectField } from '../../parts/fields.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** Keys that are usually chosen for Compose. Common practice, no source. */
const composeCodes = [
  'AltRight',
  'ContextMenu',
  'ControlRight',
  'MetaRight',
  'CapsLock',
  'ScrollLock',
] as const

/** What stands between the system and programs: an input method, and a key for sequences of signs. */
export function InputMethodFields() {
  const plan = usePlan()
  const edit = useEdit()
  const { env } = useDerived()
  return (
    <div className="mt-2 grid max-w-[560px] grid-cols-2 gap-3">
      <SelectField
        label="Input method in use"
        value={plan.inputMethod ?? ''}
        choices={[
          { id: '', name: 'none' },
          { id: 'ibus', name: 'IBus' },
        ]}
        onChange={(id) => edit((draft) => setInputMethod(draft, id === '' ? null : id))}
      />
      <SelectField
        label="Key that starts a Compose sequence"
        value={plan.composeCode ?? ''}
        choices={[
          { id: '', name: 'none' },
          ...composeCodes.map((code) => ({
            id: code,
            name: `${keyLegend(code, env.layout, env.systemId)}${code.endsWith('Right') ? ', on the right' : ''}`,
          })),
        ]}
        onChange={(code) => edit((draft) => setComposeCode(draft, code === '' ? null : code))}
      />
    </div>
  )
}
