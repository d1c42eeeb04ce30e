import { Dialog } from '../dialog.js'
import { SelectField, TickField } from '../fields.js'
import { TriggerChip } from '../trigger-chip.js'
import { useDeal, type DealProps, type DealView } from './use-deal.js'

/** Deals several commands onto the places of a page, a device or a pop-up set at once; shown before it is done. */
export function DealDialog(props: DealProps) {
  const view = useDeal(props)
  const { onto, deals, run, onClose } = view
  return (
    <Dialog
      title={`Deal commands onto ${onto}`}
      onClose={onClose}
      wide
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn btn-main" disabled={deals.length === 0} onClick={run}>
            Deal {deals.length} {deals.length === 1 ? 'command' : 'commands'}
          </button>
        </>
      }
    >
      <div className="grid grid-cols-2 gap-6">
        <Chooser view={view} />
        <div>
          <Options view={view} />
          <Outcome view={view} />
        </div>
      </div>
    </Dialog>
  )
}

function Chooser({ view }: { view: DealView }) {
  const { query, setQuery, listed, chosen, toggle, chooseListed, clear, keysOf, wordsOf } = view
  return (
    <section aria-label="Commands to deal">
      <input
        type="search"
        className="field w-full"
        aria-label="Find commands to deal"
        placeholder="Find by name or menu"
        value={query}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setQuery(e.target.value)}
      />
      <div className="mt-1.5 flex items-center gap-3 text-[13px]">
        <span role="status" className="text-ink-2">
          {chosen.length} chosen
        </span>
        <button type="button" className="link" onClick={chooseListed}>
          Choose all {listed.length}
        </button>
        {chosen.length > 0 && (
          <button type="button" className="link" onClick={clear}>
            Choose none
          </button>
        )}
      </div>
      <ul className="mt-1.5 h-[320px] overflow-y-auto border border-rule">
        {listed.map((command) => (
          <li key={command.id} className="border-b border-rule px-2">
            <label className="flex cursor-pointer items-baseline gap-2 py-1">
              <input
                type="checkbox"
                className="accent-(--magenta)"
                checked={chosen.includes(command)}
                onChange={() => toggle(command.id)}
              />
              <span className="min-w-0 grow truncate">{wordsOf(command)}</span>
              <span className="max-w-[110px] truncate font-chart text-[13px] font-semibold">
                {keysOf(command)}
              </span>
              <span className="w-[46px] text-right text-[12px] text-ink-2">{command.usesPerHour}/h</span>
            </label>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Options({ view }: { view: DealView }) {
  const { way, setWay, taken, setTaken, keeps, setKeeps, firstAt, setFirstAt, triggers, nameOf } = view
  const { targets, targetId, setTargetId } = view
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-2">
      {targets.length > 1 && (
        <div className="col-span-2">
          <SelectField label="Onto" value={targetId} choices={targets} onChange={setTargetId} />
        </div>
      )}
      <SelectField
        label="In which order"
        value={way}
        choices={[
          { id: 'easiest first', name: 'most used on the easiest' },
          { id: 'in a row', name: 'in a row, as chosen' },
        ]}
        onChange={setWay}
      />
      <SelectField
        label="Places that are taken"
        value={taken}
        choices={[
          { id: 'passed over', name: 'are passed over' },
          { id: 'replaced', name: 'are taken over' },
        ]}
        onChange={setTaken}
      />
      {way === 'in a row' && (
        <SelectField
          label="Beginning with"
          value={String(firstAt)}
          choices={triggers.map((t, i) => ({ id: String(i), name: nameOf(t) }))}
          onChange={(at) => setFirstAt(Number(at))}
        />
      )}
      <div className="self-end">
        <TickField checked={keeps} onChange={setKeeps}>
          They keep the keys that they have
        </TickField>
      </div>
    </div>
  )
}

function Outcome({ view: { deals, left, wordsOf } }: { view: DealView }) {
  if (deals.length === 0)
    return (
      <p className="mt-4 text-ink-2">Choose commands; what goes where is shown here before it is done.</p>
    )
  return (
    <>
      <ul aria-label="What goes where" className="mt-3 max-h-[250px] overflow-y-auto border-t border-ink">
        {deals.map(({ command, trigger, displaced }) => (
          <li key={command.id} className="flex items-baseline gap-2 border-b border-rule py-1">
            <span className="w-[130px] shrink-0 truncate">
              <TriggerChip trigger={trigger} />
            </span>
            <span className="min-w-0 grow truncate">{wordsOf(command)}</span>
            {displaced.length > 0 && (
              <span className="max-w-[150px] truncate text-[12px] text-magenta">
                instead of {displaced.map((c) => c.name).join(', ')}
              </span>
            )}
          </li>
        ))}
      </ul>
      {left > 0 && <p className="mt-2 text-magenta">{left} find no room, or are locked.</p>}
    </>
  )
}
