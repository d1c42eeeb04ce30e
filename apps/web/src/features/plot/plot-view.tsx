import { chord } from '@reach-plot/core'
import { useDerived, useFrontCommands } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { TriggerDialog } from '../../parts/triggers/trigger-dialog.js'
import { Chart } from './chart.js'
import { CommandList } from './command-list.js'
import { InsteadBar } from './instead-bar.js'
import { KeyLevels } from './key-levels.js'
import { FreeFinder } from './free-finder.js'
import { HeldStrip } from './held-strip.js'
import { PlaceList } from './place-list.js'
import { TakeDialog } from './take-dialog.js'
import { usePlot } from './use-plot.js'

/** The main screen: choose a command and the bench shows how good each place would be; choose a key and see its levels. */
export function PlotView() {
  const view = usePlot()
  const {
    search,
    keyFind,
    focusPlaces,
    title,
    chart,
    places,
    freeRefs,
    onKey,
    side,

    put,
    putBoth,
    setOther,
    controlRef,
    freeWithin,
    taking,
    setTaking,
    asking,
    setAsking,
    other,
    chosenName,
  } = view
  return (
    <>
      <CommandList searchRef={search} keyFind={keyFind} onChosen={focusPlaces} />
      <section aria-label="Chart" className="flex min-w-0 grow flex-col">
        <p className="caption truncate px-[14px] pt-[10px] pb-2" title={title}>
          {title}
        </p>
        <Chart ref={chart} places={places} free={freeRefs} onKey={onKey} />
        {asking && places && (
          <InsteadBar
            command={places.command}
            place={asking}
            onAnswer={(how) => put(asking, how)}
            onClose={() => setAsking(null)}
          />
        )}
        <HeldStrip />
      </section>
      <section
        ref={side}
        aria-label="Places"
        className="side flex w-[296px] shrink-0 flex-col border-l border-rule bg-panel"
      >
        {places ? (
          <PlaceList
            places={places}
            onPlace={put}
            onPlaceBoth={putBoth}
            onOther={() => setOther(places.ranked[0]?.trigger ?? chord('KeyA'))}
          />
        ) : controlRef !== null ? (
          <KeyLevels controlRef={controlRef} onOther={setOther} />
        ) : freeWithin !== null ? (
          <FreeFinder onChoose={setOther} />
        ) : (
          <NothingChosen />
        )}
      </section>
      {taking && places && (
        <TakeDialog command={places.command} place={taking} places={places} onClose={() => setTaking(null)} />
      )}
      {other && <TriggerDialog commandId={places?.command.id} start={other} onClose={() => setOther(null)} />}
      <p role="status" className="sr-only">
        {chosenName !== '' && `${chosenName} chosen`}
      </p>
    </>
  )
}

/** What to do next, with the commands that would gain most from a place. */
function NothingChosen() {
  const commands = useFrontCommands()
  const { triggersOf } = useDerived()
  const set = useView((s) => s.set)
  const open = commands.filter((c) => triggersOf(c.id).length === 0).slice(0, 12)
  return (
    <div className="overflow-y-auto px-[14px] pt-3">
      <p className="caption">Nothing chosen</p>
      <h2 className="title mt-0.5">{commands.length === 0 ? 'Begin with commands' : 'Choose a command'}</h2>
      <p className="mt-1 text-ink-2">
        {commands.length === 0
          ? 'Import them as CSV or add them one by one under Commands. Until then the chart shows how long each key takes this hand, in ms.'
          : 'The chart then shows how good each key would be for it. Or choose a key to see all its levels.'}
      </p>
      {commands.length > 0 && (
        <button type="button" className="btn mt-3" onClick={() => set({ freeWithin: 'easy' })}>
          Find free places…
        </button>
      )}
      {open.length > 0 && (
        <>
          <p className="caption mt-5 border-b border-rule pb-1">Most used without a place</p>
          <ul>
            {open.map((c) => (
              <li key={c.id}>
                <button
                  type="button"
                  className="flex w-full justify-between border-b border-rule py-[6px] text-left hover:bg-reach-1"
                  onClick={() => set({ commandId: c.id, controlRef: null })}
                >
                  <span>{c.name}</span> <span className="text-ink-2">{c.usesPerHour}/h</span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  )
}
