import { FileDown } from 'lucide-react'
import { useState } from 'react'
import { fullName, triggerName, type Trigger } from '@reach-plot/core'
import { download } from '../download.js'
import { ClashesBrought } from '../clashes-brought.js'
import { useDerived } from '../../store/selectors.js'
import type { TableClashes, TablePreview } from '../../worker/table-protocol.js'
import type { BringInScreen } from './use-bring-in.js'

const shownRows = 200
const kinds = ['new', 'changed', 'same', 'unreadable'] as const
type Kind = (typeof kinds)[number]
const kindNames: Readonly<Record<Kind, string>> = {
  new: 'New',
  changed: 'Changed',
  same: 'As they are',
  unreadable: 'Cannot be read',
}

/** What would change, by kind, with every line that cannot be read. */
export function Preview({ view: { preview, clashes, isCurrent, roles } }: { view: BringInScreen }) {
  const [chosen, setKind] = useState<Kind | null>(null)
  if (!roles.includes('command')) return null
  if (!preview || !isCurrent)
    return (
      <p role="status" className="text-ink-2">
        Working out what would change …
      </p>
    )
  const { taken } = preview.of
  const count = (kind: Kind): number =>
    kind === 'unreadable' ? taken.unreadable.length : taken.commands.filter((c) => c.status === kind).length
  const kind = chosen ?? kinds.find((k) => count(k) > 0) ?? 'new'
  return (
    <section aria-label="What would change" className="min-w-0">
      <Around of={preview.of} clashes={clashes} />
      <div className="mt-2 flex items-center gap-1 border-b border-rule">
        <div role="tablist" aria-label="What would change" className="flex">
          {kinds.map((k) => (
            <button
              key={k}
              type="button"
              role="tab"
              aria-selected={k === kind}
              className={`subtab h-9 ${k === 'unreadable' && count(k) > 0 ? 'text-magenta' : ''}`}
              onClick={() => setKind(k)}
            >
              {kindNames[k]} <b className="ml-1.5">{count(k)}</b>
            </button>
          ))}
        </div>
        {taken.unreadable.length > 0 && (
          <button
            type="button"
            className="btn ml-auto"
            onClick={() => download(unreadableText(taken.unreadable), 'not-read.txt', 'text/plain')}
          >
            <FileDown size={14} aria-hidden="true" /> Save the lines that cannot be read
          </button>
        )}
      </div>
      {kind === 'unreadable' ? (
        <Unreadable rows={taken.unreadable} />
      ) : (
        <Rows rows={taken.commands.filter((c) => c.status === kind)} />
      )}
    </section>
  )
}

const unreadableText = (rows: TablePreview['taken']['unreadable']): string =>
  rows.map((u) => `line ${u.line}: ${u.text}: ${u.why}`).join('\n') + '\n'

const listed = (names: readonly string[]): string =>
  names.length > 6 ? `${names.slice(0, 6).join(', ')} and ${names.length - 6} more` : names.join(', ')

/** What comes with the commands: programs, contexts, keys that nobody has, what stays locked, and clashes. */
function Around({ of: { taken, missing }, clashes }: { of: TablePreview; clashes: TableClashes | null }) {
  const { env } = useDerived()
  return (
    <ul className="flex flex-wrap gap-x-6 gap-y-1">
      <li>
        <b>{taken.keysRead}</b> keys read
      </li>
      {taken.newPrograms.length > 0 && (
        <li>
          New {taken.newPrograms.length === 1 ? 'program' : 'programs'}: <b>{listed(taken.newPrograms)}</b>
        </li>
      )}
      {taken.newContexts.length > 0 && (
        <li>
          New contexts: <b>{listed(taken.newContexts.map((c) => c.context))}</b>
        </li>
      )}
      {missing.length > 0 && (
        <li title={missing.map((m) => m.code).join(', ')}>
          No device here has <b>{listed(missing.map((m) => m.code))}</b>
        </li>
      )}
      {taken.held.length > 0 && (
        <li>
          <b>{taken.held.length}</b> stay as they are, since they are locked:{' '}
          {listed(taken.held.map((p) => triggerName(p.trigger, env)))}
        </li>
      )}
      <li>
        {clashes ? (
          <ClashesBrought {...clashes} />
        ) : (
          <span className="text-ink-2">Looking for clashes …</span>
        )}
      </li>
    </ul>
  )
}

function Rows({ rows }: { rows: TablePreview['taken']['commands'] }) {
  const { env } = useDerived()
  const names = (triggers: readonly Trigger[]): string =>
    triggers.length === 0 ? 'none' : triggers.map((t) => triggerName(t, env)).join(', ')
  if (rows.length === 0) return <p className="py-2 text-ink-2">None.</p>
  return (
    <>
      <table className="w-full">
        <thead>
          <tr className="caption text-left">
            <th className="w-[70px] py-1 font-medium">Line</th>
            <th className="font-medium">Command</th>
            <th className="font-medium">Menu</th>
            <th className="w-[90px] pr-4 text-right font-medium">Uses/h</th>
            <th className="font-medium">Keys</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, shownRows).map(({ line, command, changes, keysBefore, keysAfter }) => {
            const [was, is] = [names(keysBefore), names(keysAfter)]
            return (
              <tr key={command.id} className="border-t border-rule align-baseline">
                <td className="py-1 text-ink-2">{line}</td>
                <td className="max-w-[260px] truncate py-1 font-semibold" title={fullName(command)}>
                  {fullName(command)}
                </td>
                <td
                  className={`max-w-[260px] truncate py-1 ${changes.includes('menu') ? 'font-semibold' : 'text-ink-2'}`}
                >
                  {command.menu.join(' › ')}
                </td>
                <td className={`py-1 pr-4 text-right ${changes.includes('uses') ? 'font-semibold' : ''}`}>
                  {Number(command.usesPerHour.toPrecision(3))}
                </td>
                <td className="py-1 font-chart text-[14px]">
                  {keysBefore.length > 0 && was !== is && <span className="text-ink-2">{was} → </span>}
                  <b>{is}</b>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {rows.length > shownRows && <p className="mt-1 text-ink-2">and {rows.length - shownRows} more</p>}
    </>
  )
}

function Unreadable({ rows }: { rows: TablePreview['taken']['unreadable'] }) {
  const [query, setQuery] = useState('')
  const wanted = query.trim().toLowerCase()
  const found = rows.filter((u) => `${u.text} ${u.why}`.toLowerCase().includes(wanted))
  if (rows.length === 0) return <p className="py-2 text-ink-2">Everything could be read.</p>
  return (
    <>
      <input
        type="search"
        className="field my-2 w-[260px]"
        aria-label="Find among the lines that cannot be read"
        placeholder="Find by text or reason"
        value={query}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setQuery(e.target.value)}
      />
      <table className="w-full">
        <tbody>
          {found.slice(0, shownRows).map((u, i) => (
            <tr key={`${u.line} ${i}`} className="border-t border-rule align-baseline">
              <td className="w-[90px] py-1 text-ink-2">line {u.line}</td>
              <td className="max-w-[240px] truncate py-1 font-mono text-[12px]" title={u.text}>
                {u.text}
              </td>
              <td className="py-1">{u.why}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {found.length > shownRows && <p className="mt-1 text-ink-2">and {found.length - shownRows} more</p>}
    </>
  )
}
