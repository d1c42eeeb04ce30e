import { useMemo, useState, type FormEvent } from 'react'
import { addOwnKey, heldOf, readTrigger, triggerName } from '@reach-plot/core'
import { ListenButton, useKeyFind } from '../../parts/key-find.js'
import { problemInWords } from '../../store/problem.js'
import { useEdit } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** Adds a combination that the person's system takes and no list has. */
export function OwnKeyForm() {
  const edit = useEdit()
  const { env } = useDerived()
  const [keys, setKeys] = useState('')
  const [action, setAction] = useState('')
  const [fault, setFault] = useState('')
  const keyFind = useKeyFind((trigger) => setKeys(triggerName(trigger, env)))
  const codes = useMemo(() => env.controls.flatMap((c) => c.code ?? []), [env.controls])
  const add = (event: FormEvent): void => {
    event.preventDefault()
    try {
      const trigger = readTrigger(keys, env, codes)
      if (trigger.kind !== 'chord') {
        setFault('Only a combination of keys can be taken by the system.')
        return
      }
      const { code } = trigger
      edit((plan) => addOwnKey(plan, { modifiers: [...heldOf(trigger)], code, action: action.trim() }))
      setKeys('')
      setAction('')
      setFault('')
    } catch (error) {
      setFault(problemInWords(error))
    }
  }
  return (
    <form className="mt-2 flex flex-wrap items-end gap-2" onSubmit={add}>
      <label>
        <span className="caption mb-0.5 block">Another combination that is taken</span>
        <input
          className="field w-[200px]"
          placeholder="Ctrl+Alt+K"
          value={keys}
          maxLength={80}
          onChange={(e) => setKeys(e.target.value)}
        />
      </label>
      <ListenButton {...keyFind} label="Give the combination by pressing it" />
      <label>
        <span className="caption mb-0.5 block">For what</span>
        <input
          className="field w-[220px]"
          placeholder="Open the field book"
          value={action}
          maxLength={200}
          onChange={(e) => setAction(e.target.value)}
        />
      </label>
      <button type="submit" className="btn" disabled={keys.trim() === '' || action.trim() === ''}>
        Add
      </button>
      <p role="alert" className="w-full text-[13px] text-magenta empty:hidden">
        {fault}
      </p>
    </form>
  )
}
