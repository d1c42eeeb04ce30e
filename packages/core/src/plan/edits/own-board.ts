import { deviceControls, deviceSizeMm, deviceTitle, type DrawnDevice } from '../../bench/index.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'

/**
 * Makes a catalogued keyboard one's own, to be changed key by key: the same keys in the same places under the same ids, so that
 * nothing that is placed, rested on or labelled there changes.
 */
export const makeBoardOwn = edit((plan: Plan, deviceId: string) => {
  const at = plan.devices.findIndex((d) => d.id === deviceId)
  const board = plan.devices[at]
  if (board?.kind !== 'board') return
  const { widthMm, heightMm } = deviceSizeMm(board)
  const own: DrawnDevice = {
    id: board.id,
    name: board.name === '' ? deviceTitle(board) : board.name,
    kind: 'drawn',
    form: 'keyboard',
    widthMm,
    heightMm,
    controls: deviceControls(board).map((c) => ({
      id: c.id,
      name: c.code === null ? c.id : '',
      type: 'key',
      shape: 'rect',
      xMm: c.xMm,
      yMm: c.yMm,
      widthMm: c.widthMm,
      heightMm: c.heightMm,
      code: c.code,
      ...(c.row === 'bottom' && { thumb: true }),
    })),
    pages: [],
    ...(board.functionKeys && { functionKeys: board.functionKeys }),
    ...(board.functionKeys === undefined &&
      board.board.startsWith('laptop') && { functionKeys: 'media' as const }),
    ...(board.force && { force: board.force }),
    ...(board.layers && { layers: board.layers }),
  }
  plan.devices[at] = own
})
