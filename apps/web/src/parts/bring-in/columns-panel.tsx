import { formNames } from '@reach-plot/core/key-tables/forms'
import { roles, type Role } from '@reach-plot/core/key-tables/roles'
import type { TableShown } from '../../worker/table-protocol.js'
import { chooseTable, setRole, type BringInScreen } from './use-bring-in.js'

/** What a column can mean, in words. */
const roleNames: Readonly<Record<Role, string>> = {
  command: 'Command',
  keys: 'Keys',
  menu: 'Menu path',
  context: 'Context',
  program: 'Program',
  uses: 'How often',
  note: 'Note',
  ignore: 'leave out',
}

/** The first rows as they stand in the file, with what each column is taken for. */
export function ColumnsPanel({ view, table }: { view: BringInScreen; table: TableShown }) {
  const { fileName, tables, at, roles: chosen } = view
  return (
    <section aria-label="What the columns mean">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="text-[15px] font-semibold">{fileName}</h3>
        <p className="text-ink-2">
          {formNames[table.form]}, {table.rows.toLocaleString('en-GB')} {table.rows === 1 ? 'row' : 'rows'}
        </p>
        {tables.length > 1 && (
          <label className="ml-auto flex items-center gap-2">
            <span className="caption">Table</span>
            <select className="field" value={at} onChange={(e) => chooseTable(Number(e.target.value))}>
              {tables.map((t, i) => (
                <option key={t.shape} value={i}>
                  {i + 1}: {t.rows} rows, {t.columns.slice(0, 3).join(', ')}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      {!chosen.includes('command') && (
        <p role="alert" className="mt-1 text-magenta">
          Say which column has the names of the commands.
        </p>
      )}
      <div
        className="relative mt-2 overflow-x-auto border border-rule"
        tabIndex={0}
        role="region"
        aria-label="First rows"
      >
        <table className="w-full">
          <thead>
            <tr>
              {table.columns.map((name, i) => (
                <th
                  key={`${i} ${name}`}
                  className="border-r border-rule px-2 py-1.5 text-left align-bottom font-normal last:border-r-0"
                >
                  <span className="caption block max-w-[220px] truncate" title={name}>
                    {name}
                  </span>
                  <select
                    className={`field mt-1 ${chosen[i] === 'ignore' ? 'text-ink-2' : 'font-semibold'}`}
                    aria-label={`Column “${name}” is`}
                    value={chosen[i]}
                    onChange={(e) => setRole(i, e.target.value as Role)}
                  >
                    {roles.map((role) => (
                      <option key={role} value={role}>
                        {roleNames[role]}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.first.map((cells, r) => (
              <tr key={r} className="border-t border-rule">
                {table.columns.map((name, i) => (
                  <td
                    key={`${i} ${name}`}
                    className={`max-w-[260px] truncate border-r border-rule px-2 py-1 last:border-r-0 ${chosen[i] === 'ignore' ? 'text-ink-2' : ''}`}
                    title={cells[i]}
                  >
                    {cells[i]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}
