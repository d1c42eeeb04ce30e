import { NumberBox } from '../../parts/number-box.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useSolve, type ScopeKind } from '../../store/solve-store.js'

const scopes: readonly { readonly id: ScopeKind; readonly name: string; readonly hint: string }[] = [
  { id: 'everything', name: 'Everything', hint: 'what is not locked' },
  { id: 'few', name: 'Limit the number of changes', hint: 'the best of few' },
  { id: 'unplaced', name: 'Only commands without a key', hint: 'all else stays' },
  { id: 'program', name: 'One program', hint: 'others stay' },
  { id: 'device', name: 'One device', hint: 'others stay' },
]

/** What the solver may move. */
export function AskForm({ disabled }: { disabled: boolean }) {
  const plan = usePlan()
  const { bench } = useDerived()
  const ask = useSolve((s) => s.ask)
  const setAsk = useSolve((s) => s.setAsk)
  const devices = bench.devices.flatMap(({ deviceId }) => plan.devices.find((d) => d.id === deviceId) ?? [])
  return (
    <fieldset disabled={disabled} className="flex flex-col gap-1">
      <legend className="caption pb-1">What may move</legend>
      {scopes.map(({ id, name, hint }) => (
        <label key={id} className="flex min-h-6 items-center gap-2">
          <input
            type="radio"
            name="scope"
            checked={ask.scope === id}
            onChange={() => setAsk({ scope: id })}
          />
          <span>{name}</span>
          <span className="ml-auto text-[12px] text-ink-2">{hint}</span>
        </label>
      ))}
      {ask.scope === 'few' && (
        <NumberBox
          label="Changes at most"
          value={ask.mostMoves}
          min={1}
          max={2000}
          onChange={(mostMoves) => setAsk({ mostMoves: Math.round(mostMoves) })}
        />
      )}
      {ask.scope === 'program' && (
        <select
          className="field"
          aria-label="Program"
          value={ask.programId ?? plan.programs[0]?.id ?? ''}
          onChange={(e) => setAsk({ programId: e.target.value })}
        >
          {plan.programs.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      )}
      {ask.scope === 'device' && (
        <select
          className="field"
          aria-label="Device"
          value={ask.deviceId ?? devices[0]?.id ?? ''}
          onChange={(e) => setAsk({ deviceId: e.target.value })}
        >
          {devices.map((d) => (
            <option key={d.id} value={d.id}>
              {d.name}
            </option>
          ))}
        </select>
      )}
      <details className="mt-1">
        <summary className="min-h-6 cursor-pointer text-ink-2">Seed</summary>
        <NumberBox
          label="Another seed may find another arrangement that is as good"
          value={ask.seed}
          min={0}
          max={1_000_000}
          onChange={(seed) => setAsk({ seed: Math.round(seed) })}
        />
      </details>
    </fieldset>
  )
}
