import type { UsageReport } from '@reach-plot/core'
import { cancelUsage } from './use-usage-import.js'
import { useUsageReportPanel, type UsageReportPanelView } from './use-usage-report-panel.js'

const shownBad = 200
const shownUnknown = 40
/** What was read, what could not be used and why. Nothing is in the plan until it is taken over. */
export function UsageReportPanel(props: { report: UsageReport }) {
  const view = useUsageReportPanel(props)
  const { report, rows, take, withUnknown, setWithUnknown, names } = view
  return (
    <section aria-label="What was read" className="border border-ink bg-panel px-5 py-4">
      <h3 className="title">{report.source}</h3>
      <p className="mt-1">
        <b>{rows(report.goodRows)}</b> can be used, in {report.activeHours.toFixed(1)} hours of work and{' '}
        {report.sessions} sittings;{' '}
        <b className={report.badRows > 0 ? 'text-magenta' : ''}>{rows(report.badRows)} cannot</b>.{' '}
        {report.commands.length} commands were used, {report.sequences.length} sequences are repeated.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button type="button" className="btn btn-main" disabled={report.goodRows === 0} onClick={take}>
          {report.badRows > 0 ? `Take over the ${rows(report.goodRows)} that can be used` : 'Take it over'}
        </button>
        <button type="button" className="btn" onClick={cancelUsage}>
          Leave the plan as it is
        </button>
        <span className="text-ink-2">
          Uses an hour in the plan become those of the log. It can be undone.
        </span>
      </div>
      {report.unknown.length > 0 && (
        <div className="mt-4">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-(--magenta)"
              checked={withUnknown}
              onChange={(e) => setWithUnknown(e.target.checked)}
            />
            Add the {report.unknown.length} commands that the plan does not have; read the log again to count
            them
          </label>
          <p className="mt-1 text-ink-2">
            {report.unknown
              .slice(0, shownUnknown)
              .map((u) => `${u.command} (${u.program})`)
              .join(', ')}
            {report.unknown.length > shownUnknown && ` and ${report.unknown.length - shownUnknown} more`}
          </p>
        </div>
      )}
      {report.badRows > 0 && <BadRows view={view} />}
      <table className="mt-4 w-full max-w-[520px]">
        <caption className="caption pb-1 text-left">Most used in it</caption>
        <tbody>
          {report.commands.slice(0, 12).map((c) => (
            <tr key={c.commandId} className="border-t border-rule">
              <td className="py-1">{names.get(c.commandId)}</td>
              <td className="text-right">{c.uses.toLocaleString('en-GB')}</td>
              <td className="text-right text-ink-2">
                {report.activeHours > 0 ? `${(c.uses / report.activeHours).toFixed(1)}/h` : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

function BadRows({ view: { report } }: { view: UsageReportPanelView }) {
  return (
    <div className="mt-4 grid grid-cols-2 gap-6">
      <table className="w-full self-start">
        <caption className="caption pb-1 text-left">Why rows cannot be used</caption>
        <tbody>
          {report.reasons.slice(0, shownBad).map((r) => (
            <tr key={r.reason} className="border-t border-rule align-top">
              <td className="w-[90px] py-1 text-right">{r.rows.toLocaleString('en-GB')}</td>
              <td className="py-1 pl-4">
                {r.reason} <span className="text-ink-2">First in line {r.firstLine}.</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <table className="w-full self-start">
        <caption className="caption pb-1 text-left">The first of these rows</caption>
        <tbody>
          {report.bad.slice(0, shownBad).map((b) => (
            <tr key={b.line} className="border-t border-rule align-top">
              <td className="w-[90px] py-1">line {b.line}</td>
              <td className="py-1">{b.reason}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
