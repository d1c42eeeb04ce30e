import { pairAxes, type WordPair, setWordPairs } from '@reach-plot/core'
import { useWordPairs, type WordPairsView } from './use-word-pairs.js'

const axisWords: Readonly<Record<WordPair['axis'], string>> = {
  across: 'left, right',
  along: 'above, below',
  opposite: 'with Shift',
}
/** Words that lead in opposite directions, by which opposites are found; those that ship can be changed. */
export function WordPairs() {
  const view = useWordPairs()
  const { pairs, edit, plan } = view
  return (
    <>
      <h3 className="caption mt-6 border-b border-ink pb-1">{pairs.length} pairs of words</h3>
      <p className="mt-1 text-[13px] text-ink-2">
        Commands whose names differ in such a pair are opposites: on one key with and without Shift, or side
        by side the way the words lie.
      </p>
      <AddPairForm view={view} />
      <ul className="mt-2 columns-2 gap-x-6">
        {pairs.map((pair, i) => (
          <li
            key={`${pair.first} ${pair.second} ${i}`}
            className="flex items-baseline justify-between border-b border-rule text-[13px]"
          >
            <span>
              {pair.first} / {pair.second}
            </span>
            <button
              type="button"
              className="link text-[12px]"
              aria-label={`Remove ${pair.first} and ${pair.second}`}
              onClick={() => edit((plan) => setWordPairs(plan, (list) => list.filter((_, k) => k !== i)))}
            >
              remove
            </button>
          </li>
        ))}
      </ul>
      {plan.memory.wordPairs !== null && (
        <button type="button" className="btn mt-3" onClick={() => edit((plan) => setWordPairs(plan, null))}>
          Back to the pairs that ship
        </button>
      )}
    </>
  )
}

function AddPairForm({
  view: { add, first, setFirst, second, setSecond, axis, setAxis, canAdd },
}: {
  view: WordPairsView
}) {
  return (
    <form
      className="mt-2 flex gap-1.5"
      onSubmit={(e) => {
        e.preventDefault()
        add()
      }}
    >
      <input
        className="field w-0 min-w-0 grow"
        aria-label="First word"
        placeholder="first"
        maxLength={40}
        value={first}
        onChange={(e) => setFirst(e.target.value)}
      />
      <input
        className="field w-0 min-w-0 grow"
        aria-label="Second word"
        placeholder="second"
        maxLength={40}
        value={second}
        onChange={(e) => setSecond(e.target.value)}
      />
      <select
        className="field"
        aria-label="How they lie"
        value={axis}
        onChange={(e) => setAxis(pairAxes.find((a) => a === e.target.value) ?? 'opposite')}
      >
        {pairAxes.map((a) => (
          <option key={a} value={a}>
            {axisWords[a]}
          </option>
        ))}
      </select>
      <button type="submit" className="btn" disabled={!canAdd}>
        Add
      </button>
    </form>
  )
}
