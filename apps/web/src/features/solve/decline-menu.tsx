import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import {
  allowMove,
  declineConsequences,
  declineMove,
  declineReasons,
  triggerKey,
  type DeclineReason,
  type ProposedMove,
} from '@reach-plot/core'
import { toast } from '../../store/message.js'
import { undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** Says no to a move, and why: later proposals follow. Opened by its button, each reason is one key. */
export function DeclineMenu({ move }: { move: ProposedMove }) {
  const { rules } = usePlan()
  const edit = useEdit()
  const { to, command } = move
  if (!to) return null
  const key = triggerKey(to)
  const declined = rules.declined?.find((d) => d.commandId === command.id && d.key === key)
  if (declined)
    return (
      <span className="block text-[12px] text-ink-2">
        Declined: {declined.why}{' '}
        <button
          type="button"
          className="link"
          aria-label={`Allow “${command.name}” again`}
          onClick={() => edit((plan) => allowMove(plan, command.id, key))}
        >
          Allow
        </button>
      </span>
    )
  const decline = (why: DeclineReason): void => {
    edit((plan) => declineMove(plan, command.id, key, why))
    toast(`“${command.name}”: ${declineConsequences[why]}. The next search heeds it.`, {
      action: undoAction(),
    })
  }
  return (
    <Menu>
      <MenuButton className="link mt-1 block text-[12px]" aria-label={`Decline “${command.name}”`}>
        No, because …
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        className="menu-panel w-[280px]"
        onKeyDown={(e) => {
          const why = declineReasons[Number(e.key) - 1]
          if (!why) return
          e.preventDefault()
          decline(why)
        }}
      >
        {declineReasons.map((why, i) => (
          <MenuItem key={why}>
            <button
              type="button"
              className="block w-full px-3 py-1 text-left data-focus:bg-reach-1"
              onClick={() => decline(why)}
            >
              <span className="mr-2 text-ink-2">{i + 1}</span>
              {declineWords[why]}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  )
}

const declineWords: Readonly<Record<DeclineReason, string>> = {
  'too far': 'It is too far',
  'hard to remember': 'I cannot remember it',
  'means something else': 'The key means something else to me',
  'used to its key': 'I am used to its key now',
  'not possible there': 'It cannot be set there',
}
