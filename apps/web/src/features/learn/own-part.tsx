import { assumedLearner, slipShare, type OwnFigures } from '@reach-plot/core'
import { enoughForOwn, isOwnPress } from '@reach-plot/core/practice'
import type { LearnScreen } from './use-learn.js'

/** One's own figures in place of what is assumed: what they are, how sure, and whether the plan goes by them. */
export function OwnPart({ view: { own, answers, derived } }: { view: LearnScreen }) {
  const { found, taken, fit, isFitted, take, drop, takeFit, dropFit } = own
  const left = enoughForOwn - (answers ?? []).filter(isOwnPress).length
  return (
    <section className="mt-4">
      <h3 className="caption">Your own figures</h3>
      {found ? (
        <FiguresTable found={found} />
      ) : (
        <p className="mt-1 text-ink-2">
          {left > 0
            ? `${left} more answers, and your own slips and learning can stand in place of what is assumed.`
            : 'being worked out …'}
        </p>
      )}
      {taken && (
        <p className="mt-1 text-ink-2">The plan goes by your figures, from {taken.answers} answers.</p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {found && found.answers !== taken?.answers && (
          <button type="button" className="btn" onClick={take}>
            {taken ? 'Bring them up to date' : 'Go by my figures'}
          </button>
        )}
        {taken && (
          <button type="button" className="btn" onClick={drop}>
            Back to what is assumed
          </button>
        )}
      </div>
      {fit && (
        <p className="mt-3 text-ink-2">
          Fitted to {fit.keys} keys of your {derived.hand.side} hand, predicted times would be{' '}
          {Math.round(fit.afterMs)} ms off; now they are {Math.round(fit.beforeMs)} ms off. Each key was
          predicted without itself.
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {fit && (
          <button type="button" className="btn" onClick={takeFit}>
            Fit the model to me
          </button>
        )}
        {fit && isFitted && (
          <button type="button" className="btn" onClick={dropFit}>
            Back to the usual hand
          </button>
        )}
      </div>
    </section>
  )
}

const perThousand = (share: number): string =>
  (1000 * share).toFixed(share < 0.01 ? 1 : 0).replace(/\.0$/, '')

function FiguresTable({ found: { slips, learning } }: { found: OwnFigures }) {
  const rows: readonly (readonly [string, string, string])[] = [
    ...(slips
      ? ([
          ['Onto the next key, of 1,000', perThousand(slips.nextDoor), perThousand(slipShare.nextDoor)],
          ['Farther, or a modifier off', perThousand(slips.farther), perThousand(slipShare.farther)],
          ['Keys mixed up', String(slips.pairs.length), '0'],
        ] as const)
      : []),
    ...(learning
      ? ([
          [
            'To learn one, s',
            `${seconds(learning.uses * learning.ms)} (${seconds(learning.uses * learning.ms * learning.low)} to ${seconds(learning.uses * learning.ms * learning.high)})`,
            seconds(assumedLearner.uses * assumedLearner.ms),
          ],
        ] as const)
      : []),
  ]
  return (
    <table className="mt-1 w-full text-[13px]">
      <thead>
        <tr className="border-b border-rule text-left">
          <td />
          <th scope="col" className="caption py-1 text-right">
            Yours
          </th>
          <th scope="col" className="caption py-1 pl-2 text-right">
            Assumed
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, yours, assumed]) => (
          <tr key={name} className="border-b border-rule align-top">
            <th scope="row" className="py-1 text-left font-normal">
              {name}
            </th>
            <td className="py-1 text-right whitespace-nowrap tabular-nums">{yours}</td>
            <td className="py-1 pl-2 text-right text-ink-2 tabular-nums">{assumed}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

const seconds = (ms: number): string => String(Math.round(ms / 1000))
