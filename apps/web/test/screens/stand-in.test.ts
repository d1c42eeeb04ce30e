import { describe, expect, test } from 'vitest'
import { chartTask, firstScene, goalOf, sceneAfter } from '../../src/features/learn/stand-in/chart-task.js'
import { demo } from '../build.js'

describe('the small task', () => {
  test('uses commands that the example has, each once, and never says their names', () => {
    const named = new Map(demo().commands.map((c) => [c.id as string, c.name]))
    expect(new Set(chartTask.map((s) => s.commandId)).size).toBe(chartTask.length)
    for (const { commandId, goal } of chartTask) {
      const name = named.get(commandId)
      expect(name, commandId).toBeDefined()
      expect(goal.toLowerCase()).not.toContain(name!.toLowerCase())
    }
  })
  test('each step changes what is seen, and what is gone back on is back', () => {
    let scene = firstScene
    for (const [i, { commandId }] of chartTask.entries()) {
      const next = sceneAfter(chartTask.slice(0, i + 1).map((s) => s.commandId))
      expect(next, commandId).not.toEqual(scene)
      scene = next
    }
    expect(scene).toEqual({
      ...firstScene,
      textPx: 10,
      hasGrid: true,
      hasDepths: true,
      buoys: 2,
      isBankNamed: false,
    })
    expect(sceneAfter(['unknown'])).toEqual(firstScene)
    expect(goalOf('unknown')).toBeUndefined()
  })
})
