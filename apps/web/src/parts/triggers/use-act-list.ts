import { useMemo } from 'react'
import {
  candidate,
  controlCandidates,
  controlRefOf,
  keyLegend,
  proposedSets,
  plainTriggers,
  splitControlRef,
  triggerKey,
  type BenchControl,
  type Candidate,
  type Command,
  type Modifier,
  type Trigger,
} from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { noHeld, useReachOfSets } from '../../store/reach.js'
import { heldSetsOf, useDerived, usePageOf } from '../../store/selectors.js'
import { reservedNote, verdictWords } from '../words.js'

/** One act of a control, with how it is reached and who stands there. */
export interface ActRow {
  readonly trigger: Trigger
  readonly key: string
  readonly reach: string
  readonly there: string
}

export interface ActGroup {
  readonly name: string
  readonly rows: readonly ActRow[]
}

const groupNames = ['By itself', 'With modifiers held', 'With another control held', 'Entries'] as const

const groupOf = ({ trigger, held }: Candidate): (typeof groupNames)[number] => {
  if (trigger.kind === 'popup') return 'Entries'
  if ('withId' in trigger && trigger.withId !== undefined) return 'With another control held'
  return held.length > 0 ? 'With modifiers held' : 'By itself'
}

/** Every act of the control that `trigger` is on, or every entry of its pop-up set. */
function useActs(trigger: Trigger, clickedDeviceId: string | undefined) {
  const { env, index } = useDerived()
  const pageOf = usePageOf()
  const ref = controlRefOf(trigger)
  const ownPage = 'pageId' in trigger ? trigger.pageId : undefined
  const isKey = (c: BenchControl): boolean => (c.code ?? c.id) === ref
  const control =
    env.controls.find((c) => isKey(c) && c.deviceId === clickedDeviceId) ?? env.controls.find(isKey)
  const acts = useMemo(() => {
    if (trigger.kind === 'popup')
      return (env.popups ?? [])
        .filter((set) => set.id === trigger.setId)
        .flatMap((set) =>
          Array.from({ length: set.entries }, (_, i) =>
            candidate({ kind: 'popup', setId: set.id, entry: i + 1 }, index),
          ),
        )
    if (!control) return [candidate(trigger, index)]
    const sets: readonly (readonly Modifier[])[] = proposedSets(env.layout.altGraph)
    const found = controlCandidates(control, index, sets, (id) =>
      id === splitControlRef(control.id).deviceId && ownPage !== undefined ? ownPage : pageOf(id),
    )
    // what is set now may be more than is listed, such as three modifiers
    const key = triggerKey(trigger)
    return found.some((c) => c.key === key) ? found : [candidate(trigger, index), ...found]
  }, [trigger, control, env, index, pageOf, ownPage])
  return { control, acts }
}

/** What is shown and can be done there. */
export function useActList(trigger: Trigger, command: Command | undefined, clickedDeviceId?: string) {
  const { env, arrangement, index, bench } = useDerived()
  const plan = usePlan()
  const pageOf = usePageOf()
  const { control, acts } = useActs(trigger, clickedDeviceId)
  const sets = useMemo(() => acts.flatMap((a) => heldSetsOf(a.trigger, arrangement)), [acts, arrangement])
  const { reachOf } = useReachOfSets(noHeld, sets)
  const rowOf = ({ trigger: act, key, reserved }: Candidate): ActRow => {
    const reach = reachOf(act)
    const holders = (index.holders.get(key) ?? []).filter(
      (c) => command === undefined || (c.programId === command.programId && c.id !== command.id),
    )
    return {
      trigger: act,
      key,
      reach: reach ? `${verdictWords[reach.verdict]} · ${Math.round(reach.timeMs)} ms` : '…',
      there: reserved !== null ? reservedNote(reserved) : holders.map((c) => c.name).join(', '),
    }
  }
  const groups = groupNames.flatMap((name): ActGroup[] => {
    const rows = acts.filter((a) => groupOf(a) === name).map(rowOf)
    return rows.length > 0 ? [{ name, rows }] : []
  })
  const nameOf = (c: BenchControl): string =>
    c.code !== null ? keyLegend(c.code, env.layout, env.systemId) : c.name || c.controlId
  const devices = bench.devices.flatMap(({ deviceId }) => {
    const controls = env.controls.filter((c) => c.deviceId === deviceId && firstAct(c, undefined))
    const name = plan.devices.find((d) => d.id === deviceId)?.name ?? deviceId
    return controls.length > 0 ? [{ id: deviceId, name, controls }] : []
  })
  /** The first act of another control, on the page that its device shows. */
  const actOn = (id: string): Trigger | undefined => {
    const chosen = env.controls.find((c) => c.id === id)
    return chosen && firstAct(chosen, chosen.code === null ? pageOf(chosen.deviceId) : undefined)
  }
  return { groups, control, devices, nameOf, actOn, env }
}

/** A wheel or a main button carries commands with modifiers only, and can be chosen all the same. */
const firstAct = (control: BenchControl, page: string | undefined): Trigger | undefined =>
  plainTriggers(control, control.clicks === true ? ['Control'] : [], page)[0]
