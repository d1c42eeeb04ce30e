import { Copy, FileDown, Pencil } from 'lucide-react'
import { useNavigate } from 'react-router'
import {
  deviceControls,
  deviceTitle,
  footprint,
  forceLevels,
  gapMm,
  inPointingHand,
  isPointingDevice,
  keyLegend,
  writeDevice,
  type BoardDevice,
  type Device,
  type DrawnDevice,
  type PlacedDevice,
  type RestingHand,
  copyDevice,
  deleteDevice,
  isNeeded,
  moveDevice,
  setHome,
  makeBoardOwn,
  setRest,
  takeOffBench,
  turnDevice,
  editDevice,
  setPointing,
} from '@reach-plot/core'
import { ChoiceField, TickField } from '../../parts/fields.js'
import { SearchChooser } from '../../parts/search-chooser.js'
import { download } from '../../parts/download.js'
import { StandingPart } from './standing-part.js'
import { NumberBox } from '../../parts/number-box.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const fingersOf: readonly (keyof RestingHand['rests'])[] = ['little', 'ring', 'middle', 'index', 'thumb']

/** A device that is on the bench, and what can be done with it. */
function usePlaced(placed: PlacedDevice, device: Device) {
  const plan = usePlan()
  const edit = useEdit()
  const { bench, hand, env } = useDerived()
  const id = device.id
  const outline = footprint(placed, device)
  const beside = bench.devices
    .filter((p) => p.deviceId !== id)
    .flatMap((p) => {
      const other = plan.devices.find((d) => d.id === p.deviceId)
      return other ? [{ name: other.name, gap: gapMm(outline, footprint(p, other)) }] : []
    })
    .sort((a, b) => a.gap.straightMm - b.gap.straightMm)
    .slice(0, 4)
  const legendOf = (controlId: string): string => {
    const control = deviceControls(device).find((c) => c.id === controlId)
    if (!control) return controlId
    return control.code === null
      ? control.name || control.id
      : keyLegend(control.code, env.layout, env.systemId)
  }
  return {
    placed,
    device,
    id,
    edit,
    hand,
    outline,
    beside,
    legendOf,
    isHome: hand.deviceId === id,
    isHeld: inPointingHand(bench, plan.devices) === id,
    needed: isNeeded(bench, id),
    usedElsewhere: plan.benches.some(
      (b) => b.id !== bench.id && b.devices.some((d) => d.deviceId === id) && isNeeded(b, id),
    ),
  }
}

type PlacedView = ReturnType<typeof usePlaced>

/** Place, turn and hand of one device on the bench. */
export function PlacedPanel({
  placed,
  device,
  controlCount,
}: {
  placed: PlacedDevice
  device: Device
  controlCount: number
}) {
  const view = usePlaced(placed, device)
  const { id, edit, outline } = view
  return (
    <div className="px-[14px] pt-3 pb-4">
      <p className="caption">{deviceTitle(device)}</p>
      <input
        className="field mt-1 w-full text-[15px] font-semibold"
        aria-label="Name of the device"
        value={device.name}
        maxLength={120}
        onChange={(e) =>
          e.target.value !== '' &&
          edit((plan) => editDevice(plan, id, { name: e.target.value }), `name ${id}`)
        }
      />
      <p className="mt-1 text-ink-2">
        {controlCount} controls · {Math.round(outline.x1 - outline.x0)} ×{' '}
        {Math.round(outline.y1 - outline.y0)} mm
      </p>
      <PlaceFields view={view} />
      {device.kind === 'board' ? (
        <BoardFields board={device} view={view} />
      ) : (
        <DrawnFields device={device} view={view} />
      )}
      <ForceField device={device} view={view} />
      {!isPointingDevice(device) && !view.isHome && (
        <>
          <p className="caption mt-4 border-b border-rule pb-1">Where it stands</p>
          <StandingPart deviceId={id} />
        </>
      )}
      <ClearDistances view={view} />
      {isPointingDevice(device) ? <PointingPart view={view} /> : <HandPart view={view} />}
      <DeviceActions view={view} />
    </div>
  )
}

function PlaceFields({ view: { placed, id, edit } }: { view: PlacedView }) {
  return (
    <>
      <p className="caption mt-4 border-b border-rule pb-1">Place on the desk</p>
      <div className="mt-2 grid grid-cols-4 gap-2">
        <NumberBox
          label="Across, mm"
          value={placed.xMm}
          min={-5000}
          max={5000}
          onChange={(xMm) => edit((plan) => moveDevice(plan, id, { xMm }), `x ${id}`)}
        />
        <NumberBox
          label="Along, mm"
          value={placed.yMm}
          min={-5000}
          max={5000}
          onChange={(yMm) => edit((plan) => moveDevice(plan, id, { yMm }), `y ${id}`)}
        />
        <NumberBox
          label="Turn, °"
          value={placed.turnDeg}
          min={-180}
          max={180}
          onChange={(turnDeg) => edit((plan) => turnDevice(plan, id, turnDeg), `turn ${id}`)}
        />
        <NumberBox
          label="Height, mm"
          value={placed.heightMm}
          min={-300}
          max={300}
          onChange={(heightMm) => edit((plan) => moveDevice(plan, id, { heightMm }), `height ${id}`)}
        />
      </div>
    </>
  )
}

function DrawnFields({ device, view: { placed, id, edit } }: { device: DrawnDevice; view: PlacedView }) {
  return (
    <div className="mt-2">
      <TickField
        checked={placed.mirrored}
        onChange={(mirrored) => edit((plan) => moveDevice(plan, id, { mirrored }))}
      >
        Mirrored, for the other hand
      </TickField>
      <TickField
        checked={device.isSetByProgram === true}
        onChange={(isSetByProgram) => edit((plan) => editDevice(plan, id, { isSetByProgram }))}
      >
        Its driver changes all settings with the program in use
      </TickField>
    </div>
  )
}

function BoardFields({ board, view: { id, edit } }: { board: BoardDevice; view: PlacedView }) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-2">
      <ChoiceField
        label="Bottom row"
        value={board.bottomRow}
        options={[
          ['windows', 'Windows style'],
          ['mac', 'Mac style'],
        ]}
        onChange={(bottomRow) => edit((plan) => editDevice(plan, id, { bottomRow }))}
      />
      <ChoiceField
        label="F1 to F12 send"
        value={board.functionKeys ?? (board.board.startsWith('laptop') ? 'media' : 'plain')}
        options={[
          ['plain', 'function keys'],
          ['media', 'media keys, unless Fn is held'],
        ]}
        onChange={(functionKeys) => edit((plan) => editDevice(plan, id, { functionKeys }))}
      />
    </div>
  )
}

/** How hard the device is to press, for the Strain Index. */
function ForceField({ device, view: { id, edit } }: { device: Device; view: PlacedView }) {
  return (
    <div className="mt-2">
      <ChoiceField
        label="Pressing it is"
        value={device.force ?? 'light'}
        options={forceLevels.map((force) => [force, force] as const)}
        onChange={(force) => edit((plan) => editDevice(plan, id, { force }))}
      />
    </div>
  )
}

function ClearDistances({ view: { beside } }: { view: PlacedView }) {
  if (beside.length === 0) return null
  return (
    <>
      <p className="caption mt-4 border-b border-rule pb-1">Clear distance to</p>
      <ul>
        {beside.map(({ name, gap }) => (
          <li key={name} className="flex justify-between border-b border-rule py-1">
            <span className="truncate">{name}</span>
            <span className={gap.straightMm < 0 ? 'font-semibold text-magenta' : 'text-ink-2'}>
              {gap.straightMm < 0 ? 'overlaps' : `${Math.round(gap.straightMm)} mm`}
            </span>
          </li>
        ))}
      </ul>
    </>
  )
}

function PointingPart({ view: { id, edit, isHeld } }: { view: PlacedView }) {
  return (
    <>
      <p className="caption mt-4 border-b border-rule pb-1">Pointing hand</p>
      {isHeld ? (
        <p className="mt-2">It holds this one. Another pen or mouse has to be taken up first.</p>
      ) : (
        <button type="button" className="btn mt-2" onClick={() => edit((plan) => setPointing(plan, id))}>
          It holds this one
        </button>
      )}
    </>
  )
}

function HandPart({ view: { device, id, edit, isHome, hand, legendOf } }: { view: PlacedView }) {
  return (
    <>
      <p className="caption mt-4 border-b border-rule pb-1">Hand</p>
      {isHome ? (
        <div className="mt-2 grid grid-cols-[60px_1fr] items-center gap-x-3 gap-y-1.5">
          {fingersOf.map((finger) => (
            <FingerRest key={finger} finger={finger} device={device} legendOf={legendOf} />
          ))}
        </div>
      ) : (
        <button type="button" className="btn mt-2" onClick={() => edit((plan) => setHome(plan, id))}>
          Make it the home of the {hand.side} hand
        </button>
      )}
    </>
  )
}

function DeviceActions({ view: { device, id, edit, needed, usedElsewhere } }: { view: PlacedView }) {
  const navigate = useNavigate()
  const isFixed = needed || usedElsewhere
  return (
    <div className="mt-5 flex flex-wrap gap-2">
      {device.kind === 'drawn' && (
        <>
          <button type="button" className="btn" onClick={() => void navigate(`/bench/device/${id}`)}>
            <Pencil size={14} aria-hidden="true" /> Edit controls
          </button>
          <button type="button" className="btn" onClick={() => void navigate(`/bench/device/${id}/commands`)}>
            Commands on it
          </button>
        </>
      )}
      {device.kind === 'board' && (
        <button type="button" className="btn" onClick={() => edit((plan) => makeBoardOwn(plan, id))}>
          <Pencil size={14} aria-hidden="true" /> Make it mine to change
        </button>
      )}
      <button type="button" className="btn" onClick={() => edit((plan) => copyDevice(plan, id))}>
        <Copy size={14} aria-hidden="true" /> Copy
      </button>
      <button
        type="button"
        className="btn"
        onClick={() => download(writeDevice(device), `${device.name}.device.json`, 'application/json')}
      >
        <FileDown size={14} aria-hidden="true" /> Export
      </button>
      <button
        type="button"
        className="btn"
        disabled={needed}
        title={needed ? 'The hand is at home on it' : undefined}
        onClick={() => edit((plan) => takeOffBench(plan, id))}
      >
        Remove from the bench
      </button>
      <button
        type="button"
        className="btn"
        disabled={isFixed}
        title={isFixed ? 'The hand is at home on it' : undefined}
        onClick={() => edit((plan) => deleteDevice(plan, id))}
      >
        Delete
      </button>
    </div>
  )
}

function FingerRest({
  finger,
  device,
  legendOf,
}: {
  finger: keyof RestingHand['rests']
  device: Device
  legendOf: (controlId: string) => string
}) {
  const edit = useEdit()
  const { hand } = useDerived()
  return (
    <>
      <label htmlFor={`rest-${finger}`}>{finger}</label>
      <SearchChooser
        id={`rest-${finger}`}
        label={finger}
        isLabelled
        choices={deviceControls(device).map((c) => ({ id: c.id, name: legendOf(c.id) }))}
        value={hand.rests[finger] ?? ''}
        onChange={(id) => edit((plan) => setRest(plan, finger, id === '' ? null : id))}
        empty={finger === 'thumb' ? 'the key below the index finger' : undefined}
        nothing="No control has this name."
      />
    </>
  )
}
