import { characterLegend, triggerKey } from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { ProgramSelect } from '../../parts/program-select.js'
import { WordPairs } from './word-pairs.js'
import { useMnemonics, type MnemonicsScreen } from './use-mnemonics.js'

/** How well places recall their commands: the figure, the weakest, and letters that several commands want. */
export function MnemonicsView() {
  const view = useMnemonics()
  if (!view)
    return <p className="p-5 text-ink-2">There are no commands yet. Import or add them under Inventory.</p>
  const { conflicts } = view
  return (
    <div className="grid min-h-0 min-w-0 grow grid-cols-[1fr_430px]">
      <WeakestPlaces view={view} />
      <div
        role="region"
        aria-label="Letters and pairs of words"
        tabIndex={0}
        className="min-h-0 overflow-y-auto px-5 pt-4 pb-6"
      >
        <h3 className="caption border-b border-ink pb-1">
          {conflicts.length} letters that several commands want
        </h3>
        <p className="mt-1 text-[13px] text-ink-2">
          The most used has the better claim. The others are offered the best letter that is left.
        </p>
        <ul>
          {conflicts.map((conflict) => (
            <li
              key={`${conflict.claimants[0]?.programId ?? ''} ${conflict.letter}`}
              className="flex gap-3 border-b border-rule py-1.5"
            >
              <span className="keycap h-fit shrink-0 font-chart text-[14px] font-semibold">
                {characterLegend(conflict.letter)}
              </span>
              <span>
                {conflict.claimants.map((c, i) => {
                  const next = conflict.next.get(c.id)
                  return (
                    <span key={c.id}>
                      {i > 0 && ', '}
                      <b className={next === undefined ? '' : 'font-normal'}>{c.name}</b>
                      {next !== undefined && (
                        <span className="text-ink-2">
                          {' '}
                          ({next ? `then ${characterLegend(next.to)}` : 'no letter left'})
                        </span>
                      )}
                    </span>
                  )
                })}
              </span>
            </li>
          ))}
        </ul>
        <WordPairs />
      </div>
    </div>
  )
}

function WeakestPlaces({
  view: { programId, setProgramId, mean, arrangement, recalls, weak, rows, find, setRows },
}: {
  view: MnemonicsScreen
}) {
  return (
    <div className="flex min-h-0 flex-col border-r border-rule px-5 pt-4">
      <div className="flex items-end gap-6 pb-3">
        <ProgramSelect label="Places of" value={programId} onChange={setProgramId} />
        <p>
          <b className="text-[22px]">{mean === null ? '–' : mean.toFixed(2)}</b> of 1, weighted by use, in “
          {arrangement.name}”
        </p>
        <p className="text-ink-2">
          {recalls.length} placed, {recalls.filter((r) => r.score === 0).length} without a link to their name
        </p>
      </div>
      <div
        role="region"
        aria-label="Weakest places"
        tabIndex={0}
        className="min-h-0 grow overflow-y-auto pb-4"
      >
        <table className="w-full">
          <thead className="sticky top-0 bg-paper">
            <tr className="caption border-b border-ink text-left">
              <th className="py-1.5 font-medium">Weakest by use</th>
              <th className="pr-5 text-right font-medium">Uses/h</th>
              <th className="font-medium">On</th>
              <th className="pr-5 text-right font-medium">Score</th>
              <th className="font-medium">Link</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {weak.slice(0, rows).map((r) => (
              <tr key={`${r.command.id} ${triggerKey(r.trigger)}`} className="border-b border-rule">
                <td className="max-w-[220px] truncate py-1 font-semibold" title={r.command.name}>
                  {r.command.name}
                </td>
                <td className="pr-5 text-right">{r.command.usesPerHour}</td>
                <td className="pr-3">
                  <TriggerChip trigger={r.trigger} />
                </td>
                <td className="pr-5 text-right">{r.score.toFixed(2)}</td>
                <td className="text-ink-2">{r.reason}</td>
                <td className="text-right">
                  <button
                    type="button"
                    className="link text-[12px] whitespace-nowrap"
                    aria-label={`Find a place for ${r.command.name}`}
                    onClick={() => find(r.command)}
                  >
                    find a place
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {weak.length > rows && (
          <button type="button" className="btn mt-2" onClick={() => setRows(rows + 100)}>
            100 more of {weak.length}
          </button>
        )}
        {weak.length === 0 && <p className="py-3 text-ink-2">Every placed command has its first letter.</p>}
      </div>
    </div>
  )
}
