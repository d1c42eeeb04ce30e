import { moveDevice } from '@reach-plot/core'
import { clearStanding, findStanding, stopStanding, useStanding } from '../../store/standing-store.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** Where a device serves best on this desk: looked for in a worker, shown on the map, and taken with one press. */
export function StandingPart({ deviceId }: { deviceId: string }) {
  const plan = usePlan()
  const edit = useEdit()
  const running = useStanding((s) => s.running)
  const found = useStanding((s) => s.found)
  const map = found?.map.deviceId === deviceId ? found.map : null
  const seconds = (ms: number): string => (ms / 1000).toFixed(1)
  if (running?.deviceId === deviceId)
    return (
      <div role="status" className="mt-2">
        <p>Looking over the desk … {Math.round(100 * running.share)} %</p>
        <progress className="w-full" value={running.share} max={1} aria-label="Looking over the desk" />
        <button type="button" className="btn mt-1" onClick={stopStanding}>
          Stop
        </button>
      </div>
    )
  const isOld = map !== null && found?.plan !== plan
  return (
    <div className="mt-2">
      {map && !isOld && <Found map={map} seconds={seconds} />}
      <div className="flex flex-wrap gap-2">
        {map && !isOld && map.best.costMs < map.now.costMs - 50 && (
          <button
            type="button"
            className="btn btn-main"
            onClick={() => {
              const { xMm, yMm, turnDeg } = map.best
              edit((before) => moveDevice(before, deviceId, { xMm, yMm, turnDeg }))
              clearStanding()
            }}
          >
            Put it there
          </button>
        )}
        <button type="button" className="btn" onClick={() => void findStanding(deviceId)}>
          {map ? 'Look again' : 'Find where it serves best'}
        </button>
        {map && (
          <button type="button" className="btn" onClick={clearStanding}>
            Clear the map
          </button>
        )}
      </div>
      {isOld && (
        <p className="mt-1 text-[12px] text-ink-2">The plan has changed since: the map is of before.</p>
      )}
    </div>
  )
}

function Found({
  map: { now, best },
  seconds,
}: {
  map: NonNullable<ReturnType<typeof useStanding.getState>['found']>['map']
  seconds: (ms: number) => string
}) {
  const gain = now.costMs - best.costMs
  return (
    <p className="mb-2">
      {gain < 50 ? (
        'Nowhere on this desk would it serve better than where it stands.'
      ) : (
        <>
          <b>{seconds(gain)} s an hour</b> less at the dashed place
          {best.turnDeg === now.turnDeg ? '' : `, turned ${best.turnDeg}°`}: {seconds(best.costMs)} instead of{' '}
          {seconds(now.costMs)} s, effort counted by the plan’s weights. Tinted is where its middle could lie,
          the darker the better.
        </>
      )}
    </p>
  )
}
