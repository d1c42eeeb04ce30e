import { useState } from 'react'
import type { SheetColumn } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { ColumnHeads } from './column-heads.js'

const ways = [
  { name: 'By key', of: 'keyMs' },
  { name: 'Through the menu', of: 'menuMs' },
  { name: 'Choose it, then click', of: 'toolAndClickMs' },
  { name: 'By dragging instead', of: 'dragMs' },
] as const

/** One command done in the ways in which it can be done. */
export function WaysTable({ columns }: { columns: readonly SheetColumn[] }) {
  const { commands } = usePlan()
  const sorted = commands.toSorted((a, b) => b.usesPerHour - a.usesPerHour || (a.name < b.name ? -1 : 1))
  const [chosen, setChosen] = useState('')
  const command = sorted.find((c) => c.id === chosen) ?? sorted[0]
  if (!command) return null
  return (
    <section aria-label="Ways to do one command" className="min-w-0 px-[18px] pt-1 pb-3">
      <h3 className="caption">One command, in every way</h3>
      <table className="mt-1 w-full table-fixed">
        <thead>
          <tr className="border-b border-rule">
            <td className="w-[42%] py-1">
              <select
                className="field w-full"
                aria-label="Command to time"
                value={command.id}
                onChange={(e) => setChosen(e.target.value)}
              >
                {sorted.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.name}
                  </option>
                ))}
              </select>
            </td>
            <ColumnHeads columns={columns} />
          </tr>
        </thead>
        <tbody>
          {ways.map(({ name, of }) => (
            <tr key={of} className="border-b border-rule">
              <th scope="row" className="py-[3px] text-left font-normal">
                {name}
              </th>
              {columns.map((c) => {
                const ms = c.ways[command.id]?.[of] ?? null
                return (
                  <td key={c.id} className="text-right">
                    {ms === null ? '–' : `${(ms / 1000).toFixed(2)} s`}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
