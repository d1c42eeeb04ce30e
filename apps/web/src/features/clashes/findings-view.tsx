import { causesOf, clashStages, severities, type Cause, type Clash, type Severity } from '@reach-plot/core'
import { FindBar } from '../../parts/find-bar.js'
import { SeveritySign } from '../../parts/severity-sign.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { severityWords } from '@reach-plot/core'
import { ClashDetail } from './clash-detail.js'
import { NotLookedAt } from './not-looked-at.js'
import { useFindings, type Findings } from './use-findings.js'
import { stageNames, meanings } from './words.js'

/** All findings by severity and cause; for the chosen one, who takes the key and what would remedy it. */
export function FindingsView() {
  const view = useFindings()
  const { env, listed, lived, chosen, isEmpty } = view
  if (isEmpty) {
    return (
      <div className="px-[14px] pt-4">
        <h3 className="title">No clashes</h3>
        <p className="mt-1 text-ink-2">
          Every trigger of this arrangement reaches its command on {env.system.name}, as far as the check can
          tell.
        </p>
        <NotLookedAt />
      </div>
    )
  }
  return (
    <>
      <section aria-label="Clashes by severity" className="flex min-w-0 grow flex-col overflow-y-auto">
        <FindingFilters view={view} />
        <NotLookedAt />
        {!chosen && <p className="px-[14px] pt-4 text-ink-2">No clash passes the search.</p>}
        {severities.map((severity) => (
          <SeverityGroup
            key={severity}
            severity={severity}
            clashes={listed.filter((c) => c.severity === severity)}
            view={view}
          />
        ))}
        {lived.length > 0 && (
          <section aria-label="accepted" className="mt-4">
            <h3 className="flex items-baseline gap-2 border-b border-ink px-[14px] pb-1">
              <span className="text-[15px] font-semibold">Accepted {lived.length}</span>
              <span className="text-ink-2">You live with these.</span>
            </h3>
            <ul>
              {lived.map(({ clash, note }) => (
                <FindingRow key={clash.id} clash={clash} text={note || clash.message} view={view} />
              ))}
            </ul>
          </section>
        )}
        <div className="h-4 shrink-0" />
      </section>
      {chosen && <ClashDetail key={chosen.id} clash={chosen} note={view.chosenNote} />}
    </>
  )
}

function FindingFilters({
  view: { find, searchRef, filter, setFilter, listed, total, env },
}: {
  view: Findings
}) {
  return (
    <div className="flex items-center gap-2 px-[14px] pt-[10px]">
      <FindBar find={find} searchRef={searchRef} label="Find clashes by name" placeholder="Find by name" />
      <select
        className="field"
        aria-label="Stage"
        value={filter.stage ?? ''}
        onChange={(e) =>
          setFilter({ stage: clashStages.find((stage) => stage === e.target.value) ?? null, ids: null })
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
        <button type="button" className="btn" onClick={() => setFilter({ stage: null, ids: null })}>
          {filter.ids.length} chosen: show all
        </button>
      )}
      <span role="status" className="text-ink-2">
        {listed.length} of {total} on {env.system.name}, {env.layout.name} layout
      </span>
    </div>
  )
}

function SeverityGroup({
  severity,
  clashes,
  view,
}: {
  severity: Severity
  clashes: readonly Clash[]
  view: Findings
}) {
  if (clashes.length === 0) return null
  return (
    <section aria-label={severityWords[severity]} className="mt-4">
      <h3 className="flex items-baseline gap-2 border-b border-ink px-[14px] pb-1">
        <SeveritySign severity={severity} />
        <span className="text-[15px] font-semibold">
          <span className="inline-block first-letter:uppercase">{severityWords[severity]}</span>{' '}
          {clashes.length}
        </span>
        <span className="text-ink-2">{meanings[severity]}</span>
      </h3>
      <ul>
        {causesOf(clashes).map((cause) => (
          <CauseRows key={`${cause.stage} ${cause.text}`} cause={cause} view={view} />
        ))}
      </ul>
    </section>
  )
}

function CauseRows({ cause: { clashes, stage, text }, view }: { cause: Cause; view: Findings }) {
  const rows = clashes.map((clash) => (
    <FindingRow key={clash.id} clash={clash} text={clash.message} view={view} />
  ))
  if (rows.length === 1) return rows
  return (
    <li>
      <p className="border-b border-rule px-[14px] pt-2 pb-1 font-semibold">
        {text}{' '}
        <span className="font-normal text-ink-2">
          {clashes.length} findings, {stageNames[stage]}
        </span>
      </p>
      <ul>{rows}</ul>
    </li>
  )
}

function FindingRow({ clash, text, view }: { clash: Clash; text: string; view: Findings }) {
  const names = view.namesOf(clash)
  return (
    <li>
      <button
        type="button"
        aria-pressed={clash.id === view.chosen?.id}
        className="grid w-full grid-cols-[112px_190px_1fr] items-center gap-3 border-b border-rule px-[14px] py-[6px] text-left hover:bg-reach-1 aria-pressed:bg-ink aria-pressed:text-panel"
        onClick={() => view.setChosenId(clash.id)}
      >
        <TriggerChip trigger={clash.trigger} />
        <span className="truncate font-semibold" title={names}>
          {names}
        </span>
        <span className="min-w-0 break-words">{text}</span>
      </button>
    </li>
  )
}
