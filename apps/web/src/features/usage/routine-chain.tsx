import { useMemo, useState } from 'react'
import {
  activeArrangement,
  commandsMet,
  isPointingDevice,
  longestChain,
  parseTrigger,
  placeChain,
  splitControlRef,
  triggerName,
  type CommandId,
  type Routine,
} from '@reach-plot/core'
import { toast } from '../../store/message.js'
import { SelectField } from '../../parts/fields.js'
import { NumberField } from '../../parts/number-field.js'
import { onEditable, undoAction } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { showProblem } from '../../store/problem.js'

/** Puts a routine of commands alone on one press of a pad, a deck or a button that sends keys. */
export function RoutineChain({ routine }: { routine: Routine }) {
  const plan = usePlan()
  const { env, index } = useDerived()
  const [control, setControl] = useState('')
  const [waitMs, setWaitMs] = useState(0)
  const ids = routine.steps.flatMap((s): CommandId[] => (s.kind === 'command' ? [s.commandId] : []))
  const isWhole = ids.length === routine.steps.length && ids.length >= 2 && ids.length <= longestChain
  const choices = useMemo(
    () =>
      env.controls
        .filter((c) => c.code === null && (c.type === 'key' || c.type === 'button'))
        .filter((c) => {
          const device = env.devices?.find((d) => d.id === splitControlRef(c.id).deviceId)
          return device?.kind === 'drawn' && !isPointingDevice(device) && device.pages.length === 0
        })
        .map((c) => {
          const trigger = parseTrigger(c.id)
          const met = commandsMet(trigger, index)
          return {
            id: c.id,
            name: `${triggerName(trigger, env)}${met.length > 0 ? `: ${met[0]?.name ?? ''}` : ', free'}`,
          }
        }),
    [env, index],
  )
  const stands = activeArrangement(plan).placements.find(
    (p) => p.then && [p.commandId, ...p.then].join() === ids.join(),
  )
  if (!isWhole || choices.length === 0) return null
  const chosen = control || (choices.find((c) => c.name.endsWith(', free'))?.id ?? choices[0]?.id ?? '')
  const put = (): void => {
    try {
      const trigger = parseTrigger(chosen)
      onEditable((before) => placeChain(before, { commandIds: ids, trigger, waitMs }))
      toast(`${triggerName(trigger, env)} runs “${routine.name}”`, { action: undoAction() })
    } catch (error) {
      showProblem(error)
    }
  }
  return (
    <section aria-label="By one press" className="mt-4 border-t border-rule pt-2">
      <h4 className="font-semibold">By one press</h4>
      <p className="text-[13px] text-ink-2">
        {stands
          ? `${triggerName(stands.trigger, env)} sends the keys of its ${ids.length} commands, one after the other.`
          : `A control that sends keys can send those of its ${ids.length} commands, one after the other.`}
      </p>
      <div className="mt-2 grid grid-cols-[1fr_112px] items-end gap-2">
        <div className="min-w-0">
          <SelectField label="Control" value={chosen} choices={choices} onChange={setControl} />
        </div>
        <div>
          <NumberField label="Wait, ms" value={waitMs} least={0} most={5000} step={10} onChange={setWaitMs} />
        </div>
        <button type="button" className="btn justify-self-start" onClick={put}>
          Put it there
        </button>
      </div>
    </section>
  )
}
