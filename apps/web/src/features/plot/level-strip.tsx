import { commandsMet, reservedBy, keyLegend, plainTriggers, triggerKey, type Trigger } from '@reach-plot/core'
import { useReachOfSets } from '../../store/reach.js'
import { useDerived, useFront, usePageOf } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { holdersInFront, refOfControl } from '../../drawing/chart-faces.js'
import { modifierSetName, reservedNote, verdictWords } from '../../parts/words.js'
import { offeredHeld } from '../../parts/held-sets.js'

/** The levels of the key under the pointer or focus, side by side at the foot of the chart. */
export function LevelStrip() {
  const controlRef = useView((s) => s.hovered ?? s.controlRef)
  const derived = useDerived()
  const front = useFront()
  const pageOf = usePageOf()
  const { env, index } = derived
  const levels = offeredHeld(env.layout)
  const { reachOf } = useReachOfSets(levels)
  const control = env.controls.find((c) => refOfControl(c) === controlRef)
  const page = control?.code === null ? pageOf(control.deviceId) : undefined
  const triggersAt = (held: (typeof levels)[number]) => (control ? plainTriggers(control, held, page) : [])
  const program = env.programs.find((p) => p.id === front.programId)
  // a hold, a tap or a pair on the key: it is not free
  const otherwise = (of: readonly Trigger[]) =>
    of.flatMap((t) => commandsMet(t, index)).find((c) => c.programId === program?.id)
  const shown = triggersAt([]).length > 0 ? control : undefined
  return (
    // out of the flow, so that a change of text here does not lay the chart's hundreds of texts out anew
    <div className="relative h-[58px] shrink-0 border-t border-rule bg-panel" aria-hidden="true">
      <div className="absolute inset-0 flex [contain:strict]">
        <div className="flex w-[74px] shrink-0 flex-col justify-center border-r border-rule px-3">
          <span className="caption">Levels</span>
          <span className="truncate font-chart text-[18px] leading-tight font-semibold">
            {!shown
              ? '–'
              : shown.code === null
                ? shown.name
                : keyLegend(shown.code, env.layout, env.systemId)}
          </span>
        </div>
        {levels.map((held) => {
          const triggers = shown ? triggersAt(held) : []
          const holders = triggers.flatMap((t) => holdersInFront(derived, front, triggerKey(t)))
          const reserved = triggers.length === 1 ? reservedBy(triggers[0]!, index, program) : null
          const reach = triggers[0] ? reachOf(triggers[0]) : undefined
          const text =
            triggers.length === 0
              ? ''
              : (holders[0]?.name ??
                (reserved !== null ? reservedNote(reserved) : (otherwise(triggers)?.name ?? 'free')))
          return (
            <div
              key={held.join()}
              className="min-w-0 grow basis-0 border-r border-rule px-1.5 pt-1.5 font-chart leading-tight last:border-r-0"
            >
              <div className="h-[15px] truncate text-[12px] text-ink-2">
                {modifierSetName(held, env.systemId)}
              </div>
              <div
                className={`truncate text-[13px] font-semibold ${reserved !== null ? 'text-magenta' : holders.length === 0 ? 'font-medium text-ink-2' : ''}`}
              >
                {text}
              </div>
              <div className="truncate text-[12px] text-ink-2">
                {reach &&
                  (reach.verdict === 'away'
                    ? verdictWords.away
                    : `${verdictWords[reach.verdict]} ${Math.round(reach.timeMs)}`)}
              </div>
            </div>
          )
        })}
      </div>
    </div>
  )
}
