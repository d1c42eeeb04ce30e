import { ClashSign } from '../../parts/severity-sign.js'
import { Plus } from 'lucide-react'
import {
  liveContexts,
  controlRef,
  stepWordOf,
  strokeName,
  triggerKey,
  type Command,
  type DrawnControl,
  type DrawnDevice,
  type Trigger,
} from '@reach-plot/core'
import { useStrokeTable, type StrokeTableView } from './use-stroke-table.js'

/**
 * The strokes of a field by direction and context. The same command in one direction in several contexts is a gain,
 * since the hand learns it once; different ones are a loss.
 */
export function StrokeTable(props: {
  device: DrawnDevice
  field: DrawnControl
  onPlace: (trigger: Trigger) => void
}) {
  const view = useStrokeTable(props)
  const { device, of } = view
  return (
    <section
      aria-label={`Strokes of ${device.name}`}
      className="relative overflow-x-auto px-[14px] pt-4 pb-6"
    >
      <h3 className="font-semibold">Strokes in {of} directions, by context</h3>
      <DirectionTable view={view} />
    </section>
  )
}

function DirectionTable({ view: { columns, of, device, field, index, onPlace } }: { view: StrokeTableView }) {
  return (
    <table className="mt-2 w-full">
      <thead>
        <tr className="caption border-b border-ink text-left">
          <th className="py-1 font-medium">Direction</th>
          {columns.map(({ program, context }) => (
            <th key={`${program.id} ${context.id}`} className="px-1 font-medium">
              {context.name}
              <span className="block normal-case">{program.name}</span>
            </th>
          ))}
          <th className="font-medium">Across contexts</th>
          <th>
            <span className="sr-only">Actions</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {Array.from({ length: of }, (_, direction) => {
          const trigger: Trigger = {
            kind: 'stroke',
            modifiers: [],
            deviceId: device.id,
            controlId: field.id,
            direction,
            of,
          }
          const holders = index.holders.get(triggerKey(trigger)) ?? []
          const inContext = columns.map(({ program, context }) =>
            holders.filter(
              (c) => c.programId === program.id && liveContexts(c, program).includes(context.id),
            ),
          )
          return (
            <tr key={direction} className="border-b border-rule">
              <td className="py-1.5 font-chart text-[15px] font-semibold">{strokeName(direction, of)}</td>
              {inContext.map((commands, i) => (
                <td
                  key={i}
                  className="max-w-[120px] truncate px-1"
                  title={commands.map((c) => c.name).join(', ')}
                >
                  {commands.map((c) => c.name).join(', ') || <span className="text-ink-2">–</span>}
                </td>
              ))}
              <td className="pr-2">
                <Agreement inContext={inContext} />
              </td>
              <td className="text-right">
                <button
                  type="button"
                  className="btn px-[6px]"
                  aria-label={`Place a command on the stroke ${strokeName(direction, of)} of ${controlRef(device.id, field.id)}`}
                  onClick={() => onPlace(trigger)}
                >
                  <Plus size={14} aria-hidden="true" />
                </button>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

function Agreement({ inContext }: { inContext: readonly (readonly Command[])[] }) {
  const used = inContext.filter((commands) => commands.length > 0)
  const names = new Set(
    used.flatMap((commands) => commands.map((c) => stepWordOf(c.name) ?? c.name.toLowerCase())),
  )
  if (used.length < 2) return <span className="text-ink-2">{used.length === 0 ? 'free' : 'one context'}</span>
  if (names.size === 1) return <span>✓ gain: the same in {used.length}</span>
  return (
    <span className="text-magenta">
      <ClashSign /> loss: {names.size} meanings
    </span>
  )
}
