import { useMemo } from 'react'
import {
  benchControls,
  boardIds,
  boardName,
  deviceFromModel,
  deviceSizeMm,
  keyboardOf,
  ofModel,
  toggleOnDesk,
  type CatalogueThing,
  type Device,
  type DeviceModel,
} from '@reach-plot/core'
import { deviceModels } from '@reach-plot/data'
import { useEdit, usePlan } from '../../store/plan-store.js'

interface Card {
  readonly id: string
  readonly name: string
  readonly device: Device
  readonly thing: CatalogueThing
}

/** All cards show their device to this scale: the widest keyboard fits, mm. */
const cardMm = { width: 480, height: 190 } as const

const cards: readonly Card[] = [
  ...boardIds.map((board): Card => ({
    id: board,
    name: boardName(board),
    device: { id: board, name: boardName(board), kind: 'board', board, bottomRow: 'windows' },
    thing: { kind: 'board', board },
  })),
  ...(deviceModels as unknown as readonly DeviceModel[]).map((model): Card => ({
    id: model.id,
    name: model.name,
    device: deviceFromModel(model, model.id, model.name),
    thing: { kind: 'model', model },
  })),
]

const isKeyboardThing = (thing: CatalogueThing): boolean =>
  thing.kind === 'board' || thing.model.form === 'keyboard'

/** The devices of the catalogue, drawn to one scale; what is chosen stands on the desk at once. */
export function DeskStep() {
  const plan = usePlan()
  const edit = useEdit()
  const board = keyboardOf(plan)
  const isOn = ({ thing }: Card): boolean =>
    thing.kind === 'board'
      ? board?.kind === 'board' && board.board === thing.board
      : isKeyboardThing(thing)
        ? board?.kind === 'drawn' &&
          board.controls.length === thing.model.parts.length &&
          board.name === thing.model.name
        : ofModel(plan, thing.model) !== undefined
  const toggle = (thing: CatalogueThing): void => {
    edit((before) => toggleOnDesk(before, thing))
  }
  return (
    <>
      <p className="mt-1 text-ink-2">
        All are drawn to one scale. Choose what you have; it arranges itself on the right, where it can be
        dragged. What is missing can be drawn or read from a file on the Bench.
      </p>
      {(['board', 'model'] as const).map((kind) => (
        <div
          key={kind}
          role="group"
          aria-label={kind === 'board' ? 'The keyboard' : 'Beside it'}
          className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-2.5"
        >
          {cards
            .filter((c) => isKeyboardThing(c.thing) === (kind === 'board'))
            .map((card) => (
              <button
                key={card.id}
                type="button"
                aria-pressed={isOn(card)}
                className="flex flex-col border border-rule bg-panel p-2 text-left aria-pressed:border-2 aria-pressed:border-ink aria-pressed:bg-reach-1 aria-pressed:p-[7px]"
                onClick={() => toggle(card.thing)}
              >
                <Drawing device={card.device} />
                <span className="mt-1 flex items-baseline justify-between gap-2 leading-tight">
                  <span>{card.name}</span>
                  {isOn(card) && <b className="shrink-0 text-[12px] text-magenta">on the desk</b>}
                </span>
              </button>
            ))}
        </div>
      ))}
    </>
  )
}

function Drawing({ device }: { device: Device }) {
  const { controls, widthMm, heightMm } = useMemo(() => {
    const placed = { deviceId: device.id, xMm: 0, yMm: 0, turnDeg: 0, mirrored: false, heightMm: 0 }
    const size = deviceSizeMm(device)
    return {
      ...size,
      controls: benchControls({ id: 'card', name: '', devices: [placed], hands: [] }, [device]),
    }
  }, [device])
  const left = (cardMm.width - widthMm) / 2
  const top = (cardMm.height - heightMm) / 2
  return (
    <svg viewBox={`0 0 ${cardMm.width} ${cardMm.height}`} className="w-full" aria-hidden="true">
      <g transform={`translate(${left} ${top})`}>
        {device.kind !== 'board' && (
          <rect
            width={widthMm}
            height={heightMm}
            rx={3}
            fill="var(--key)"
            stroke="var(--edge)"
            strokeWidth={1.4}
          />
        )}
        {controls.map((c) => (
          <rect
            key={c.id}
            transform={`translate(${c.xMm} ${c.yMm}) rotate(${c.turnDeg})`}
            x={-c.capWidthMm / 2}
            y={-c.capHeightMm / 2}
            width={c.capWidthMm}
            height={c.capHeightMm}
            rx={c.round ? Math.min(c.capWidthMm, c.capHeightMm) / 2 : 1.5}
            fill="var(--key)"
            stroke="var(--edge)"
            strokeWidth={1.2}
          />
        ))}
      </g>
    </svg>
  )
}
