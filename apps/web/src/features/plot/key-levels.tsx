import {
  chord,
  contextsInWords,
  isModifierCode,
  keyLegend,
  modifierName,
  triggerKey,
  triggerName,
  type Command,
} from '@reach-plot/core'
import { ModifierSign } from '../../shared/modifier-sign.js'
import { takeOff } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { useReachLayers } from '../../store/reach.js'
import { useDerived, useFront } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { offeredHeld } from './layers.js'

/** Every level of a key: who stands on it in the program in front and elsewhere, and what is free. */
export function KeyLevels({ code }: { code: string }) {
  const plan = usePlan()
  const { around, survey, hand } = useDerived()
  const front = useFront()
  const set = useView((s) => s.set)
  const levels = offeredHeld(around.layout)
  const { reachOf } = useReachLayers(levels)
  const program = plan.programs.find((p) => p.id === front.programId)
  const legend = keyLegend(code, around.layout, around.systemId)
  const finger = Object.entries(hand.rests).find(([, id]) => id === code)?.[0]
  if (isModifierCode(code) || !around.controls.some((c) => c.code === code)) {
    return (
      <p className="p-4 text-ink-2">{legend} is held with other keys and carries no command of its own.</p>
    )
  }
  const where = (command: Command): string => {
    const owner = plan.programs.find((p) => p.id === command.programId)
    return `${owner?.id === program?.id ? '' : `${owner?.name}, `}${contextsInWords(command, owner)}`
  }
  const freeCount = levels.filter(
    (held) =>
      !survey.holders.has(triggerKey(chord(code, held))) &&
      !survey.systemActions.has(triggerKey(chord(code, held))),
  ).length
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="px-[14px] pt-3 pb-2">
        <p className="caption">Levels of the key</p>
        <h2 className="title mt-0.5">{legend}</h2>
        <p className="text-ink-2">
          {freeCount} of {levels.length} levels are free
          {finger && ` · the ${finger} finger rests here`}
        </p>
      </div>
      <ul
        className="min-h-0 grow overflow-y-auto border-t-2 border-magenta"
        aria-label={`Levels of ${legend}`}
      >
        {levels.map((held) => {
          const trigger = chord(code, held)
          const key = triggerKey(trigger)
          const holders = (survey.holders.get(key) ?? []).toSorted(
            (a, b) => Number(b.programId === program?.id) - Number(a.programId === program?.id),
          )
          const system = survey.systemActions.get(key)
          const reach = reachOf(trigger)
          const name = triggerName(trigger, around.layout, around.systemId)
          return (
            <li key={key} className="border-b border-rule px-[14px] py-[7px]">
              <div className="flex items-center justify-between">
                <button
                  type="button"
                  className="inline-flex min-h-6 items-center gap-1.5 font-chart text-[14px] font-semibold hover:underline"
                  onClick={() => set({ chosenHeld: held })}
                >
                  {held.length === 0
                    ? 'bare'
                    : held.map((m) => (
                        <span key={m} className="inline-flex items-center gap-1">
                          <ModifierSign modifier={m} /> {modifierName(m, around.systemId)}
                        </span>
                      ))}
                </button>
                <span className="text-[12px] text-ink-2">
                  {reach ? `${reach.verdict} · ${Math.round(reach.timeMs)} ms` : ''}
                </span>
              </div>
              {system !== undefined && <p className="text-magenta">Kept by the system: {system}</p>}
              {holders.map((command) => (
                <p key={command.id} className="flex items-baseline gap-2">
                  <span className="grow">
                    <b>{command.name}</b> <span className="text-[12px] text-ink-2">{where(command)}</span>
                  </span>
                  <button
                    type="button"
                    className="link text-[12px]"
                    aria-label={`Take ${command.name} off ${name}`}
                    onClick={() => takeOff(command.id, trigger, name)}
                  >
                    take off
                  </button>
                </p>
              ))}
              {system === undefined && holders.length === 0 && <p className="text-ink-2">free</p>}
            </li>
          )
        })}
      </ul>
    </div>
  )
}
