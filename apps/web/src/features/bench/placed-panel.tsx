import { Copy, FileDown, Pencil } from 'lucide-react'
import { useNavigate } from 'react-router'
import {
  deviceControls,
  deviceTitle,
  footprint,
  gapMm,
  inPointingHand,
  isPointingDevice,
  keyLegend,
  writeDevice,
  type Device,
  type PlacedDevice,
  type RestingHand,
  copyDevice,
  deleteDevice,
  isNeeded,
  moveDevice,
  setHome,
  setRest,
  takeOffBench,
  turnDevice,
  editDevice,
  setPointing,
} from '@reach-plot/core'
import { download } from '../../parts/download.js'
import { NumberBox } from '../../parts/number-box.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const fingersOf: readonly (keyof RestingHand['rests'])[] = ['little', 'ring', 'middle', 'index']

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
  const plan = usePlan()
  const edit = useEdit()
  const navigate = useNavigate()
  const { bench, hand, env } = useDerived()
  const id = device.id
  const isHome = hand.deviceId === id
  const needed = isNeeded(bench, id)
  const print = footprint(placed, device)
  const beside = bench.devices
    .filter((p) => p.deviceId !== id)
    .flatMap((p) => {
      const other = plan.devices.find((d) => d.id === p.deviceId)
      return other ? [{ name: other.name, gap: gapMm(print, footprint(p, other)) }] : []
    })
    .sort((a, b) => a.gap.straightMm - b.gap.straightMm)
    .slice(0, 4)
  const usedElsewhere = plan.benches.some(
    (b) => b.id !== bench.id && b.devices.some((d) => d.deviceId === id) && isNeeded(b, id),
  )
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
        {controlCount} controls · {Math.round(print.x1 - print.x0)} × {Math.round(print.y1 - print.y0)} mm
      </p>

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
      {device.kind === 'drawn' && (
        <label className="mt-2 flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-(--magenta)"
            checked={placed.mirrored}
            onChange={(e) => edit((plan) => moveDevice(plan, id, { mirrored: e.target.checked }))}
          />
          Mirrored, for the other hand
        </label>
      )}
      {device.kind === 'board' && (
        <label className="mt-2 flex items-center gap-2">
          Bottom row
          <select
            className="field"
            value={device.bottomRow}
            onChange={(e) =>
              edit((plan) =>
                editDevice(plan, id, { bottomRow: e.target.value === 'mac' ? 'mac' : 'windows' }),
              )
            }
          >
            <option value="windows">Windows style</option>
            <option value="mac">Mac style</option>
          </select>
        </label>
      )}
      {device.kind === 'board' && (
        <label className="mt-2 flex items-center gap-2">
          F1 to F12 send
          <select
            className="field"
            value={device.functionKeys ?? (device.board.startsWith('laptop') ? 'media' : 'plain')}
            onChange={(e) =>
              edit((plan) =>
                editDevice(plan, id, { functionKeys: e.target.value === 'media' ? 'media' : 'plain' }),
              )
            }
          >
            <option value="plain">function keys</option>
            <option value="media">media keys, unless Fn is held</option>
          </select>
        </label>
      )}
      {beside.length > 0 && (
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
      )}

      {isPointingDevice(device) && (
        <>
          <p className="caption mt-4 border-b border-rule pb-1">Pointing hand</p>
          {inPointingHand(bench, plan.devices) === id ? (
            <p className="mt-2">It holds this one. Another pen or mouse has to be taken up first.</p>
          ) : (
            <button type="button" className="btn mt-2" onClick={() => edit((plan) => setPointing(plan, id))}>
              It holds this one
            </button>
          )}
        </>
      )}
      {!isPointingDevice(device) && (
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
      )}

      <div className="mt-5 flex flex-wrap gap-2">
        {device.kind === 'drawn' && (
          <button type="button" className="btn" onClick={() => void navigate(`/bench/device/${id}`)}>
            <Pencil size={14} aria-hidden="true" /> Edit controls
          </button>
        )}
        {device.kind === 'drawn' && (
          <button type="button" className="btn" onClick={() => void navigate(`/bench/device/${id}/commands`)}>
            Commands on it
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
          Take off the bench
        </button>
        <button
          type="button"
          className="btn"
          disabled={needed || usedElsewhere}
          title={needed || usedElsewhere ? 'The hand is at home on it' : undefined}
          onClick={() => edit((plan) => deleteDevice(plan, id))}
        >
          Delete
        </button>
      </div>
    </div>
  )

  function legendOf(controlId: string): string {
    const control = deviceControls(device).find((c) => c.id === controlId)
    if (!control) return controlId
    return control.code === null
      ? control.name || control.id
      : keyLegend(control.code, env.layout, env.systemId)
  }
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
      <select
        id={`rest-${finger}`}
        className="field"
        value={hand.rests[finger]}
        onChange={(e) => edit((plan) => setRest(plan, finger, e.target.value))}
      >
        {deviceControls(device).map((c) => (
          <option key={c.id} value={c.id}>
            {legendOf(c.id)}
          </option>
        ))}
      </select>
    </>
  )
}
