import { setStandardsFree, toggleRule } from '@reach-plot/core'
import { SelectField, TickField } from '../../parts/fields.js'
import { NumberBox } from '../../parts/number-box.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useSolve } from '../../store/solve-store.js'

/** A standard key as each system writes it. */
const standardExample = { macos: '⌘C', others: 'Ctrl+C' } as const

/** What the solver may move, and where to. All limits hold together. */
export function AskForm({ disabled }: { disabled: boolean }) {
  const plan = usePlan()
  const edit = useEdit()
  const { bench } = useDerived()
  const ask = useSolve((s) => s.ask)
  const setAsk = useSolve((s) => s.setAsk)
  const devices = bench.devices.flatMap(({ deviceId }) => plan.devices.find((d) => d.id === deviceId) ?? [])
  const leftOut = plan.rules.devicesLeftOut ?? []
  return (
    <fieldset disabled={disabled} className="flex flex-col gap-1">
      <legend className="caption pb-1">What may move</legend>
      <TickField checked={ask.onlyUnplaced} onChange={(onlyUnplaced) => setAsk({ onlyUnplaced })}>
        Only commands without a key
      </TickField>
      <TickField checked={ask.isLimited} onChange={(isLimited) => setAsk({ isLimited })}>
        Limit the number of changes
      </TickField>
      {ask.isLimited && (
        <NumberBox
          label="Changes at most"
          value={ask.mostMoves}
          min={1}
          max={2000}
          onChange={(mostMoves) => setAsk({ mostMoves: Math.round(mostMoves) })}
        />
      )}
      <TickField
        checked={plan.rules.standardsFree === true}
        onChange={(isFree) => edit((before) => setStandardsFree(before, isFree))}
      >
        Standard keys, such as {standardExample[plan.system === 'macos' ? 'macos' : 'others']}, may move
      </TickField>
      <SelectField
        label="Program"
        value={ask.programId ?? ''}
        choices={[{ id: '', name: 'All programs' }, ...plan.programs]}
        onChange={(id) => setAsk({ programId: id === '' ? null : id })}
      />
      <SelectField
        label="Device"
        value={ask.deviceId ?? ''}
        choices={[{ id: '', name: 'All devices' }, ...devices]}
        onChange={(id) => setAsk({ deviceId: id === '' ? null : id })}
      />
      <details className="mt-1">
        <summary className="min-h-6 cursor-pointer text-ink-2">
          Devices that may be used
          {leftOut.length > 0 &&
            `: ${devices.filter((d) => !leftOut.includes(d.id)).length} of ${devices.length}`}
        </summary>
        {devices.map((d) => (
          <TickField
            key={d.id}
            checked={!leftOut.includes(d.id)}
            onChange={() => edit((before) => toggleRule(before, 'devicesLeftOut', d.id))}
          >
            {d.name}
          </TickField>
        ))}
      </details>
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
