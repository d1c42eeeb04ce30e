import { triggerName, type Command, type Place, type Trigger } from '@reach-plot/core'
import { Sheet } from '../../shared/dialog.js'
import { place as placeOn } from '../../store/actions.js'
import { isSameDevice } from '../../store/plan-edits.js'
import { useDerived } from '../../store/selectors.js'

/** Asked when a place is taken: who holds it, how much it is used, and what becomes of it. */
export function TakeSheet({
  command,
  place,
  onClose,
}: {
  command: Command
  place: Place
  onClose: () => void
}) {
  const { around, triggersOf } = useDerived()
  const name = (t: Trigger): string => triggerName(t, around)
  const old: Trigger | undefined = triggersOf(command.id).find((t) => isSameDevice(t, place.trigger))
  const holders = place.holders
  // names may be long: they stand in the table, not on the buttons
  const holderWords = holders.length > 1 ? 'the holders' : 'the holder'
  const run = (swapTo?: Trigger): void => {
    placeOn(
      {
        commandId: command.id,
        trigger: place.trigger,
        displaced: holders.map((h) => h.id),
        ...(swapTo && { swapTo }),
      },
      name(place.trigger),
    )
    onClose()
  }
  return (
    <Sheet
      title={`${name(place.trigger)} is taken`}
      onClose={onClose}
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn" onClick={() => run()}>
            Replace: {holderWords} unplaced
          </button>
          {old && (
            <button type="button" className="btn btn-main" onClick={() => run(old)}>
              Swap: the holder to {name(old)}
            </button>
          )}
        </>
      }
    >
      <table className="w-full">
        <thead>
          <tr className="caption text-left">
            <th className="pb-1 font-medium">Command</th>
            <th className="pb-1 text-right font-medium">Uses an hour</th>
            <th className="pb-1 pl-6 font-medium">Now on</th>
          </tr>
        </thead>
        <tbody>
          {[...holders, command].map((c) => (
            <tr key={c.id} className="border-t border-rule">
              <td className="py-1.5 font-semibold">{c.name}</td>
              <td className="text-right">{c.usesPerHour}</td>
              <td className="pl-6">{triggersOf(c.id).map(name).join(', ') || 'none'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {holders.length > 1 && old && (
        <p className="mt-3 text-ink-2">A swap moves “{holders[0]?.name}”; the others lose the place.</p>
      )}
    </Sheet>
  )
}
