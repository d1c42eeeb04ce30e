import { severityWords } from '@reach-plot/core'
import { contextsInWords, type Clash, acceptClash, reopenClash } from '@reach-plot/core'
import { toast } from '../../store/message.js'
import { undoAction } from '../../store/actions.js'
import { SeveritySign } from '../../parts/severity-sign.js'
import { evidenceWords, stageNames, meanings } from './words.js'
import { useClashDetail, type ClashDetailView } from './use-clash-detail.js'

/** One finding: who takes the key, why, how sure, and what would mend it. */
export function ClashDetail(props: { clash: Clash; note: string | null }) {
  const view = useClashDetail(props)
  const { clash, note, name, ready, remedies, apply, showOnPlot } = view
  return (
    <aside
      aria-label="The chosen clash"
      className="side flex w-[400px] shrink-0 flex-col overflow-y-auto border-l border-rule bg-panel px-5 pt-[14px] pb-4"
    >
      <p className="caption flex items-center gap-1.5">
        <SeveritySign severity={clash.severity} /> {severityWords[clash.severity]} · {stageNames[clash.stage]}
        {note !== null && ' · accepted'}
      </p>
      <h2 className="title mt-1">{name}</h2>
      <p className="mt-1">{clash.message}</p>
      <p className="mt-1 text-ink-2">
        {meanings[clash.severity]} How sure: {evidenceWords[clash.evidence]}.
      </p>
      {clash.setting !== undefined && (
        <p className="mt-1">
          Setting:{' '}
          <code className="rounded-none bg-reach-1 px-1 text-[13px] break-words">{clash.setting}</code>
        </p>
      )}
      <p className="caption mt-4 border-b border-rule pb-1">Commands concerned</p>
      <ConcernedCommands view={view} />
      <p className="caption mt-4 border-b border-rule pb-1">Remedies</p>
      {!ready && <p className="py-2 text-ink-2">Working out free places …</p>}
      {ready && remedies.length === 0 && (
        <p className="py-2 text-ink-2">
          What is concerned is locked, or has no key of its own. Unlock it first, or accept this.
        </p>
      )}
      <ul>
        {remedies.map((remedy) => (
          <li key={remedy.text} className="border-b border-rule py-2">
            <button
              type="button"
              className={`btn w-full justify-start text-left break-words whitespace-normal ${remedy === remedies[0] ? 'btn-main' : ''}`}
              onClick={() => apply(remedy)}
            >
              {remedy.text}
            </button>
          </li>
        ))}
      </ul>
      <AcceptForm view={view} />
      <button type="button" className="btn mt-4 self-start" onClick={showOnPlot}>
        Show {name} on the Plot
      </button>
    </aside>
  )
}

function ConcernedCommands({ view: { commands, plan, triggersOf } }: { view: ClashDetailView }) {
  return (
    <ul>
      {commands.map((command) => (
        <li key={command.id} className="flex justify-between gap-2 border-b border-rule py-1.5">
          <span className="min-w-0 break-words">
            <b>{command.name}</b>{' '}
            <span className="text-ink-2">
              {contextsInWords(
                command,
                plan.programs.find((p) => p.id === command.programId),
              )}
            </span>
          </span>
          <span className="text-ink-2">
            {command.usesPerHour}/h{triggersOf(command.id).length > 1 && ', has another trigger'}
          </span>
        </li>
      ))}
    </ul>
  )
}

function AcceptForm({ view: { edit, clash, why, setWhy, note } }: { view: ClashDetailView }) {
  return (
    <form
      className="mt-4"
      onSubmit={(e) => {
        e.preventDefault()
        edit((plan) => acceptClash(plan, clash, why))
        toast('Accepted. It stays listed at the end.', { action: undoAction() })
      }}
    >
      <label htmlFor="accept-note" className="caption block border-b border-rule pb-1">
        Live with it
      </label>
      <div className="mt-2 flex gap-2">
        <input
          id="accept-note"
          className="field min-w-0 grow"
          placeholder="why, for later"
          maxLength={500}
          value={why}
          onChange={(e) => setWhy(e.target.value)}
        />
        <button type="submit" className="btn">
          {note === null ? 'Accept' : 'Save the note'}
        </button>
      </div>
      {note !== null && (
        <button
          type="button"
          className="link mt-1 text-[13px]"
          onClick={() => edit((plan) => reopenClash(plan, clash.id))}
        >
          No longer accept it
        </button>
      )}
    </form>
  )
}
