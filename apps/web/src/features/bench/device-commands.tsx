import { Subtabs } from '../../parts/subtabs.js'
import { Plus } from 'lucide-react'
import {
  contextsInWords,
  fullName,
  plainTriggers,
  controlRef,
  triggerKey,
  triggerName,
  type Placement,
  type Trigger,
  addPage,
  deletePage,
  setOpens,
  setPageProgram,
  groupKey,
  type DrawnControl,
  type Page,
} from '@reach-plot/core'
import { DealDialog } from '../../parts/deal/deal-dialog.js'
import { NameDialog } from '../../parts/name-dialog.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { remove } from '../../store/actions.js'
import { TriggerDialog } from '../../parts/triggers/trigger-dialog.js'
import { CarryBar } from './carry-bar.js'
import { StrokeTable } from './stroke-table.js'
import { useDeviceCommands, type DeviceCommandsView } from './use-device-commands.js'

/** What stands on each control of a device, page by page: commands, what is sent, which page is opened. */
export function DeviceCommands() {
  const view = useDeviceCommands()
  const { device, page, setChosen, chosen, controls, setPlacing, fields } = view
  return (
    <div className="flex min-w-0 grow flex-col">
      {(device.pages.length > 0 || device.form === 'deck') && <PageBar view={view} />}
      <div className="flex shrink-0 items-center gap-3 border-b border-rule px-[14px] py-2">
        <p className="min-w-0 grow truncate" title={view.countsByMode}>
          Commands here, by mode: <span className="text-ink-2">{view.countsByMode}</span>
        </p>
        <button
          type="button"
          className="btn shrink-0"
          disabled={view.target === undefined}
          onClick={() => view.setDealing(true)}
        >
          Deal commands …
        </button>
      </div>
      <div className="min-h-0 grow overflow-y-auto">
        <table className="w-full">
          <thead className="sticky top-0 z-10 bg-paper">
            <tr className="caption border-b border-ink text-left">
              <th className="w-[38px] py-1.5 pl-[14px]">
                <input
                  type="checkbox"
                  className="accent-(--magenta)"
                  aria-label="Choose all controls"
                  checked={chosen.length === controls.length && controls.length > 0}
                  onChange={(e) => setChosen(e.target.checked ? controls.map((c) => c.id) : [])}
                />
              </th>
              <th className="w-[130px] font-medium">Control</th>
              <th className="font-medium">What stands on it</th>
              {page && <th className="w-[190px] font-medium">Opens</th>}
              <th className="w-[124px] pr-[14px]">
                <span className="sr-only">Actions</span>
              </th>
            </tr>
          </thead>
          <ControlRows view={view} />
        </table>
        {fields.map((field) => (
          <StrokeTable
            key={field.id}
            device={device}
            field={field}
            onPlace={(start) => setPlacing({ start })}
          />
        ))}
      </div>
      {chosen.length > 0 && (
        <CarryBar device={device} pageId={page?.id} controlIds={chosen} onDone={() => setChosen([])} />
      )}
      <DeviceDialogs view={view} />
    </div>
  )
}

/** What opens over the table: placing one command, dealing many, a new page. */
function DeviceDialogs({ view }: { view: DeviceCommandsView }) {
  const { device, page, placing, setPlacing, dealing, setDealing, target } = view
  const { naming, setNaming, setPageId, edit } = view
  return (
    <>
      {placing && (
        <TriggerDialog
          deviceId={device.id}
          start={placing.start}
          commandId={placing.placement?.commandId}
          {...(placing.placement?.sends && { sends: placing.placement.sends })}
          onClose={() => setPlacing(null)}
        />
      )}
      {dealing && target && (
        <DealDialog
          targets={[target]}
          programId={page?.programId ?? null}
          onClose={() => setDealing(false)}
        />
      )}
      {naming && (
        <NameDialog
          title="New page"
          name=""
          action="Add it"
          onClose={() => setNaming(false)}
          onName={(name) => setPageId(edit((plan) => addPage(plan, device.id, name)) ?? undefined)}
        />
      )}
    </>
  )
}

function PageBar({
  view: { device, page, setPageId, setChosen, setNaming, edit, plan },
}: {
  view: DeviceCommandsView
}) {
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-2 border-b border-rule bg-panel px-[14px] py-2">
      <Subtabs
        label="Pages"
        tabs={device.pages}
        chosen={page?.id ?? ''}
        onChoose={(id) => {
          setPageId(id)
          setChosen([])
        }}
        className="h-8"
      />
      <button type="button" className="btn" onClick={() => setNaming(true)}>
        <Plus size={14} aria-hidden="true" /> Page
      </button>
      {page && (
        <>
          <label className="ml-auto flex items-center gap-2">
            Comes up with
            <select
              className="field"
              value={page.programId ?? ''}
              onChange={(e) =>
                edit((plan) =>
                  setPageProgram(plan, device.id, page.id, e.target.value === '' ? null : e.target.value),
                )
              }
            >
              <option value="">no program; it is opened by a button</option>
              {plan.programs.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          <button
            type="button"
            className="btn"
            onClick={() => edit((plan) => deletePage(plan, device.id, page.id))}
          >
            Delete the page
          </button>
        </>
      )}
    </div>
  )
}

function ControlRows({ view }: { view: DeviceCommandsView }) {
  const { controls, device, byControlRef, onPage, page, setPlacing } = view
  return (
    <tbody>
      {controls.map((c) => {
        const id = controlRef(device.id, c.id)
        const placements = (byControlRef.get(c.code ?? id) ?? []).filter((p) => onPage(p.trigger))
        const opens = page?.opens.find((o) => o.controlId === c.id)
        const [start] = plainTriggers(
          { id, code: c.code, type: c.type, clicks: c.clicks === true },
          c.clicks === true ? ['Control'] : [],
          page?.id,
        )
        const name = c.name || c.id
        return (
          <tr key={c.id} className="border-b border-rule align-top">
            <ControlCell view={view} c={c} name={name} />
            <td className="py-1.5 font-chart text-[15px] font-semibold">{name}</td>
            <td className="py-1.5">
              {placements.length === 0 && <span className="text-ink-2">{opens ? '' : 'free'}</span>}
              <PlacedCommands view={view} placements={placements} start={start} name={name} />
            </td>
            {page && <OpensCell view={view} page={page} c={c} opens={opens} name={name} />}
            <td className="py-1 pr-[14px] pl-3 text-right">
              {start && (
                <button
                  type="button"
                  className="btn"
                  aria-label={`Place a command on ${name}`}
                  onClick={() => setPlacing({ start })}
                >
                  <Plus size={14} aria-hidden="true" /> Command
                </button>
              )}
            </td>
          </tr>
        )
      })}
    </tbody>
  )
}

function ControlCell({
  view: { chosen, setChosen },
  c,
  name,
}: {
  view: DeviceCommandsView
  c: DrawnControl
  name: string
}) {
  return (
    <td className="py-1.5 pl-[14px]">
      <input
        type="checkbox"
        className="accent-(--magenta)"
        aria-label={`Choose ${name}`}
        checked={chosen.includes(c.id)}
        onChange={(e) => setChosen(e.target.checked ? [...chosen, c.id] : chosen.filter((x) => x !== c.id))}
      />
    </td>
  )
}

function PlacedCommands({
  view: { commandOf, programOf, clashOf, setPlacing, env },
  placements,
  start,
  name,
}: {
  view: DeviceCommandsView
  placements: readonly Placement[]
  start: Trigger | undefined
  name: string
}) {
  return (
    <ul>
      {placements.map((p) => {
        const command = commandOf(p.commandId)
        const program = programOf(p.commandId)
        const clash = clashOf.get(groupKey(program?.id ?? '', triggerKey(p.trigger)))
        return (
          <li
            key={`${p.commandId} ${triggerKey(p.trigger)}`}
            className="flex flex-wrap items-baseline gap-x-2"
          >
            <b>{command ? fullName(command) : p.commandId}</b>
            <span className="text-[12px] text-ink-2">
              {program?.name}, {command && contextsInWords(command, program)}
            </span>
            {triggerKey(p.trigger) !== (start ? triggerKey(start) : '') && (
              <TriggerChip trigger={p.trigger} />
            )}
            {p.sends && (
              <span className="inline-flex items-baseline gap-1.5 text-ink-2">
                sends
                {p.sends.map((s, i) => (
                  <span key={`${triggerKey(s)} ${i}`} className="keycap">
                    <TriggerChip trigger={s} />
                  </span>
                ))}
              </span>
            )}
            {clash && <span className="text-magenta">! {clash.message}</span>}
            <button
              type="button"
              className="link text-[12px]"
              aria-label={`Change ${command?.name ?? ''} on ${name}`}
              onClick={() => setPlacing({ start: p.trigger, placement: p })}
            >
              change
            </button>
            <button
              type="button"
              className="link text-[12px]"
              aria-label={`Remove ${command?.name ?? ''} from ${name}`}
              onClick={() => remove(p.commandId, p.trigger, triggerName(p.trigger, env))}
            >
              remove
            </button>
          </li>
        )
      })}
    </ul>
  )
}

function OpensCell({
  view: { edit, device },
  page,
  c,
  opens,
  name,
}: {
  view: DeviceCommandsView
  page: Page
  c: DrawnControl
  opens: Page['opens'][number] | undefined
  name: string
}) {
  return (
    <td className="py-1">
      {c.type !== 'dial' && (
        <select
          className="field w-full"
          aria-label={`Page that ${name} opens`}
          value={opens ? (opens.pageId ?? '<back') : ''}
          onChange={(e) => {
            const { value } = e.target
            edit((plan) =>
              setOpens(
                plan,
                device.id,
                page.id,
                c.id,
                value === '' ? undefined : value === '<back' ? null : value,
              ),
            )
          }}
        >
          <option value="">no page</option>
          <option value="<back">the page before</option>
          {device.pages
            .filter((p) => p.id !== page.id)
            .map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
        </select>
      )}
    </td>
  )
}
