import { hintKinds, type Hint } from '@reach-plot/core'

const kindWords: Readonly<Record<Hint['kind'], string>> = { idea: 'stands for it', shape: 'looks like it' }

/** Links of the person's own between a command and the sign on a key. */
export function HintsField({
  hints,
  onChange,
}: {
  hints: readonly Hint[]
  onChange: (hints: Hint[]) => void
}) {
  const change = (at: number, part: Partial<Hint>): void =>
    onChange(hints.map((h, i) => (i === at ? { ...h, ...part } : h)))
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-ink-2">
        Your own reminders: a sign on a key, and why it reminds you of this command
      </legend>
      {hints.map((hint, i) => (
        <div key={i} className="mt-1 flex gap-2">
          <input
            className="field w-[90px]"
            aria-label={`Sign of reminder ${i + 1}`}
            maxLength={12}
            value={hint.sign}
            onChange={(e) => e.target.value !== '' && change(i, { sign: e.target.value })}
          />
          <select
            className="field"
            aria-label={`Kind of reminder ${i + 1}`}
            value={hint.kind}
            onChange={(e) => change(i, { kind: hintKinds.find((k) => k === e.target.value) ?? 'idea' })}
          >
            {hintKinds.map((kind) => (
              <option key={kind} value={kind}>
                {kindWords[kind]}
              </option>
            ))}
          </select>
          <input
            className="field min-w-0 grow"
            aria-label={`Why of reminder ${i + 1}`}
            placeholder="why, such as open scissors"
            maxLength={120}
            value={hint.why}
            onChange={(e) => change(i, { why: e.target.value })}
          />
          <button
            type="button"
            className="link"
            aria-label={`Remove reminder ${i + 1}`}
            onClick={() => onChange(hints.filter((_, k) => k !== i))}
          >
            remove
          </button>
        </div>
      ))}
      {hints.length < 12 && (
        <button
          type="button"
          className="btn mt-1.5"
          onClick={() => onChange([...hints, { sign: 'X', kind: 'idea', why: '' }])}
        >
          Add a reminder
        </button>
      )}
    </fieldset>
  )
}
