import { Subtabs } from '../../parts/subtabs.js'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import {
  chord,
  contextsInWords,
  fullName,
  plainTriggers,
  triggerKey,
  triggerName,
  type PopupSet,
  type Trigger,
  addPopup,
  deletePopup,
  editPopup,
} from '@reach-plot/core'
import { DealDialog } from '../../parts/deal/deal-dialog.js'
import { useDealTargets } from '../../parts/deal/use-deal-targets.js'
import { Dialog } from '../../parts/dialog.js'
import { NumberBox } from '../../parts/number-box.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { onEditable } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { ActList } from '../../parts/triggers/act-list.js'
import { TriggerDialog } from '../../parts/triggers/trigger-dialog.js'

/** Pop-up sets of the arrangement: what brings each up, where, and what stands on its places in each context. */
export function PopupsDialog({ onClose }: { onClose: () => void }) {
  const { arrangement, env } = useDerived()
  const [chosenId, setChosenId] = useState(arrangement.popups[0]?.id ?? null)
  const [placing, setPlacing] = useState<Trigger | null>(null)
  const [filling, setFilling] = useState(false)
  const targets = useDealTargets()
  const set = arrangement.popups.find((s) => s.id === chosenId) ?? arrangement.popups[0]
  const add = (): void => {
    // a free button of the pointing hand is the usual opener
    const free = env.controls
      .filter((c) => c.pointing === true && c.type === 'button')
      .flatMap((c) => plainTriggers(c, []))
      .find((t) => !arrangement.popups.some((s) => triggerKey(s.opener) === triggerKey(t)))
    setChosenId(onEditable((plan) => addPopup(plan, 'New set', free ?? chord('F12'))))
  }
  // one dialog at a time: the sheet comes back when a command is placed
  if (placing) return <TriggerDialog start={placing} onClose={() => setPlacing(null)} />
  const target = targets.find((t) => t.id === `popup ${set?.id}`)
  if (filling && set && target)
    return (
      <DealDialog targets={[target]} programId={set.programId ?? null} onClose={() => setFilling(false)} />
    )
  return (
    <Dialog
      title="Pop-up sets"
      onClose={onClose}
      wide
      actions={
        <>
          <button type="button" className="btn" onClick={add}>
            New set
          </button>
          <button type="button" className="btn" onClick={onClose}>
            Done
          </button>
        </>
      }
    >
      <p className="text-ink-2">
        A few commands that one trigger brings up at the pointer or the fingertip; one of them is then picked.
        In each context other commands may stand on its places.
      </p>
      {arrangement.popups.length > 1 && (
        <Subtabs
          label="Sets"
          tabs={arrangement.popups}
          chosen={set?.id ?? ''}
          onChoose={setChosenId}
          className="mt-3 h-8 border-b border-rule"
        />
      )}
      {set ? (
        <SetForm key={set.id} set={set} onPlace={setPlacing} onFill={() => setFilling(true)} />
      ) : (
        <p className="mt-3">There is none in “{arrangement.name}” yet.</p>
      )}
    </Dialog>
  )
}

function SetForm(props: { set: PopupSet; onPlace: (trigger: Trigger) => void; onFill: () => void }) {
  const view = useSetForm(props)
  const { set, index, plan, env, onPlace } = view
  return (
    <>
      <SetFields view={view} />
      <div className="mt-5 flex items-end justify-between border-b border-rule pb-1">
        <p className="caption">Places, clockwise from the top</p>
        <button type="button" className="btn" onClick={props.onFill}>
          Deal commands …
        </button>
      </div>
      <ul>
        {Array.from({ length: set.entries }, (_, i) => {
          const trigger: Trigger = { kind: 'popup', setId: set.id, entry: i + 1 }
          const commands = index.holders.get(triggerKey(trigger)) ?? []
          return (
            <li key={i} className="flex items-center gap-3 border-b border-rule py-1">
              <span className="w-6 text-right text-ink-2">{i + 1}</span>
              <span className="min-w-0 grow">
                {commands.map((c, k) => (
                  <span key={c.id}>
                    {k > 0 && ', '}
                    {fullName(c)}{' '}
                    <span className="text-[12px] text-ink-2">
                      {contextsInWords(
                        c,
                        plan.programs.find((p) => p.id === c.programId),
                      )}
                    </span>
                  </span>
                ))}
                {commands.length === 0 && <span className="text-ink-2">free</span>}
              </span>
              <button
                type="button"
                className="btn"
                aria-label={`Place a command on ${triggerName(trigger, env)}`}
                onClick={() => onPlace(trigger)}
              >
                <TriggerChip trigger={trigger} /> +
              </button>
            </li>
          )
        })}
      </ul>
    </>
  )
}

/** What it shows. */
function useSetForm({ set, onPlace }: { set: PopupSet; onPlace: (trigger: Trigger) => void }) {
  const plan = usePlan()
  const { index, env } = useDerived()
  const edit = (change: Partial<Omit<PopupSet, 'id'>>): void =>
    onEditable((plan) => editPopup(plan, set.id, change))
  return { set, edit, index, plan, env, onPlace }
}

type SetFormView = ReturnType<typeof useSetForm>

function SetFields({ view: { set, edit, plan } }: { view: SetFormView }) {
  return (
    <div className="mt-4 grid grid-cols-[130px_1fr] items-center gap-x-4 gap-y-3">
      <label htmlFor="popup-name">Name</label>
      <div className="flex gap-2">
        <input
          id="popup-name"
          className="field grow"
          defaultValue={set.name}
          maxLength={80}
          onBlur={(e) =>
            e.target.value.trim() !== '' &&
            e.target.value !== set.name &&
            edit({ name: e.target.value.trim() })
          }
        />
        <button type="button" className="btn" onClick={() => onEditable((plan) => deletePopup(plan, set.id))}>
          <Trash2 size={14} aria-hidden="true" /> Delete the set
        </button>
      </div>
      <label htmlFor="popup-program">Comes up with</label>
      <select
        id="popup-program"
        className="field"
        value={set.programId ?? ''}
        onChange={(e) => edit({ programId: e.target.value === '' ? undefined : e.target.value })}
      >
        <option value="">any program in use</option>
        {plan.programs.map((program) => (
          <option key={program.id} value={program.id}>
            {program.name}
          </option>
        ))}
      </select>
      <label htmlFor="popup-at">Comes up at</label>
      <select
        id="popup-at"
        className="field"
        value={set.at}
        onChange={(e) => edit({ at: e.target.value === 'fingertip' ? 'fingertip' : 'pointer' })}
      >
        <option value="pointer">the pointer</option>
        <option value="fingertip">the fingertip</option>
      </select>
      <span />
      <div className="w-[120px]">
        <NumberBox
          label="Places"
          value={set.entries}
          min={2}
          max={12}
          onChange={(entries) => edit({ entries: Math.round(entries) })}
        />
      </div>
      <span className="col-span-2 caption border-b border-rule pb-1">Brought up by</span>
      <ActList trigger={set.opener} onChange={(opener) => opener.kind !== 'popup' && edit({ opener })} />
    </div>
  )
}
