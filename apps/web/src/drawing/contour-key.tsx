import { modifierName, type Environment } from '@reach-plot/core'
import { offeredHeld } from '../parts/held-sets.js'
import { ModifierSign } from '../parts/modifier-sign.js'
import { ClashSign } from '../parts/severity-sign.js'

const lines = [
  { name: 'comfortable to here: easy', width: 2, dash: undefined },
  { name: 'a stretch to here; then the hand moves', width: 2, dash: '8 4' },
  { name: 'ms from rest to the press', width: 1, dash: undefined },
] as const

/** What the chart's lines and signs mean. */
export function ContourKey({ env }: { env: Environment }) {
  const modifiers = [...new Set(offeredHeld(env.layout).flat())]
  return (
    <div className="grid gap-y-0.5 bg-paper/80 px-1 leading-tight max-[1180px]:hidden">
      {lines.map((line) => (
        <span key={line.name} className="flex items-center gap-1.5">
          <svg width="26" height="6">
            <path d="M0 3 H26" stroke="var(--contour)" strokeWidth={line.width} strokeDasharray={line.dash} />
          </svg>
          {line.name}
        </span>
      ))}
      <span className="flex items-center gap-1.5">
        <ClashSign /> clash
      </span>
      <span className="flex max-w-[212px] flex-wrap items-center gap-x-2.5">
        also holds, with
        {modifiers.map((m) => (
          <span key={m} className="inline-flex items-center gap-1">
            <ModifierSign modifier={m} size={12} /> {modifierName(m, env.systemId)}
          </span>
        ))}
      </span>
    </div>
  )
}
