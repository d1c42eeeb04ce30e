import { useId, useState } from 'react'
import {
  chord,
  heldOf,
  keyLegend,
  pagesOf,
  plainTriggers,
  splitControlRef,
  controlRefOf,
  type BenchControl,
  type Modifier,
  type Trigger,
} from '@reach-plot/core'
import { useKeyFind } from '../key-find.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, usePageOf } from '../../store/selectors.js'

/** Held to begin with where a control carries nothing by itself. */
const anyHeld: readonly Modifier[] = ['Control']

const pageOfTrigger = (trigger: Trigger): string | undefined =>
  'pageId' in trigger ? trigger.pageId : undefined

/** What is shown and can be done there. */
export function useTriggerField({
  trigger,
  onChange,
  clickedDeviceId,
}: {
  trigger: Trigger
  onChange: (trigger: Trigger) => void
  /** the device that was clicked, where several have the same key */
  clickedDeviceId?: string | undefined
}) {
  const plan = usePlan()
  const { env, arrangement, bench } = useDerived()
  const pageOf = usePageOf()
  const keyFind = useKeyFind(onChange)
  const id = useId()
  const held = heldOf(trigger)
  const refNow = controlRefOf(trigger)
  // a code does not tell which of two devices is meant
  const [deviceNow, setDeviceNow] = useState<string | null>(null)
  // a wheel or a main button carries commands with modifiers only, and can be chosen all the same
  const controls = env.controls.filter((c) => plainTriggers(c, c.clicks === true ? anyHeld : []).length > 0)
  const having = controls.filter((c) => (c.code ?? c.id) === refNow)
  const control = having.find((c) => c.deviceId === (deviceNow ?? clickedDeviceId)) ?? having[0]
  const deviceId =
    trigger.kind === 'popup' ? '' : (control?.deviceId ?? splitControlRef(refNow ?? '').deviceId)
  const device = plan.devices.find((d) => d.id === deviceId)
  const onDevice = controls.filter((c) => c.deviceId === deviceId)
  const pages = pagesOf(device)
  const ways = control && control.code === null ? plainTriggers(control, held, pageOfTrigger(trigger)) : []
  const nameOf = (c: BenchControl): string =>
    c.code !== null ? keyLegend(c.code, env.layout, env.systemId) : c.name || c.controlId

  const toControl = (c: BenchControl | undefined): void => {
    if (!c) return
    setDeviceNow(c.deviceId)
    if (c.code !== null) onChange(chord(c.code, held))
    else {
      const page = pageOf(c.deviceId)
      const [way] = plainTriggers(c, held.length === 0 && c.clicks === true ? anyHeld : held, page)
      if (way) onChange(way)
    }
  }
  const isPressed = trigger.kind === 'chord' || trigger.kind === 'key' || trigger.kind === 'button'
  return {
    id,
    trigger,
    deviceId,
    arrangement,
    onChange,
    toControl,
    controls,
    bench,
    plan,
    device,
    control,
    onDevice,
    nameOf,
    keyFind,
    pages,
    ways,
    env,
    isPressed,
    held,
  }
}

export type TriggerFieldView = ReturnType<typeof useTriggerField>
