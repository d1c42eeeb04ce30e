import { useEffect, useMemo, useRef } from 'react'
import {
  deviceTitle,
  controlRefOf,
  heldOf,
  triggerKey,
  type BenchControl,
  type Trigger,
} from '@reach-plot/core'
import { ChartKey } from '../../drawing/chart-key.js'
import { keyFaces, refOfControl } from '../../drawing/chart-faces.js'
import { DeviceOutline } from '../../drawing/device-outline.js'
import type { KeyFace } from '../../drawing/key-face.js'
import { useOutlines, type Outline } from '../../drawing/use-outlines.js'
import { useChartZoom, type Extent } from '../../drawing/use-chart-zoom.js'
import { useKeyWalk } from '../../drawing/use-key-walk.js'
import { useFront, usePageOf } from '../../store/selectors.js'
import type { LearnScreen } from './use-learn.js'

const marginMm = 8
/** A part of the bench narrower than this would be drawn too large, mm. */
const leastWidthMm = 230
/** Above a device stands its name, mm. */
const titleMm = 6
const noop = (): void => undefined

/** The part of the bench that the questions need, with nothing written on the keys until it is shown. */
export function PracticeBench({ view }: { view: LearnScreen }) {
  const { svg, group, walk, reveal, outlines, faces, name } = usePracticeBench(view)
  return (
    <div className="relative min-h-0 grow">
      <svg
        ref={svg}
        className="absolute inset-0 size-full touch-none bg-paper"
        role="group"
        aria-label={`Controls of ${name}`}
      >
        <g
          ref={group}
          onKeyDown={walk.onKeyDown}
          onClick={walk.onClick}
          onFocus={(e) => e.target.matches(':focus-visible') && reveal(e.target)}
        >
          {outlines.map(({ placed, device }) => (
            <DeviceOutline key={device.id} placed={placed} device={device} title={deviceTitle(device)} />
          ))}
          {faces.map((face) => (
            <ChartKey key={face.control.id} face={face} />
          ))}
        </g>
      </svg>
    </div>
  )
}

function usePracticeBench({
  derived,
  down,
  state,
  question,
  questions,
  session,
  onControl,
  commandOf,
}: LearnScreen) {
  const { env, bench } = derived
  const pageOf = usePageOf()
  // what stands on the keys is not shown
  const { programId } = useFront()
  const svg = useRef<SVGSVGElement>(null)
  const group = useRef<SVGGElement>(null)
  const walk = useKeyWalk(svg, env.controls, derived.rests.index, onControl)
  const { fit, reveal } = useChartZoom(svg, group, noop)
  const outlines = useOutlines(bench)
  const isRunning = state !== null
  // in a session the drawing stands still: it shows where all of its questions lie
  const asked = useMemo(
    () => (isRunning ? session.all : [...questions.due, ...questions.fresh]).map((q) => q.trigger),
    [isRunning, session.all, questions],
  )
  const extent = useMemo(
    () =>
      extentOf(env.controls, new Set(asked.flatMap(refsOf)), new Set(Object.values(derived.rests)), outlines),
    [asked, env.controls, derived.rests, outlines],
  )
  useEffect(() => fit(extent), [extent, fit])
  const shown = state?.shown
  const faces = useMemo((): KeyFace[] => {
    const drawn = keyFaces({
      derived,
      front: { programId, contextId: null },
      held: shown && question ? heldOf(question.trigger) : down,
      byControl: undefined,
      places: null,
      pageOf,
      chosenRef: null,
      tabId: walk.tabId,
    })
    const [marked, wrong] = isRunning
      ? [shown && question ? refsOf(question.trigger) : [], shown?.pressed ? refsOf(shown.pressed) : []]
      : [asked.flatMap(refsOf), []]
    const answer = question && commandOf(question.commandId)
    const name = isRunning && answer ? (answer.label ?? answer.name) : ''
    return drawn.map((face) => blankFace(face, marked, wrong, name))
  }, [derived, programId, question, commandOf, down, pageOf, walk.tabId, isRunning, shown, asked])
  return { svg, group, walk, reveal, outlines, faces, name: bench.name }
}

/** The part of the desk with some controls, small devices of theirs whole, the resting fingers, and the rows of their board down to its last; the whole board where there are none. */
function extentOf(
  controls: readonly BenchControl[],
  refs: ReadonlySet<string>,
  rests: ReadonlySet<string | undefined>,
  outlines: readonly Outline[],
): Extent {
  const board = controls.find((c) => rests.has(c.id))?.deviceId
  const near = controls.filter((c) => refs.has(refOfControl(c)))
  const of =
    near.length > 0
      ? [...near, ...controls.filter((c) => rests.has(c.id))]
      : // nothing is asked: the board that the hand rests on
        controls.filter((c) => board === undefined || c.deviceId === board)
  const asked = new Set(of.map((c) => c.deviceId))
  const small = outlines.flatMap(({ device, print }) =>
    asked.has(device.id) && device.id !== board && print.x1 - print.x0 <= leastWidthMm ? [print] : [],
  )
  const [x0, x1] = [
    Math.min(...of.map((c) => c.xMm - c.widthMm / 2), ...small.map((p) => p.x0)),
    Math.max(...of.map((c) => c.xMm + c.widthMm / 2), ...small.map((p) => p.x1)),
  ]
  const more = Math.max(0, leastWidthMm - (x1 - x0)) / 2
  return {
    x0: x0 - more - marginMm,
    x1: x1 + more + marginMm,
    y0: Math.min(...of.map((c) => c.yMm - c.heightMm / 2), ...small.map((p) => p.y0 - titleMm)) - marginMm,
    y1:
      Math.max(
        ...[...of, ...controls.filter((c) => c.deviceId === board)].map((c) => c.yMm + c.heightMm / 2),
      ) + marginMm,
  }
}

/** A key with nothing of the plan on it, but for what is shown of the answer. */
function blankFace(
  face: KeyFace,
  marked: readonly string[],
  wrong: readonly string[],
  name: string,
): KeyFace {
  const isMarked = marked.includes(face.controlRef)
  const isWrong = wrong.includes(face.controlRef)
  return {
    ...face,
    state: face.state === 'held' || face.state === 'none' ? face.state : 'free',
    parts: [],
    pennants: [],
    isClash: false,
    isLocked: false,
    rank: null,
    tint: isMarked ? 4 : 0,
    isCurrent: isMarked,
    isChosen: isWrong,
    timeMs: null,
    caption: isMarked ? name : isWrong ? 'you pressed' : '',
    description: face.control.name ?? face.legend,
  }
}

/** The keys and controls of a trigger on the drawing; its modifiers are shown as held. */
function refsOf(trigger: Trigger): string[] {
  if (trigger.kind === 'sequence') return trigger.chords.map((c) => c.code)
  const ref = controlRefOf(trigger)
  return ref === null ? [triggerKey(trigger)] : [ref]
}
