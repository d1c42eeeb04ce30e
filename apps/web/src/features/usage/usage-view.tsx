import { howMany } from '../../parts/words.js'
import { FileUp } from 'lucide-react'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { fullName, usageFigures, type Command, type Usage, entryOf } from '@reach-plot/core'
import { chooseFile } from '../../parts/download.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { cancelUsage, importSeason, importUsage, useUsageImport } from './use-usage-import.js'
import { UsageReportPanel } from './usage-report.js'

const shownRows = 40

/** What a log of use tells: how often, by menu although there is a key, and what follows what. */
export function UsageView() {
  const plan = usePlan()
  const { progress, report, fileName } = useUsageImport()
  const choose = async (): Promise<void> => {
    const file = await chooseFile('.csv,.jsonl,.ndjson,text/csv,application/x-ndjson')
    if (file) await importUsage(file, plan)
  }
  const isDemo = ['fenmap', 'reedcall'].every((id) => plan.programs.some((p) => p.id === id))
  const share = progress ? Math.min(1, progress.doneBytes / Math.max(1, progress.totalBytes)) : 0
  return (
    <div className="flex min-h-0 min-w-0 grow flex-col">
      <div className="flex shrink-0 items-center gap-3 px-[14px] py-[10px]">
        <button
          type="button"
          className="btn btn-main"
          disabled={progress !== null}
          onClick={() => void choose()}
        >
          <FileUp size={14} aria-hidden="true" /> Import a log
        </button>
        {isDemo && (
          <button
            type="button"
            className="btn"
            disabled={progress !== null}
            onClick={() => void importSeason(plan)}
          >
            Read the example’s season
          </button>
        )}
        <p className="text-ink-2">
          CSV or JSON Lines with time, program, context, command and how (menu, pointer or key), of any
          length.
        </p>
      </div>
      {progress && (
        <div role="status" className="mx-[14px] mb-3 border border-ink bg-panel px-4 py-3">
          <div className="flex items-center gap-3">
            <span className="grow">
              Reading {fileName}: <b>{progress.rows.toLocaleString('en-GB')}</b> rows
            </span>
            <button type="button" className="btn" onClick={cancelUsage}>
              Cancel
            </button>
          </div>
          <progress className="mt-2 h-2 w-full" value={share} max={1} aria-label={`Reading ${fileName}`} />
        </div>
      )}
      <div className="min-h-0 grow overflow-y-auto px-[14px] pb-6">
        {report ? (
          <UsageReportPanel report={report} />
        ) : plan.usage ? (
          <Kept usage={plan.usage} />
        ) : (
          !progress && (
            <p className="max-w-[560px]">
              No log has been read. With one, the uses an hour of every command are counted instead of
              guessed, sequences that you repeat are proposed as routines, and commands that you still call
              from menus are shown.
            </p>
          )
        )}
      </div>
    </div>
  )
}

/** Usage that the plan keeps. */
function Kept({ usage }: { usage: Usage }) {
  const plan = usePlan()
  const { triggersOf } = useDerived()
  const figures = useMemo(
    () => usageFigures(usage, plan.commands, (id) => triggersOf(id).length > 0),
    [usage, plan.commands, triggersOf],
  )
  const names = useMemo(() => new Map(plan.commands.map((c) => [c.id, c])), [plan.commands])
  const name = (id: string): string => {
    const command = names.get(id)
    return command ? fullName(command) : id
  }
  const percent = (share: number): string => `${Math.round(share * 100)} %`
  const counted = plan.commands
    .flatMap((command) => {
      const count = entryOf(usage.commands, command.id)
      return count ? [{ command, ...count }] : []
    })
    .sort((a, b) => b.uses - a.uses)
  return (
    <>
      <dl className="flex flex-wrap gap-x-10 gap-y-2 border-y border-rule py-2">
        <Figure name="Rows" value={usage.rows.toLocaleString('en-GB')} note={usage.source} />
        <Figure
          name="Hours of work"
          value={usage.activeHours.toFixed(1)}
          note="pauses over 5 minutes left out"
        />
        <Figure name="Logged from menus" value={percent(figures.menuShare)} note="of the uses in the log" />
        <Figure
          name="Logged by pointer"
          value={percent(figures.pointerShare)}
          note="of the uses in the log"
        />
        <Figure
          name="From menus though placed"
          value={figures.menuThoughPlaced.reduce((s, m) => s + m.byMenu, 0).toLocaleString('en-GB')}
          note={howMany(figures.menuThoughPlaced.length, 'command', 'commands')}
        />
      </dl>
      <div className="mt-4 grid grid-cols-3 gap-6">
        <Ranking
          title="Most used"
          columns={['uses', 'an hour']}
          rows={counted.slice(0, shownRows).map(({ command, uses }) => ({
            id: command.id,
            name: fullName(command),
            cells: [uses.toLocaleString('en-GB'), perHour(uses, usage)],
          }))}
        />
        <MenuRanking figures={figures} />
        <Ranking
          title="What follows what"
          columns={['times', 'an hour']}
          rows={usage.follows.slice(0, shownRows).map((f) => ({
            id: `${f.from} ${f.to}`,
            name: `${name(f.from)} → ${name(f.to)}`,
            cells: [f.uses.toLocaleString('en-GB'), perHour(f.uses, usage)],
          }))}
        />
      </div>
      <p className="mt-4 text-ink-2">
        {usage.sequences.length} repeated sequences were found.{' '}
        <Link className="text-ink underline" to="/commands/routines">
          See them as routines
        </Link>
      </p>
    </>
  )
}

const perHour = (uses: number, usage: Usage): string =>
  usage.activeHours > 0 ? (uses / usage.activeHours).toFixed(1) : '–'

function MenuRanking({ figures }: { figures: ReturnType<typeof usageFigures> }) {
  const rows = (
    list: readonly { readonly command: Command; readonly byMenu: number; readonly perHour: number }[],
  ) =>
    list.map((m) => ({
      id: m.command.id,
      name: fullName(m.command),
      cells: [m.byMenu.toLocaleString('en-GB'), m.perHour.toFixed(1)],
    }))
  return (
    <div>
      <Ranking
        title="From a menu, though it has a trigger"
        columns={['times', 'an hour']}
        rows={rows(figures.menuThoughPlaced.slice(0, shownRows / 2))}
      />
      <div className="mt-5">
        <Ranking
          title="From a menu, and it has none"
          columns={['times', 'an hour']}
          rows={rows(figures.menuUnplaced.slice(0, shownRows / 2))}
        />
      </div>
    </div>
  )
}

function Figure({ name, value, note }: { name: string; value: string; note: string }) {
  return (
    <div>
      <dt className="caption">{name}</dt>
      <dd>
        <b className="text-[17px]">{value}</b> <span className="text-[12px] text-ink-2">{note}</span>
      </dd>
    </div>
  )
}

function Ranking({
  title,
  columns,
  rows,
}: {
  title: string
  columns: readonly string[]
  rows: readonly { readonly id: string; readonly name: string; readonly cells: readonly string[] }[]
}) {
  return (
    <table className="w-full table-fixed">
      <caption className="pb-1 text-left font-semibold">{title}</caption>
      <thead>
        <tr className="caption border-b border-ink text-right">
          <th className="py-1 text-left font-medium">Command</th>
          {columns.map((c) => (
            <th key={c} className="w-[62px] font-medium">
              {c}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.length === 0 && (
          <tr>
            <td colSpan={columns.length + 1} className="py-1.5 text-ink-2">
              none
            </td>
          </tr>
        )}
        {rows.map((row) => (
          <tr key={row.id} className="border-b border-rule">
            <td className="truncate py-1" title={row.name}>
              {row.name}
            </td>
            {row.cells.map((cell, i) => (
              <td key={i} className={`text-right ${i > 0 ? 'text-ink-2' : ''}`}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
