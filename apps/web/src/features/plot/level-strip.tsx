import { chord, isModifierCode, keyLegend, modifierName, triggerKey } from '@reach-plot/core'
import { ModifierSign } from '../../shared/modifier-sign.js'
import { useReachLayers } from '../../store/reach.js'
import { useDerived, useFront } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { holdersInFront } from './chart-faces.js'
import { offeredHeld } from './layers.js'

/** The levels of the key under the pointer or focus, side by side at the foot of the chart. */
export function LevelStrip() {
  const code = useView((s) => s.hovered ?? s.code)
  const derived = useDerived()
  const front = useFront()
  const { around, survey } = derived
  const levels = offeredHeld(around.layout)
  const { reachOf } = useReachLayers(levels)
  const shown =
    code !== null && !isModifierCode(code) && around.controls.some((c) => c.code === code) ? code : null
  return (
    // out of the flow, so that a change of text here does not lay the chart's hundreds of texts out anew
    <div className="relative h-[58px] shrink-0 border-t border-rule bg-panel" aria-hidden="true">
      <div className="absolute inset-0 flex [contain:strict]">
        <div className="flex w-[74px] shrink-0 flex-col justify-center border-r border-rule px-3">
          <span className="caption">Levels</span>
          <span className="truncate font-chart text-[18px] leading-tight font-semibold">
            {shown ? keyLegend(shown, around.layout, around.systemId) : '–'}
          </span>
        </div>
        {levels.map((held) => {
          const trigger = shown ? chord(shown, held) : null
          const key = trigger ? triggerKey(trigger) : ''
          const holders = trigger ? holdersInFront(derived, front, key) : []
          const system = trigger ? survey.systemActions.get(key) : undefined
          const reach = trigger ? reachOf(trigger) : undefined
          const text = !trigger ? '' : (holders[0]?.name ?? system ?? 'free')
          return (
            <div
              key={held.join()}
              className="min-w-0 grow basis-0 border-r border-rule px-1.5 pt-1.5 font-chart leading-tight last:border-r-0"
            >
              <div className="flex h-[15px] items-center gap-1 text-[12px] text-ink-2">
                {held.length === 0 ? 'bare' : held.map((m) => <ModifierSign key={m} modifier={m} size={8} />)}
                {held.length === 1 && (
                  <span className="truncate">{modifierName(held[0]!, around.systemId)}</span>
                )}
              </div>
              <div
                className={`truncate text-[13px] font-semibold ${system !== undefined ? 'text-magenta' : holders.length === 0 ? 'font-medium text-ink-2' : ''}`}
              >
                {text}
              </div>
              <div className="truncate text-[12px] text-ink-2">
                {reach &&
                  (reach.verdict === 'away' ? 'away' : `${reach.verdict} ${Math.round(reach.timeMs)}`)}
              </div>
            </div>
          )
        })}
      </div>
    </div>
  )
}
