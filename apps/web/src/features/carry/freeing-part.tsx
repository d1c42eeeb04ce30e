import { dconfFile, freeingLines, type SetUpStep } from '@reach-plot/core/carry'
import { triggerName, type Chord } from '@reach-plot/core'
import { download } from '../../parts/download.js'
import { toast } from '../../store/message.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** Lines for a terminal that free the keys of the system, and the way back. */
export function FreeingPart({ steps }: { steps: readonly SetUpStep[] }) {
  const plan = usePlan()
  const { env } = useDerived()
  const chords = steps.flatMap((s) => s.off.filter((t): t is Chord => t.kind === 'chord'))
  const { free, back, byHand } = freeingLines(
    chords,
    env.system,
    env.layout,
    plan.ownSystemKeys[env.system.id],
  )
  const dconf = dconfFile(free)
  if (free.length === 0 && byHand.length === 0) return null
  return (
    <section className="border-t border-rule px-[18px] py-4">
      {free.length > 0 && (
        <>
          <h4 className="caption">Lines that free them on {env.system.name}</h4>
          <Lines lines={free} label="Lines that free the keys" />
          <div className="mt-2 flex flex-wrap gap-2">
            <button type="button" className="btn" onClick={() => void copy(free)}>
              Copy the lines
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => download(`${free.join('\n')}\n`, 'free-keys.sh', 'text/x-shellscript')}
            >
              Save them
            </button>
            {dconf !== '' && (
              <button
                type="button"
                className="btn"
                onClick={() => download(dconf, 'free-keys.dconf', 'text/plain')}
              >
                Save for dconf load /
              </button>
            )}
          </div>
          <h4 className="caption mt-4">The way back</h4>
          <Lines lines={back} label="Lines that bring the keys back" />
          <button type="button" className="btn mt-2" onClick={() => void copy(back)}>
            Copy the way back
          </button>
        </>
      )}
      {byHand.length > 0 && (
        <p className="mt-3 max-w-[560px]">
          By hand, in the settings of the system or its configuration:{' '}
          {byHand.map(({ chord, action }) => `${triggerName(chord, env)} (${action})`).join(', ')}.
        </p>
      )}
    </section>
  )
}

function Lines({ lines, label }: { lines: readonly string[]; label: string }) {
  return (
    <pre
      tabIndex={0}
      role="region"
      aria-label={label}
      className="mt-1 overflow-x-auto border border-rule bg-panel px-3 py-2 font-mono text-[12px] leading-[1.6]"
    >
      {lines.join('\n')}
    </pre>
  )
}

async function copy(lines: readonly string[]): Promise<void> {
  try {
    await navigator.clipboard.writeText(`${lines.join('\n')}\n`)
    toast(`${lines.length === 1 ? '1 line is' : `${lines.length} lines are`} on the clipboard.`)
  } catch {
    toast('The browser does not let this page use the clipboard. Select the lines and copy them.')
  }
}
