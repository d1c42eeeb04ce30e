import { notLookedAt } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'

/** What is in the plan and was not checked, so that no finding is not taken for no clash. */
export function NotLookedAt() {
  const parts = notLookedAt(usePlan())
  if (parts.length === 0) return null
  return (
    <ul aria-label="Not checked" className="mx-[14px] mt-3 border-l-2 border-magenta pl-3">
      {parts.map((text) => (
        <li key={text}>{text}</li>
      ))}
    </ul>
  )
}
