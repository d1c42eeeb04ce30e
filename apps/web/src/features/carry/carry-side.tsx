import { progressOf } from '@reach-plot/core/carry'
import { download } from '../../parts/download.js'
import { TickField } from '../../parts/fields.js'
import { howMany } from '../../parts/words.js'
import { FirmwarePart } from './firmware-part.js'
import { OthersPart } from './others-part.js'
import { StandardPart } from './standard-part.js'
import type { CarryPlace, CarryScreen } from './use-carry.js'

/** The programs, devices and the system, with how far each is. */
export function CarrySide({ view }: { view: CarryScreen }) {
  const { from, arrangement, progress, places, steps } = view
  return (
    <nav
      aria-label="Where to change"
      className="side flex w-[256px] shrink-0 flex-col overflow-y-auto border-r border-rule bg-panel"
    >
      <div className="border-b border-rule px-[14px] py-3">
        <h2 className="title">Carry</h2>
        <p className="mt-1 text-ink-2">
          {from.id === arrangement.id
            ? `“${arrangement.name}” is what is set now.`
            : `From “${from.name}” to “${arrangement.name}”: ${howMany(steps.length, 'change', 'changes')}, ${progress.done} done${progress.impossible > 0 ? `, ${progress.impossible} not possible` : ''}.`}
        </p>
        {from.id !== arrangement.id && <DaysChoice view={view} />}
      </div>
      <ul>
        {places.map((p) => (
          <PlaceItem key={p.key} place={p} view={view} />
        ))}
      </ul>
      <div className="px-[14px] py-4">
        <h3 className="caption">For others</h3>
        <p className="mt-1 text-ink-2">
          One page with every key, the bench and a search, which opens without this app and without a network.
        </p>
        <button
          type="button"
          className="btn mt-2"
          onClick={() => download(view.page(), `${view.plan.name}.html`, 'text/html')}
        >
          Save the page
        </button>
      </div>
      <StandardPart />
      <OthersPart />
      <FirmwarePart />
    </nav>
  )
}

/** The whole way at once, or what Learn brings in until a day. */
function DaysChoice({ view: { isByDays, setByDays, days, untilDay, setUntilDay } }: { view: CarryScreen }) {
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
      <TickField checked={isByDays} onChange={setByDays}>
        By the days of Learn
      </TickField>
      {isByDays &&
        (days === null ? (
          <span className="text-ink-2">working out the days …</span>
        ) : (
          <label className="flex items-center gap-1.5">
            until day
            <select
              className="field"
              value={untilDay ?? ''}
              onChange={(e) => setUntilDay(e.target.value === '' ? null : Number(e.target.value))}
            >
              <option value="">the last</option>
              {Array.from({ length: days }, (_, i) => (
                <option key={i} value={i + 1}>
                  {i + 1}
                </option>
              ))}
            </select>
          </label>
        ))}
    </div>
  )
}

function PlaceItem({ place, view }: { place: CarryPlace; view: CarryScreen }) {
  const { done, impossible, all } = progressOf(place.steps, view.ticks)
  const isChosen = view.place?.key === place.key
  const share = (100 * (done + impossible)) / all
  return (
    <li className="border-b border-rule">
      <button
        type="button"
        className={`block w-full px-[14px] py-2 text-left ${isChosen ? 'bg-ink text-panel' : ''}`}
        aria-current={isChosen ? 'true' : undefined}
        onClick={() => view.choosePlace(place.key)}
      >
        <span className="flex justify-between gap-2">
          <b className="truncate" title={place.name}>
            {place.name}
          </b>
          <span className="whitespace-nowrap tabular-nums">
            {done + impossible} of {all}
          </span>
        </span>
        <span className={`mt-1.5 block h-[3px] ${isChosen ? 'bg-ink-2' : 'bg-rule'}`} aria-hidden="true">
          <span className="block h-full bg-reach-4" style={{ width: `${share}%` }} />
        </span>
      </button>
    </li>
  )
}
