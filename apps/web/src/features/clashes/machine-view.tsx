import { useMemo } from 'react'
import {
  CoreError,
  readGnomeDump,
  systemAreas,
  systemTakes,
  systemTrigger,
  triggerKey,
  setOwnKeys,
  toggleSystemKey,
} from '@reach-plot/core'
import { toast } from 'sonner'
import { showProblem } from '../../store/problem.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { ProbeRun } from './probe.js'

/** What the system of this machine takes: the catalogue, the person's own settings, and chords that were pressed. */
export function MachineView() {
  const plan = usePlan()
  const edit = useEdit()
  const { env, index } = useDerived()
  const { system, layout } = env
  const own = plan.ownSystemKeys[plan.system]
  const off = new Set(own?.off)
  const rows = useMemo(() => {
    const ownKeys = [...systemTakes({ ...system, keys: [] }, layout, own)].map(([id, take]) => ({ id, take }))
    const shipped = [...systemTakes(system, layout)].map(([id, take]) => ({ id, take }))
    return [...ownKeys, ...shipped.filter((s) => !ownKeys.some((o) => o.id === s.id))]
  }, [system, layout, own])
  const triggers = useMemo(() => {
    const all = [...(own?.own ?? []), ...system.keys].flatMap((key) => systemTrigger(key, layout) ?? [])
    return new Map(all.map((t) => [triggerKey(t), t]))
  }, [system, layout, own])

  const importDump = async (file: File | undefined): Promise<void> => {
    if (!file) return
    try {
      const dump = readGnomeDump(await file.text(), system, layout)
      edit((draft) => setOwnKeys(draft, dump.own))
      toast(
        `${dump.settings} settings read: ${dump.own.off.length} keys are off, ${dump.own.own.length} are your own${dump.passedOver.length > 0 ? `; ${dump.passedOver.length} of media keys were passed over` : ''}`,
        { action: undoAction() },
      )
    } catch (error) {
      if (error instanceof CoreError) showProblem(error)
      else throw error
    }
  }
  return (
    <div className="grid min-h-0 min-w-0 grow grid-cols-[1fr_430px]">
      <div
        role="region"
        aria-label="Keys of the system"
        tabIndex={0}
        className="min-h-0 overflow-y-auto border-r border-rule px-5 pt-4 pb-6"
      >
        <div className="flex flex-wrap items-center gap-3">
          <p className="grow">
            <b>{rows.length - [...off].filter((id) => rows.some((r) => r.id === id)).length}</b> combinations
            that {system.name} takes{off.size > 0 && `, ${off.size} turned off`}.
          </p>
          {plan.system === 'gnome' && (
            <label className="btn cursor-pointer focus-within:outline-2">
              Import your settings…
              <input
                type="file"
                className="sr-only"
                accept=".txt,text/plain"
                aria-label="Import the text of gsettings list-recursively"
                onChange={(e) => {
                  void importDump(e.target.files?.[0])
                  e.target.value = ''
                }}
              />
            </label>
          )}
          {own && (
            <button type="button" className="btn" onClick={() => edit((draft) => setOwnKeys(draft, null))}>
              Back to what ships
            </button>
          )}
        </div>
        <p className="mt-1 text-[13px] text-ink-2">
          {system.source}. Turn off here what is turned off on your machine.
          {plan.system === 'gnome' && ' Or run gsettings list-recursively > keys.txt and import that file.'}
        </p>
        {systemAreas.map((area) => {
          const inArea = rows.filter((r) => r.take.area === area)
          if (inArea.length === 0) return null
          return (
            <section key={area} aria-label={area}>
              <h3 className="caption mt-4 border-b border-ink pb-1">
                {area} {inArea.length}
              </h3>
              <ul className="columns-2 gap-x-8">
                {inArea.map(({ id, take }) => {
                  const trigger = triggers.get(id)
                  const holders = index.holders.get(id) ?? []
                  return (
                    <li
                      key={id}
                      className="flex break-inside-avoid items-center gap-2 border-b border-rule py-1"
                    >
                      <label className="flex min-w-0 grow items-center gap-2">
                        <input
                          type="checkbox"
                          className="accent-(--magenta)"
                          checked={!off.has(id) || take.isOwn}
                          disabled={take.isOwn}
                          onChange={() => edit((draft) => toggleSystemKey(draft, id))}
                        />
                        <span className="w-[118px] shrink-0">
                          {trigger && <TriggerChip trigger={trigger} />}
                        </span>
                        <span className="min-w-0 truncate" title={take.action}>
                          {take.action}
                        </span>
                      </label>
                      {take.isOwn && <span className="text-[12px] text-ink-2">your own</span>}
                      {holders.length > 0 && (
                        <span className="shrink-0 text-[12px] text-magenta">{holders.length} on it</span>
                      )}
                    </li>
                  )
                })}
              </ul>
            </section>
          )
        })}
      </div>
      <div
        role="region"
        aria-label="Pressed on this machine"
        tabIndex={0}
        className="min-h-0 overflow-y-auto px-5 pt-4 pb-6"
      >
        <ProbeRun />
      </div>
    </div>
  )
}
