import { useMemo, useState } from 'react'
import { CoreError, deviceControls, deviceSizeMm, keyLegend, type Device } from '@reach-plot/core'
import { geometryNames, readBoardFile } from '@reach-plot/core/device-files'
import { CapShape } from '../../drawing/cap-shape.js'
import { Dialog } from '../../parts/dialog.js'
import { SelectField, TextField } from '../../parts/fields.js'
import { NumberBox } from '../../parts/number-box.js'
import { useDerived } from '../../store/selectors.js'

/** A file that boards are read from, as it was chosen. */
export interface BoardFile {
  readonly name: string
  readonly text: string
  readonly form: 'xkb' | 'svg'
}

/** A file read as a device: which of its boards, how large a drawing is, and what comes of it, before it stands on the bench. */
export function BoardFileDialog({
  file,
  onAdd,
  onClose,
}: {
  file: BoardFile
  onAdd: (device: Device) => void
  onClose: () => void
}) {
  const view = useBoardFile(file)
  const { names, geometry, setGeometry, shape, setShape, widthMm, setWidthMm, read } = view
  return (
    <Dialog
      wide
      title={`Read a device from ${file.name}`}
      onClose={onClose}
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-main"
            disabled={!read.device}
            onClick={() => read.device && onAdd(read.device)}
          >
            Add to the bench
          </button>
        </>
      }
    >
      {file.form === 'xkb' && names.length > 1 && (
        <SelectField
          label="Which of its boards"
          value={geometry}
          choices={names.map((name) => ({ id: name, name }))}
          onChange={setGeometry}
        />
      )}
      {file.form === 'svg' && (
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="A shape whose width you know: its id or title"
            value={shape}
            maxLength={80}
            onChange={setShape}
          />
          <NumberBox label="How wide it is, mm" value={widthMm} min={1} max={1000} onChange={setWidthMm} />
        </div>
      )}
      {read.device ? (
        <>
          <DevicePicture device={read.device} />
          <p className="mt-2 text-ink-2">{read.note}</p>
        </>
      ) : (
        <p role="alert" className="mt-3 text-magenta">
          {read.note}
        </p>
      )}
    </Dialog>
  )
}

function useBoardFile(file: BoardFile) {
  const names = useMemo(() => {
    try {
      return file.form === 'xkb' ? geometryNames(file.text, file.name) : []
    } catch {
      return []
    }
  }, [file])
  const [geometry, setGeometry] = useState(names[0] ?? '')
  const [shape, setShape] = useState('')
  const [widthMm, setWidthMm] = useState(18)
  const read = useMemo((): { device: Device | null; note: string } => {
    try {
      const { device } = readBoardFile(file.text, file.name, {
        ...(geometry !== '' && { geometry }),
        ...(shape !== '' && { known: { shape, widthMm } }),
      })
      const controls = deviceControls(device)
      const turned = controls.filter((c) => (c.turnDeg ?? 0) !== 0).length
      const thumb = controls.filter((c) => c.row === 'bottom').length
      const { widthMm: across, heightMm: along } = deviceSizeMm(device)
      return {
        device,
        note: `${controls.length} keys on ${Math.round(across)} × ${Math.round(along)} mm; ${turned} are turned, ${thumb} lie where a thumb works. All of it can be changed afterwards.`,
      }
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      return { device: null, note: error.message }
    }
  }, [file, geometry, shape, widthMm])
  return { names, geometry, setGeometry, shape, setShape, widthMm, setWidthMm, read }
}

function DevicePicture({ device }: { device: Device }) {
  const { env } = useDerived()
  const { widthMm, heightMm } = deviceSizeMm(device)
  return (
    <svg
      viewBox={`-4 -4 ${widthMm + 8} ${heightMm + 8}`}
      className="mt-3 max-h-[340px] w-full border border-rule bg-paper"
      role="img"
      aria-label={`Drawing of ${device.name}`}
    >
      {deviceControls(device).map((c) => (
        <g key={c.id} transform={`translate(${c.xMm} ${c.yMm}) rotate(${c.turnDeg ?? 0})`}>
          <CapShape
            widthMm={c.widthMm}
            heightMm={c.heightMm}
            isRound={c.round}
            outlineMm={c.outlineMm}
            fill={c.row === 'bottom' ? 'var(--reach-1)' : 'var(--key)'}
            stroke="var(--edge)"
            strokeWidth={0.5}
          />
          <text y={1.4} fontSize={4} textAnchor="middle" className="font-chart" fill="var(--ink)">
            {(c.name ?? '') || (c.code === null ? c.id : keyLegend(c.code, env.layout, env.systemId))}
          </text>
        </g>
      ))}
    </svg>
  )
}
