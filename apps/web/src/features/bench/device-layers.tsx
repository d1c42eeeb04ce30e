import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import {
  layerOpenings,
  modifiers,
  type DrawnControl,
  type LayerOpening,
  type Modifier,
} from '@reach-plot/core'
import { CapShape } from '../../drawing/cap-shape.js'
import { ChoiceField, TextField } from '../../parts/fields.js'
import { howMany } from '../../parts/words.js'
import { NumberBox } from '../../parts/number-box.js'
import { TapHoldPlot } from './tap-hold-plot.js'
import { useDeviceLayers, type DeviceLayersView } from './use-device-layers.js'

const marginMm = 8

const openingWords: Readonly<Record<LayerOpening, string>> = {
  held: 'while it is held',
  toggled: 'until it is pressed again',
  once: 'for one press',
  'tap-and-hold': 'while it is held; a tap types',
}

/** What the firmware of a device makes of its controls: layers, what each key sends on them, keys that hold modifiers. */
export function DeviceLayers() {
  const view = useDeviceLayers()
  return (
    <>
      <LayerList view={view} />
      <LayerDrawing view={view} />
      <section
        aria-label="The chosen key"
        className="side w-[312px] shrink-0 overflow-y-auto border-l border-rule bg-panel px-[14px] pt-3 pb-4"
      >
        {view.control ? (
          <KeyForm key={`${view.layer?.id ?? ''} ${view.control.id}`} view={view} control={view.control} />
        ) : (
          <>
            <p className="caption">Nothing chosen</p>
            <h3 className="title mt-0.5">Choose a key</h3>
            <p className="mt-1 text-ink-2">
              Click a key to say what it sends on the layer, whether it opens the layer, and whether it holds
              a modifier when it is held.
            </p>
          </>
        )}
      </section>
    </>
  )
}

function LayerList({
  view: { layers, layer, setLayerId, add, rename, remove, fill },
}: {
  view: DeviceLayersView
}) {
  return (
    <section
      aria-label="Layers"
      className="side flex w-[240px] shrink-0 flex-col border-r border-rule bg-panel"
    >
      <div className="px-3 pt-[10px] pb-2">
        <button type="button" className="btn w-full" onClick={add}>
          <Plus size={14} aria-hidden="true" /> Add a layer
        </button>
      </div>
      <ul>
        {layers.map((l) => (
          <li key={l.id}>
            <button
              type="button"
              aria-pressed={l.id === layer?.id}
              className="flex w-full items-baseline gap-2 border-b border-rule px-[14px] py-[6px] text-left hover:bg-reach-1 aria-pressed:bg-ink aria-pressed:text-panel"
              onClick={() => setLayerId(l.id)}
            >
              <span className="min-w-0 grow truncate">{l.name}</span>
              <span className="shrink-0 text-[12px] opacity-80">{howMany(l.keys.length, 'key', 'keys')}</span>
            </button>
          </li>
        ))}
      </ul>
      {layer ? (
        <div className="flex flex-col gap-2 px-[14px] pt-3">
          <TextField
            label="Name of the layer"
            value={layer.name}
            maxLength={80}
            onChange={(name) => rename(name)}
          />
          <button type="button" className="btn" onClick={fill}>
            Fill free keys with F13 to F24
          </button>
          <button type="button" className="btn" onClick={remove}>
            <Trash2 size={14} aria-hidden="true" /> Delete the layer
          </button>
          {layer.openedBy.length === 0 && (
            <p className="text-magenta">No key opens it yet: choose one and say how.</p>
          )}
        </div>
      ) : (
        <p className="px-[14px] pt-3 text-ink-2">
          A layer is a second set of keys that the keyboard itself sends while another key is held. Keys that
          no board has, such as F13, come near your hand by one.
        </p>
      )}
    </section>
  )
}

function LayerDrawing({ view }: { view: DeviceLayersView }) {
  const { device, control, setControlId } = view
  return (
    <div className="relative min-w-0 grow bg-paper">
      <svg
        className="absolute inset-0 size-full"
        viewBox={`${-marginMm} ${-marginMm} ${device.widthMm + 2 * marginMm} ${device.heightMm + 2 * marginMm}`}
        role="group"
        aria-label={`Keys of ${device.name}`}
      >
        <rect
          width={device.widthMm}
          height={device.heightMm}
          rx={1.5}
          fill="var(--panel)"
          stroke="var(--ink)"
          strokeWidth={0.4}
        />
        {device.controls.map((c) => (
          <LayerKey
            key={c.id}
            control={c}
            view={view}
            isChosen={c.id === control?.id}
            onChoose={setControlId}
          />
        ))}
      </svg>
    </div>
  )
}

function LayerKey({
  control: c,
  view: { legendOf, sentBy, openerOf, heldBy, nameOf },
  isChosen,
  onChoose,
}: {
  control: DrawnControl
  view: DeviceLayersView
  isChosen: boolean
  onChoose: (id: string) => void
}) {
  const sends = sentBy(c.id)
  const opens = openerOf(c.id) !== null
  const held = heldBy(c.id)
  const below = sends ? nameOf(sends) : opens ? 'opens' : held ? `held: ${held.holds}` : ''
  return (
    <g
      className="cursor-pointer outline-none"
      data-control={c.id}
      transform={`translate(${c.xMm} ${c.yMm}) rotate(${c.turnDeg ?? 0})`}
      role="button"
      tabIndex={0}
      aria-pressed={isChosen}
      aria-label={`${legendOf(c)}${below === '' ? '' : `, ${below}`}`}
      onClick={() => onChoose(c.id)}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return
        e.preventDefault()
        onChoose(c.id)
      }}
    >
      <CapShape
        widthMm={c.widthMm}
        heightMm={c.heightMm}
        isRound={c.shape === 'round'}
        outlineMm={c.outlineMm}
        className="editor-cap"
        fill={sends ? 'var(--reach-1)' : opens || held ? 'var(--reach-2)' : 'var(--key)'}
        stroke={isChosen ? 'var(--magenta)' : 'var(--edge)'}
        strokeWidth={isChosen ? 0.8 : 0.35}
      />
      <text
        y={-2.4}
        fontSize={3.2}
        textAnchor="middle"
        className="font-chart"
        fill="var(--ink)"
        opacity={0.75}
      >
        {legendOf(c).slice(0, 10)}
      </text>
      <text
        y={4}
        fontSize={3.8}
        textAnchor="middle"
        className="font-chart"
        fontWeight={600}
        fill="var(--ink)"
      >
        {below.slice(0, 11)}
      </text>
    </g>
  )
}

function KeyForm({ view, control }: { view: DeviceLayersView; control: DrawnControl }) {
  const { device, layer, legendOf, sentBy, nameOf, send, openerOf, open, heldBy, hold } = view
  const now = sentBy(control.id)
  const [text, setText] = useState(now ? nameOf(now) : '')
  const [fault, setFault] = useState<string | null>(null)
  const opener = openerOf(control.id)
  const held = heldBy(control.id)
  const waits = opener?.how === 'tap-and-hold' ? opener.holdMs : held?.holdMs
  return (
    <>
      <p className="caption">On {device.name}</p>
      <h3 className="title mt-0.5">{legendOf(control)}</h3>
      {layer && (
        <div className="mt-3 flex flex-col gap-2">
          <TextField
            label={`On “${layer.name}” it sends`}
            value={text}
            maxLength={60}
            onChange={(value) => {
              setText(value)
              setFault(send(control.id, value))
            }}
          />
          {fault !== null && text !== '' && <p className="text-[12px] text-magenta">{fault}</p>}
          <ChoiceField
            label={`It opens “${layer.name}”`}
            value={opener?.how ?? 'not'}
            options={[
              ['not', 'it does not'],
              ...layerOpenings.map((how) => [how, openingWords[how]] as const),
            ]}
            onChange={(how) => open(control.id, layerOpenings.find((h) => h === how) ?? null)}
          />
          {opener?.how === 'tap-and-hold' && (
            <NumberBox
              label="It counts as held after, ms"
              value={opener.holdMs}
              min={20}
              max={2000}
              onChange={(ms) => open(control.id, opener.how, ms)}
            />
          )}
        </div>
      )}
      <div className="mt-3 flex flex-col gap-2 border-t border-rule pt-3">
        <ChoiceField
          label="While it is held, it holds"
          value={held?.holds ?? 'nothing'}
          options={[['nothing', 'nothing: it only types'], ...modifiers.map((m) => [m, m] as const)]}
          onChange={(holds) => hold(control.id, modifiers.find((m): m is Modifier => m === holds) ?? null)}
        />
        {held && (
          <NumberBox
            label="It counts as held after, ms"
            value={held.holdMs}
            min={20}
            max={2000}
            onChange={(ms) => hold(control.id, held.holds, ms)}
          />
        )}
      </div>
      {waits !== undefined && <TapHoldPlot holdMs={waits} />}
    </>
  )
}
