import { modifierName } from '@reach-plot/core'
import { ModifierSign } from './modifier-sign.js'
import { useDerived } from '../store/selectors.js'
import { useHeld, useView } from '../store/view-store.js'
import { offeredModifiers, toggle } from './held-sets.js'

/** Chooses which modifiers are held for the chart. Holding the real keys does the same. */
export function ModifierSetBar() {
  const { env } = useDerived()
  const held = useHeld()
  const set = useView((s) => s.set)
  return (
    <div role="group" aria-label="Held modifiers" className="flex items-center gap-2">
      <button
        type="button"
        className="btn font-chart text-[14px] font-semibold"
        aria-pressed={held.length === 0}
        onClick={() => set({ chosenHeld: [] })}
      >
        bare
      </button>
      {offeredModifiers(env.layout).map((modifier) => (
        <button
          key={modifier}
          type="button"
          className="btn font-chart text-[14px] font-semibold"
          aria-pressed={held.includes(modifier)}
          onClick={() => set({ chosenHeld: toggle(held, modifier) })}
        >
          <ModifierSign modifier={modifier} /> {modifierName(modifier, env.systemId)}
        </button>
      ))}
    </div>
  )
}
