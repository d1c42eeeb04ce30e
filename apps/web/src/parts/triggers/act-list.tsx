import { useId } from 'react'
import { triggerKey, triggerName, type Command, type Trigger } from '@reach-plot/core'
import { ListenButton, useKeyFind } from '../key-find.js'
import { SearchChooser } from '../search-chooser.js'
import { TriggerChip } from '../trigger-chip.js'
import { useActList, type ActGroup } from './use-act-list.js'

/**
 * What the control that was clicked can do, one under the other: pressed, several times, held, with modifiers, with
 * another, turned, drawn; each with how it is reached and who stands there.
 */
export function ActList(props: {
  trigger: Trigger
  onChange: (trigger: Trigger) => void
  /** whose place is looked for; left out, all who stand there are named */
  command?: Command | undefined
  clickedDeviceId?: string | undefined
}) {
  const { trigger, onChange, command, clickedDeviceId } = props
  const { groups, control, devices, nameOf, actOn, env } = useActList(trigger, command, clickedDeviceId)
  const keyFind = useKeyFind(onChange)
  const name = useId()
  return (
    <>
      {trigger.kind !== 'popup' && (
        <>
          <label htmlFor={`${name}-control`}>Control</label>
          <div className="flex gap-2">
            <SearchChooser
              id={`${name}-control`}
              label="Control"
              isLabelled
              choices={devices.flatMap((device) =>
                device.controls.map((c) => ({ id: c.id, name: nameOf(c), detail: device.name })),
              )}
              value={control?.id ?? ''}
              onChange={(id) => onChange(actOn(id) ?? trigger)}
              placeholder="not on this bench"
              nothing="No control has this name."
            />
            <ListenButton {...keyFind} label="Choose a key by pressing it" />
          </div>
        </>
      )}
      <span className="self-start pt-1">{trigger.kind === 'popup' ? 'Entry' : 'Act'}</span>
      <div className="min-w-0">
        <div className="max-h-[264px] overflow-y-auto border border-rule">
          {groups.map((group) => (
            <ActRows
              key={group.name}
              group={group}
              name={name}
              chosen={triggerKey(trigger)}
              nameOf={(t) => triggerName(t, env)}
              onChange={onChange}
            />
          ))}
        </div>
      </div>
    </>
  )
}

function ActRows({
  group,
  name,
  chosen,
  nameOf,
  onChange,
}: {
  group: ActGroup
  name: string
  chosen: string
  nameOf: (trigger: Trigger) => string
  onChange: (trigger: Trigger) => void
}) {
  return (
    <fieldset>
      <legend className="caption w-full bg-paper px-2 py-1">{group.name}</legend>
      {group.rows.map((row) => (
        <label
          key={row.key}
          className={`grid cursor-pointer grid-cols-[18px_160px_186px_1fr] items-baseline gap-x-2 border-t border-rule px-2 py-1 ${row.key === chosen ? 'bg-reach-1' : 'hover:bg-reach-1'}`}
        >
          <input
            type="radio"
            className="accent-(--magenta)"
            name={name}
            aria-label={nameOf(row.trigger)}
            checked={row.key === chosen}
            onChange={() => onChange(row.trigger)}
          />
          <span className="truncate">
            <TriggerChip trigger={row.trigger} />
          </span>
          <span className="text-[13px] whitespace-nowrap text-ink-2">{row.reach}</span>
          <span className="truncate text-[13px]" title={row.there}>
            {row.there}
          </span>
        </label>
      ))}
    </fieldset>
  )
}
