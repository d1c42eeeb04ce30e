import { systemAreas, setOwnKeys, toggleSystemKey, type SystemId } from '@reach-plot/core'
import { InputMethodFields } from './input-method-fields.js'
import { OwnKeyForm } from './own-key-form.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { ProbeRun } from './probe.js'
import { useMachine, type MachineScreen } from './use-machine.js'

/** What a person's own keys are read from, by system. */
const ownFileWords: Partial<Readonly<Record<SystemId, string>>> = {
  gnome: 'the text of “gsettings list-recursively” or “dconf dump /”',
  xfce: 'xfce4-keyboard-shortcuts.xml',
  sway: 'the configuration of sway',
  i3: 'the configuration of i3',
  openbox: 'rc.xml',
  lxqt: 'globalkeyshortcuts.conf',
}

/** What the system of this machine takes: the catalogue, the person's own settings, and chords that were pressed. */
export function MachineView() {
  const view = useMachine()
  return (
    <div className="grid min-h-0 min-w-0 grow grid-cols-[1fr_430px]">
      <SystemKeysList view={view} />
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

function SystemKeysList({ view }: { view: MachineScreen }) {
  const { rows, off, system, plan, edit, triggers, index } = view
  return (
    <div
      role="region"
      aria-label="Keys of the system"
      tabIndex={0}
      className="min-h-0 overflow-y-auto border-r border-rule px-5 pt-4 pb-6"
    >
      <MachineHead view={view} />
      <p className="mt-1 text-[13px] text-ink-2">
        {system.source}. Turn off here what is turned off on your machine.
        {` Or import your own settings: ${ownFileWords[plan.system] ?? 'a list with a combination on each line'}.`}
      </p>
      <OwnKeyForm />
      <InputMethodFields />
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
  )
}

function MachineHead({ view: { rows, off, system, importDump, own, edit } }: { view: MachineScreen }) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <p className="grow">
        <b>{rows.length - [...off].filter((id) => rows.some((r) => r.id === id)).length}</b> combinations that{' '}
        {system.name} takes{off.size > 0 && `, ${off.size} turned off`}.
      </p>
      <label className="btn cursor-pointer focus-within:outline-2">
        Import your settings…
        <input
          type="file"
          className="sr-only"
          aria-label="Import your settings"
          onChange={(e) => {
            void importDump(e.target.files?.[0])
            e.target.value = ''
          }}
        />
      </label>
      {own && (
        <button type="button" className="btn" onClick={() => edit((draft) => setOwnKeys(draft, null))}>
          Back to what ships
        </button>
      )}
    </div>
  )
}
