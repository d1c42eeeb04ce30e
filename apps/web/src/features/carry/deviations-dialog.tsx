import { fullName, type CommandId } from '@reach-plot/core'
import { keysInWords, type Standing } from '@reach-plot/core/carry'
import { Dialog } from '../../parts/dialog.js'
import { useDerived } from '../../store/selectors.js'

/** Where the plan deviates from the standard that it follows, and why. */
export function DeviationsDialog({
  standing: { deviations },
  onWhy,
  onClose,
}: {
  standing: Standing
  onWhy: (id: CommandId, why: string) => void
  onClose: () => void
}) {
  const { env } = useDerived()
  return (
    <Dialog
      title="Your own ways beside the standard"
      wide
      onClose={onClose}
      actions={
        <button type="button" className="btn btn-main" onClick={onClose}>
          Done
        </button>
      }
    >
      <p className="text-ink-2">
        A reason tells your team whether the standard should change. It goes with the plan.
      </p>
      <table className="mt-2 w-full border-collapse text-left">
        <thead>
          <tr className="caption border-b border-ink">
            <th className="py-1.5 pr-3">Command</th>
            <th className="py-1.5 pr-3">The standard</th>
            <th className="py-1.5 pr-3">You</th>
            <th className="py-1.5">Why</th>
          </tr>
        </thead>
        <tbody>
          {deviations.map(({ key, command, own, why }) => (
            <tr key={command.id} className="border-b border-rule align-top">
              <td className="py-1.5 pr-3">{fullName(command)}</td>
              <td className="py-1.5 pr-3 font-chart text-[14px] text-ink-2">
                {keysInWords(key.triggers, env)}
              </td>
              <td className="py-1.5 pr-3 font-chart text-[14px]">{keysInWords(own, env)}</td>
              <td className="w-[260px] py-1">
                <input
                  className="field w-full"
                  aria-label={`Why ${command.name} deviates`}
                  defaultValue={why}
                  maxLength={500}
                  placeholder="no reason yet"
                  onBlur={(e) => e.target.value.trim() !== why && onWhy(command.id, e.target.value)}
                  onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Dialog>
  )
}
