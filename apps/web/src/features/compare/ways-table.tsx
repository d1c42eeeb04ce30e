import { useState } from 'react'
import type { Command, SheetColumn } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { CommandChooser } from '../../parts/command-chooser.js'
import { ColumnHeads } from './column-heads.js'

const ways = [
  { name: 'By key', of: 'keyMs' },
  { name: 'Through the menu', of: 'menuMs' },
  { name: 'Choose it, then click', of: 'toolAndClickMs' },
  { name: 'By dragging instead', of: 'dragMs' },
] as const

const mostUsed = (commands: readonly Command[]): Command | undefined =>
  commands.reduce<Command | undefined>(
    (best, c) => (best && best.usesPerHour >= c.usesPerHour ? best : c),
    undefined,
  )

/** One command done in the ways in which it can be done. */
export function WaysTable({ columns }: { columns: readonly SheetColumn[] }) {
  const { commands } = usePlan()
  const [chosen, setChosen] = useState('')
  const command = commands.find((c) => c.id === chosen) ?? mostUsed(commands)
  if (!command) return null
  return (
    <section aria-label="Ways to do one command" className="min-w-0 px-[18px] pt-1 pb-3">
      <h3 className="caption">One command, in every way</h3>
      <table className="mt-1 w-full table-fixed">
        <thead>
          <tr className="border-b border-rule">
            <td className="w-[42%] py-1">
              <CommandChooser
                label="Command to time"
                hideLabel
                commands={commands}
                value={command.id}
                onChange={setChosen}
              />
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
