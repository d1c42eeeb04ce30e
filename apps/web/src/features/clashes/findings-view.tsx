import { useState } from 'react'
import { causesOf, clashStages, severities, triggerKey, type Cause, type Clash } from '@reach-plot/core'
import { FindBar, useFind } from '../../parts/find-bar.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { ClashDetail } from './clash-detail.js'
import { SeveritySign } from '../../parts/severity-sign.js'
import { stageNames, meanings } from './words.js'

/** All findings by severity and cause; for the chosen one, who takes the key and what would mend it. */
export function FindingsView() {
  const { clashes, accepted, env, index } = useDerived()
  const [chosenId, setChosenId] = useState<string | null>(null)
  const filter = useView((s) => s.clashFilter)
  const set = useView((s) => s.set)
  const { find, searchRef } = useFind()
  const { query, trigger } = find
  const namesOf = (clash: Clash): string[] => clash.commandIds.map((id) => index.commands.get(id)?.name ?? id)
  const words = query.toLowerCase().split(/\s+/).filter(Boolean)
  const passes = (clash: Clash): boolean => {
    const text = `${clash.message} ${namesOf(clash).join(' ')}`.toLowerCase()
    return (
      (trigger === null || triggerKey(clash.trigger) === triggerKey(trigger)) &&
      (filter.stage === null || clash.stage === filter.stage) &&
      (filter.ids === null || filter.ids.includes(clash.id)) &&
      words.every((w) => text.includes(w))
    )
  }
  const listed = clashes.filter(passes)
  const lived = accepted.filter((a) => passes(a.clash))
  const all = [...listed, ...lived.map((a) => a.clash)]
  const chosen = all.find((c) => c.id === chosenId) ?? all[0]
  if (clashes.length + accepted.length === 0) {
    return (
      <div className="px-[14px] pt-4">
        <h3 className="title">No clashes</h3>
        <p className="mt-1 text-ink-2">
          Every trigger of this arrangement reaches its command on {env.system.name}, as far as the check can
          tell.
        </p>
      </div>
    )
  }
  const row = (clash: Clash, text: string) => (
    <li key={clash.id}>
      <button
        type="button"
        aria-pressed={clash.id === chosen?.id}
        className="grid w-full grid-cols-[112px_190px_1fr] items-center gap-3 border-b border-rule px-[14px] py-[6px] text-left hover:bg-reach-1 aria-pressed:bg-ink aria-pressed:text-panel"
        onClick={() => setChosenId(clash.id)}
      >
        <TriggerChip trigger={clash.trigger} />
        <span className="truncate font-semibold" title={namesOf(clash).join(', ')}>
          {namesOf(clash).join(', ')}
        </span>
        <span className="min-w-0 break-words">{text}</span>
      </button>
    </li>
  )
  const cause = (found: Cause) =>
    found.clashes.length === 1 ? (
      found.clashes.map((clash) => row(clash, clash.message))
    ) : (
      <li key={`${found.stage} ${found.text}`}>
        <p className="border-b border-rule px-[14px] pt-2 pb-1 font-semibold">
          {found.text}{' '}
          <span className="font-normal text-ink-2">
            {found.clashes.length} findings, {stageNames[found.stage]}
          </span>
        </p>
        <ul>{found.clashes.map((clash) => row(clash, clash.message))}</ul>
      </li>
    )
  return (
    <>
      <section aria-label="Clashes by severity" className="flex min-w-0 grow flex-col overflow-y-auto">
        <div className="flex items-center gap-2 px-[14px] pt-[10px]">
          <FindBar
            find={find}
            searchRef={searchRef}
            label="Find clashes by name"
            placeholder="Find by name"
          />
          <select
            className="field"
            aria-label="Stage"
            value={filter.stage ?? ''}
            onChange={(e) =>
              set({
                clashFilter: { stage: clashStages.find((l) => l === e.target.value) ?? null, ids: null },
              })
            }
          >
            <option value="">every stage</option>
            {clashStages.map((stage) => (
              <option key={stage} value={stage}>
                {stageNames[stage]}
              </option>
            ))}
          </select>
          {filter.ids !== null && (
            <button
              type="button"
              className="btn"
              onClick={() => set({ clashFilter: { stage: null, ids: null } })}
            >
              {filter.ids.length} chosen: show all
            </button>
          )}
          <span role="status" className="text-ink-2">
            {listed.length} of {clashes.length} on {env.system.name}, {env.layout.name} layout
          </span>
        </div>
        {all.length === 0 && <p className="px-[14px] pt-4 text-ink-2">No clash passes the search.</p>}
        {severities.map((severity) => {
          const group = listed.filter((c) => c.severity === severity)
          return group.length === 0 ? null : (
            <section key={severity} aria-label={severity} className="mt-4">
              <h3 className="flex items-baseline gap-2 border-b border-ink px-[14px] pb-1">
                <SeveritySign severity={severity} />
                <span className="text-[15px] font-semibold first-letter:uppercase">
                  <span className="inline-block first-letter:uppercase">{severity}</span> {group.length}
                </span>
                <span className="text-ink-2">{meanings[severity]}</span>
              </h3>
              <ul>{causesOf(group).map(cause)}</ul>
            </section>
          )
        })}
        {lived.length > 0 && (
          <section aria-label="accepted" className="mt-4">
            <h3 className="flex items-baseline gap-2 border-b border-ink px-[14px] pb-1">
              <span className="text-[15px] font-semibold">Accepted {lived.length}</span>
              <span className="text-ink-2">You live with these.</span>
            </h3>
            <ul>{lived.map(({ clash, note }) => row(clash, note || clash.message))}</ul>
          </section>
        )}
        <div className="h-4 shrink-0" />
      </section>
      {chosen && (
        <ClashDetail
          key={chosen.id}
          clash={chosen}
          note={accepted.find((a) => a.clash.id === chosen.id)?.note ?? null}
        />
      )}
    </>
  )
}
