import reference from '@reach-plot/data/reference/xkb-turned.json'
import { deviceControls, type Control, type DrawnDevice } from '../../src/index.js'
import { deviceFromGeometry, type Geometry } from '../../src/device-files/index.js'

/** Boards of the geometry files of xkb-data, as `data/reference` has them. */
export const boardNames = ['split-wells', 'column-stagger', 'angled-halves'] as const
export type BoardName = (typeof boardNames)[number]

type Row = readonly [string, number, number, number, number, number, string]

export function geometry(name: BoardName): Geometry {
  const { widthMm, heightMm, keys } = reference[name]
  return {
    name,
    description: name,
    widthMm,
    heightMm,
    keys: (keys as unknown as readonly Row[]).map(([key, xMm, yMm, width, height, turnDeg, section]) => ({
      name: key,
      section,
      xMm,
      yMm,
      widthMm: width,
      heightMm: height,
      turnDeg,
    })),
  }
}

export const board = (name: BoardName): DrawnDevice => deviceFromGeometry(geometry(name), name)
export const controlsOf = (name: BoardName): Control[] => deviceControls(board(name))
