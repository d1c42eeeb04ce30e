import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { ChevronDown } from 'lucide-react'
import { keysInWords, stepInWords, type SetUpStep } from '@reach-plot/core/carry'
import { FreeingPart } from './freeing-part.js'
import { KeyFilePart } from './key-file-part.js'
import { restForms, saveRest } from './rest.js'
import type { CarryScreen } from './use-carry.js'

/** The steps of one place, in its order. */
export function StepTable({ view }: { view: CarryScreen }) {
  const { place } = view
  return (
    <section aria-label="What to change" className="flex min-w-0 grow flex-col bg-paper">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-rule px-[18px] py-2">
        <h3 className="text-[15px] font-semibold">{place?.name ?? 'Nothing to change'}</h3>
        <p className="text-ink-2">
          {place && place.key !== 'system' && 'in the order of its menus; no key is held twice on the way'}
        </p>
        <div className="no-print ml-auto flex gap-2">
          <button type="button" className="btn" disabled={!place} onClick={() => print()}>
            Print
          </button>
          <Menu>
            <MenuButton className="btn flex items-center gap-1.5" disabled={!place}>
              Save what is left <ChevronDown size={13} aria-hidden="true" />
            </MenuButton>
            <MenuItems anchor="bottom end" className="menu-panel w-[180px]">
              {restForms.map((form) => (
                <MenuItem key={form}>
                  <button type="button" className="menu-item" onClick={() => void saveRest(form, view)}>
                    {form}
                  </button>
                </MenuItem>
              ))}
            </MenuItems>
          </Menu>
        </div>
      </div>
      <div
        className="print-all min-h-0 grow overflow-y-auto"
        tabIndex={0}
        role="region"
        aria-label="Changes, a table"
      >
        {place ? <Rows view={view} steps={place.steps} /> : <NothingToDo view={view} />}
        {place?.steps[0]?.place.kind === 'system' && <FreeingPart steps={place.steps} />}
        {place?.steps[0]?.place.kind === 'program' && (
          <KeyFilePart programId={place.steps[0].place.id} arrangement={view.to} />
        )}
      </div>
    </section>
  )
}

function NothingToDo({ view }: { view: CarryScreen }) {
  return <p className="max-w-[520px] px-[18px] pt-5 text-[15px]">{whyNothing(view)}</p>
}

function whyNothing({ plan, from, arrangement }: CarryScreen): string {
  if (plan.commands.length === 0) return 'There are no commands yet: bring some in under Commands.'
  if (arrangement.placements.length === 0)
    return `Nothing is placed in “${arrangement.name}” yet: place commands on the Plot, or let Solve propose places.`
  if (from.id !== arrangement.id)
    return `“${arrangement.name}” differs in nothing from “${from.name}”, which is set now.`
  return plan.setNowArrangementId === arrangement.id
    ? `“${arrangement.name}” is marked as what is set on your machine. Changes of it count as set at once. Choose another arrangement above, or copy this one and change the copy, and what to change stands here.`
    : `“${arrangement.name}” is what the programs have by themselves. Choose another arrangement above, and what to change to get there stands here.`
}

function Rows({ view, steps }: { view: CarryScreen; steps: readonly SetUpStep[] }) {
  const isSystem = steps[0]?.place.kind === 'system'
  return (
    <table className="w-full">
      <thead>
        <tr className="caption border-b border-rule text-left">
          <th className="w-[38px] py-1.5 pl-[18px]">
            <span className="sr-only">Done</span>
          </th>
          <th className="py-1.5 font-normal">{isSystem ? 'What it does now' : 'Menu'}</th>
          {!isSystem && <th className="py-1.5 font-normal">Command</th>}
          <th className="py-1.5 font-normal">Now</th>
          <th className="py-1.5 pr-[18px] font-normal">Becomes</th>
        </tr>
      </thead>
      <tbody>
        {steps.map((step) => (
          <Row key={step.id} view={view} step={step} isSystem={isSystem} />
        ))}
      </tbody>
    </table>
  )
}

function Row({ view, step, isSystem }: { view: CarryScreen; step: SetUpStep; isSystem: boolean }) {
  const { ticks, tick, choose, chosen, env } = view
  const ticked = ticks[step.id]
  const isDone = ticked !== undefined && ticked.note === undefined
  const name = step.command?.name ?? step.systemAction ?? ''
  return (
    <tr
      className={`border-b border-rule ${chosen?.id === step.id ? 'bg-reach-1' : ''} ${ticked ? 'text-ink-2' : ''}`}
      onClick={() => choose(step.id)}
    >
      <td className="py-1.5 pl-[18px]">
        <input
          type="checkbox"
          className="size-4 align-middle accent-(--magenta)"
          checked={isDone}
          aria-label={`Done: ${name}, ${stepInWords(step, env).join(' ')}`}
          onClick={(e) => e.stopPropagation()}
          onChange={(e) => tick(step, e.target.checked ? { at: Date.now() } : null)}
        />
      </td>
      <td className="py-1.5 pr-3">{isSystem ? name : step.command?.menu.join(' › ') || '–'}</td>
      {!isSystem && (
        <td className="py-1.5 pr-3">
          <button
            type="button"
            className={`text-left ${ticked ? '' : 'font-semibold'}`}
            onClick={() => choose(step.id)}
          >
            {name}
            {step.command?.parameter !== undefined && ` ${step.command.parameter}`}
          </button>
        </td>
      )}
      <td className="py-1.5 pr-3 font-chart text-[14px] text-ink-2">{keysInWords(step.was, env)}</td>
      <td className="py-1.5 pr-[18px]">
        <span className="font-chart text-[14px] font-semibold">
          {isSystem ? 'free' : keysInWords(step.becomes, env)}
        </span>
        {ticked?.note !== undefined && (
          <span className="block text-magenta">not possible there: {ticked.note}</span>
        )}
      </td>
    </tr>
  )
}
