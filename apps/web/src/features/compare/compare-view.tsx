import { SelectField } from '../../parts/fields.js'
import { dayHours, sheetRows, writeCsv, type SheetColumn, setPlanSettings } from '@reach-plot/core'
import { download } from '../../parts/download.js'
import { NumberBox } from '../../parts/number-box.js'
import { usePlan, usePlanStore } from '../../store/plan-store.js'
import { ChangeMap } from './change-map.js'
import { FigureDialog } from './figure-dialog.js'
import { FigureTable } from './figure-table.js'
import { FingerBars } from './finger-bars.js'
import { GainList } from './gain-list.js'
import { RoutineDialog } from './routine-dialog.js'
import { RoutineStrips } from './routine-strips.js'
import { WaysTable } from './ways-table.js'
import { useCompare, type CompareScreen } from './use-compare.js'

/** Arrangements side by side, each against the first: seconds, trips, load, clashes, what changes and what it gains. */
export function CompareView() {
  const view = useCompare()
  const { columns, base, last, setRoutineId, setFigure, figure, routineId } = view
  return (
    <div className="flex min-w-0 grow flex-col">
      <CompareHead view={view} />
      <div
        className="print-all min-h-0 grow overflow-y-auto"
        tabIndex={0}
        role="region"
        aria-label="Comparison"
      >
        {base && last && (
          <>
            <Summary columns={columns} />
            <div className="grid grid-cols-1 min-[1100px]:grid-cols-[minmax(0,5fr)_minmax(0,6fr)] print:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
              <div className="border-b border-rule">
                <RoutineStrips columns={columns} onOpen={setRoutineId} />
                <WaysTable columns={columns} />
              </div>
              <div className="border-l border-rule">
                <FigureTable columns={columns} onOpen={setFigure} />
              </div>
              {columns.length > 1 && <ChangeMap column={last} base={base} />}
              <div className="grid grid-cols-1 border-l border-rule min-[1100px]:grid-cols-[300px_minmax(0,1fr)]">
                <div>
                  <FingerBars columns={columns} side="left" />
                  <FingerBars columns={columns} side="right" />
                </div>
                {columns.length > 1 ? <GainList column={last} /> : null}
              </div>
            </div>
          </>
        )}
      </div>
      {figure && <FigureDialog asked={figure} onClose={() => setFigure(null)} />}
      {routineId !== null && (
        <RoutineDialog routineId={routineId} columns={columns} onClose={() => setRoutineId(null)} />
      )}
    </div>
  )
}

function CompareHead({ view: { plan, known, toggle, isFresh, columns } }: { view: CompareScreen }) {
  return (
    <div className="flex min-h-11 shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-panel px-[18px] py-1">
      <h2 className="title">Compare</h2>
      <fieldset className="flex flex-wrap items-center gap-x-4">
        <legend className="sr-only">Arrangements, the first is compared against</legend>
        {plan.arrangements.map((a) => (
          <label key={a.id} className="flex min-h-6 items-center gap-[6px]">
            <input
              type="checkbox"
              checked={known.includes(a.id)}
              disabled={known.length === 1 && known[0] === a.id}
              onChange={() => toggle(a.id)}
            />
            <span className="max-w-[200px] truncate" title={a.name}>
              {known.includes(a.id) && known.length > 1 ? `${known.indexOf(a.id) + 1}. ` : ''}
              {a.name}
            </span>
          </label>
        ))}
      </fieldset>
      <span role="status" className="text-ink-2">
        {isFresh ? '' : 'working it out …'}
      </span>
      <div className="no-print ml-auto flex items-center gap-2">
        <button
          type="button"
          className="btn"
          disabled={columns.length === 0}
          onClick={() => exportCsv(columns, plan)}
        >
          Export CSV
        </button>
        <button type="button" className="btn" disabled={columns.length === 0} onClick={() => print()}>
          Print page
        </button>
      </div>
      <div className="no-print flex w-full items-center gap-6">
        <MenusField />
        <HoursField />
      </div>
    </div>
  )
}

function Summary({ columns }: { columns: readonly SheetColumn[] }) {
  const [base, ...others] = columns
  if (!base || others.length === 0) return null
  const time = (c: SheetColumn): number => c.figures['time']?.value ?? 0
  return (
    <p className="flex flex-wrap gap-x-8 border-b border-rule px-[18px] py-2">
      {others.map((c) => {
        const less = time(base) - time(c)
        return (
          <span key={c.id}>
            <b>{Math.abs(less).toFixed(1)} min</b> a day {less >= 0 ? 'less' : 'more'} with {c.name} than with{' '}
            {base.name}
            <SavedRange column={c} />
          </span>
        )
      })}
    </p>
  )
}

/** How sure a saving is, and how much of it comes from commands that had no key. */
function SavedRange({ column }: { column: SheetColumn }) {
  const { range } = column.figures['saved'] ?? { range: null }
  if (!range) return null
  const [least, most] = range.map((minutes) => minutes.toFixed(1))
  const unkeyed = column.saved?.fromUnkeyedMinutes ?? 0
  return (
    <span className="text-ink-2">
      {' '}
      ({least} to {most} by how well the menus are known and how sure the rates are
      {unkeyed > 0.05 && `; ${unkeyed.toFixed(1)} of it from commands that had no key`})
    </span>
  )
}

function HoursField() {
  const { hours, source } = dayHours(usePlan())
  const edit = usePlanStore((s) => s.edit)
  return (
    <div className="flex w-[270px] items-center gap-2 [&>div]:flex [&>div]:items-center [&>div]:gap-2 [&_label]:whitespace-nowrap">
      <NumberBox
        label="Active hours a day"
        value={Math.round(hours * 100) / 100}
        min={0.25}
        max={24}
        step={0.25}
        onChange={(said) => edit((plan) => setPlanSettings(plan, { hoursPerDay: said }))}
      />
      <span className="whitespace-nowrap text-[12px] text-ink-2">{hoursWords[source]}</span>
    </div>
  )
}

/** How well menus are known, on which each saving rests. */
function MenusField() {
  const plan = usePlan()
  const edit = usePlanStore((s) => s.edit)
  return (
    <SelectField
      label="Menus are"
      labelClass="mr-2"
      className=""
      value={plan.menusKnown ?? 'usual'}
      choices={[
        { id: 'by heart', name: 'known by heart' },
        { id: 'usual', name: 'known as usual' },
        { id: 'seldom used', name: 'seldom used' },
      ]}
      onChange={(menusKnown) => edit((draft) => setPlanSettings(draft, { menusKnown }))}
    />
  )
}

/** Who tells the hours of a day. */
const hoursWords = { said: 'as you say', log: 'from the log', assumed: 'assumed' } as const

function exportCsv(columns: readonly SheetColumn[], plan: ReturnType<typeof usePlan>): void {
  const [head = [], ...rows] = sheetRows(columns, plan)
  download(writeCsv(head, rows), 'comparison.csv', 'text/csv')
}
