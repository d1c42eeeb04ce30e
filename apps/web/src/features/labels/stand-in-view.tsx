import { showProblem } from '../../store/problem.js'
import { clearStandIn, standInAddress, type StandInState } from '../../store/print-api.js'
import { TickField } from '../../parts/fields.js'
import { useStandIn, type StandInScreen } from './use-stand-in.js'

const faultNames = [
  { id: 'cover-open', name: 'Its cover is open' },
  { id: 'no-media', name: 'It is out of labels' },
  { id: 'wrong-size', name: 'Labels of another size are loaded' },
  { id: 'slow', name: 'It is slow' },
  { id: 'refuses', name: 'It refuses jobs' },
] as const

const jobWords: Readonly<Record<string, string>> = {
  'pending-held': 'waits for its document',
  pending: 'waits',
  processing: 'prints',
  'processing-stopped': 'is held up',
  canceled: 'cancelled',
  aborted: 'given up',
  completed: 'printed',
}
/** A label printer that is not there: what came out of it, and what can be made to go wrong. */
export function StandInView() {
  const view = useStandIn()
  const { state } = view
  return (
    <>
      <PrinterFaults view={view} />
      <div role="region" aria-label="Jobs" className="min-w-0 grow overflow-y-auto p-4" tabIndex={0}>
        {state && state.jobs.length === 0 && (
          <p className="text-ink-2">
            Nothing has come out yet. Print a sheet on the other tab, to this printer.
          </p>
        )}
        {state?.jobs.map((job) => (
          <article key={job.id} aria-label={`Job ${job.id}`} className="mb-5">
            <h3 className="flex items-baseline gap-2 border-b border-ink pb-1">
              <b>Job {job.id}</b>
              <span className="min-w-0 truncate" title={job.name}>
                {job.name.replace(/ \[[^\]]*\]$/, '')}
              </span>
              <span className="ml-auto whitespace-nowrap text-ink-2">
                {jobWords[job.state] ?? job.state}
                {job.pagesTotal !== null && `, ${job.pages.length} of ${job.pagesTotal}`}
              </span>
            </h3>
            {job.message !== '' && <p className="mt-1 text-magenta">{job.message}</p>}
            <ul className="mt-2 flex flex-wrap items-start gap-2">
              {job.pages.slice(0, shownPages).map((page, i) => (
                <li key={i}>
                  <img
                    src={`/api/stand-in/jobs/${job.id}/${i + 1}.png`}
                    alt={`Label ${i + 1} of job ${job.id}, ${page.widthMm.toFixed(0)} x ${page.heightMm.toFixed(0)} mm`}
                    className="border border-edge bg-white"
                    style={sizeOf(page)}
                  />
                </li>
              ))}
            </ul>
            {job.pages.length > shownPages && (
              <p className="mt-1 text-ink-2">and {job.pages.length - shownPages} more</p>
            )}
          </article>
        ))}
      </div>
    </>
  )
}

function PrinterFaults({ view: { problem, state, setFault } }: { view: StandInScreen }) {
  return (
    <section
      aria-label="The printer"
      className="side flex w-[284px] shrink-0 flex-col gap-3 overflow-y-auto border-r border-rule bg-panel px-[14px] pt-[10px] pb-4"
    >
      <p>
        A label printer that is not there. It takes jobs like a real one, and shows what would have come out.
      </p>
      <div>
        <p className="caption">Address</p>
        <p className="break-all">{standInAddress()}</p>
      </div>
      <p role="status">
        {problem !== '' ? (
          <span className="text-magenta">{problem}</span>
        ) : (
          state && <StateWords state={state} />
        )}
      </p>
      <fieldset>
        <legend className="caption mb-0.5">Faults</legend>
        {/* what is switched on is not known before the printer has answered */}
        {state &&
          faultNames.map(({ id, name }) => (
            <TickField key={id} checked={state.faults.includes(id)} onChange={(on) => setFault(id, on)}>
              {name}
            </TickField>
          ))}
      </fieldset>
      <button
        type="button"
        className="btn self-start"
        disabled={!state || state.jobs.length === 0}
        onClick={() => {
          clearStandIn().catch(showProblem)
        }}
      >
        Take away what is printed
      </button>
    </section>
  )
}

/** Pictures of one job that are shown at once. */
const shownPages = 120

/** Small labels are shown at six pixels a millimetre, sheets so that they are not higher than the screen. */
function sizeOf({ widthMm, heightMm }: { widthMm: number; heightMm: number }) {
  const pxPerMm = Math.min(6, 420 / Math.max(widthMm, heightMm))
  return { width: widthMm * pxPerMm, height: heightMm * pxPerMm }
}

const reasonWords: Readonly<Record<string, string>> = {
  'cover-open-error': 'Its cover is open.',
  'media-empty-error': 'It is out of labels.',
  'media-needed-error': 'Labels of another size are loaded.',
}

function StateWords({ state }: { state: StandInState }) {
  const words = { idle: 'Ready.', processing: 'Printing.', stopped: 'Stopped.' }[state.state]
  return (
    <>
      <b>{words}</b> {state.reasons.map((r) => reasonWords[r] ?? r).join(' ')}
    </>
  )
}
