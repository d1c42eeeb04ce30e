/** What the stand-in of a chart program shows. */
export interface Scene {
  readonly zoom: number
  readonly turnDeg: number
  readonly textPx: number
  readonly hasGrid: boolean
  readonly hasDepths: boolean
  readonly buoys: number
  readonly isBankNamed: boolean
}

export const firstScene: Scene = {
  zoom: 1,
  turnDeg: 24,
  textPx: 8,
  hasGrid: false,
  hasDepths: false,
  buoys: 1,
  isBankNamed: true,
}

/** A step of the task: what is wanted, in words that do not name the command; and what the command does to the scene. */
export interface TaskStep {
  readonly commandId: string
  readonly goal: string
  readonly does: (scene: Scene) => Partial<Scene>
}

/** Twelve things to do to a small chart, by commands of the example’s first program. Invented, as the example is. */
export const chartTask: readonly TaskStep[] = [
  {
    commandId: 'fenmap-zoom-in',
    goal: 'The harbour is too small to work on. Come nearer.',
    does: ({ zoom }) => ({ zoom: zoom * 1.5 }),
  },
  {
    commandId: 'fenmap-turn-view-left',
    goal: 'The coast leans to the right. Set it straight.',
    does: ({ turnDeg }) => ({ turnDeg: turnDeg - 24 }),
  },
  {
    commandId: 'fenmap-larger-text',
    goal: 'The names can hardly be read. Make them bigger.',
    does: ({ textPx }) => ({ textPx: textPx + 4 }),
  },
  {
    commandId: 'fenmap-show-grid',
    goal: 'You want lines to measure by.',
    does: () => ({ hasGrid: true }),
  },
  {
    commandId: 'fenmap-buoy',
    goal: 'There is one mark at the harbour mouth, and there should be two.',
    does: ({ buoys }) => ({ buoys: buoys + 1 }),
  },
  {
    commandId: 'fenmap-hide-label',
    goal: '“Long Bank” lies over the channel. Put the name out of sight.',
    does: () => ({ isBankNamed: false }),
  },
  {
    commandId: 'fenmap-show-depths',
    goal: 'How deep is the water there?',
    does: () => ({ hasDepths: true }),
  },
  {
    commandId: 'fenmap-delete',
    goal: 'The mark that you set last has to go.',
    does: ({ buoys }) => ({ buoys: buoys - 1 }),
  },
  {
    commandId: 'fenmap-undo',
    goal: 'No, that mark was right. Take the last step back.',
    does: ({ buoys }) => ({ buoys: buoys + 1 }),
  },
  {
    commandId: 'fenmap-turn-view-right',
    goal: 'The sheet wants the coast slanting to the right.',
    does: ({ turnDeg }) => ({ turnDeg: turnDeg + 24 }),
  },
  {
    commandId: 'fenmap-smaller-text',
    goal: 'Now the names are too large for the sheet.',
    does: ({ textPx }) => ({ textPx: textPx - 2 }),
  },
  {
    commandId: 'fenmap-zoom-out',
    goal: 'See the whole coast again.',
    does: ({ zoom }) => ({ zoom: zoom / 1.5 }),
  },
]

/** The scene after the steps that were done. */
export const sceneAfter = (doneIds: readonly string[]): Scene =>
  doneIds.reduce((scene, id) => {
    const step = chartTask.find((s) => s.commandId === id)
    return step ? { ...scene, ...step.does(scene) } : scene
  }, firstScene)

export const goalOf = (commandId: string): string | undefined =>
  chartTask.find((s) => s.commandId === commandId)?.goal
