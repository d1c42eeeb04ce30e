import type { ControlType } from './control.js'
import type { DeviceForm, DrawnControl, DrawnDevice } from './drawn.js'

interface GridPart {
  readonly grid: readonly [columns: number, rows: number]
  /** centre of the first control, and steps to the next column and row, mm */
  readonly at: readonly [xMm: number, yMm: number]
  readonly step: readonly [xMm: number, yMm: number]
  readonly size: readonly [widthMm: number, heightMm: number]
  readonly type: ControlType
  /** ids are this and a number from 1, row by row */
  readonly prefix: string
  readonly name: string
  readonly shape?: 'rect' | 'round'
}
interface OnePart {
  readonly id: string
  readonly name: string
  readonly type: ControlType
  readonly at: readonly [xMm: number, yMm: number]
  readonly size: readonly [widthMm: number, heightMm: number]
  readonly shape?: 'rect' | 'round'
  readonly code?: string
  readonly thumb?: boolean
  /** turn of the cap, clockwise, degrees */
  readonly turn?: number
  /** height over the lowest control, mm */
  readonly z?: number
  readonly clicks?: boolean
  readonly directions?: 2 | 4 | 6 | 8 | 12
}

/** A device of the catalogue as the data file has it: its outline and its controls, single or in grids, mm. */
export interface DeviceModel {
  readonly id: string
  readonly name: string
  readonly form: DeviceForm
  readonly size: readonly [widthMm: number, heightMm: number]
  readonly pages?: number
  readonly parts: readonly (GridPart | OnePart)[]
}

/** A device of its own, made from a model of the catalogue; from then on it can be changed control by control. */
export const deviceFromModel = (model: DeviceModel, id: string, name: string = model.name): DrawnDevice => ({
  id,
  name,
  kind: 'drawn',
  form: model.form,
  widthMm: model.size[0],
  heightMm: model.size[1],
  controls: model.parts.flatMap((part): DrawnControl[] =>
    'grid' in part ? gridControls(part) : [one(part)],
  ),
  pages: Array.from({ length: model.pages ?? 0 }, (_, i) => ({
    id: `p${i + 1}`,
    name: `Page ${i + 1}`,
    opens: [],
  })),
})

const gridControls = (part: GridPart): DrawnControl[] =>
  Array.from({ length: part.grid[0] * part.grid[1] }, (_, i) => ({
    id: `${part.prefix}${i + 1}`,
    name: `${part.name}${i + 1}`,
    type: part.type,
    shape: part.shape ?? 'rect',
    xMm: part.at[0] + (i % part.grid[0]) * part.step[0],
    yMm: part.at[1] + Math.floor(i / part.grid[0]) * part.step[1],
    widthMm: part.size[0],
    heightMm: part.size[1],
    code: null,
  }))

const one = (part: OnePart): DrawnControl => ({
  id: part.id,
  name: part.name,
  type: part.type,
  shape: part.shape ?? 'rect',
  xMm: part.at[0],
  yMm: part.at[1],
  widthMm: part.size[0],
  heightMm: part.size[1],
  code: part.code ?? null,
  ...(part.thumb !== undefined && { thumb: part.thumb }),
  ...(part.turn !== undefined && { turnDeg: part.turn }),
  ...(part.z !== undefined && { zMm: part.z }),
  ...(part.clicks !== undefined && { clicks: part.clicks }),
  ...(part.directions !== undefined && { directions: part.directions }),
})
