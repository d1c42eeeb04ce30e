import type { ProgramId } from '../../ids.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { drawnDevice } from './controls.js'
import { edit, editWith } from './edit.js'

/** Adds a page to a device; with the first page, what the device carried goes onto it. Gives back the page's id. */
export const addPage = editWith((plan: Plan, deviceId: string, name: string): string | null => {
  const device = drawnDevice(plan, deviceId)
  if (!device) return null
  const id = freshId(name, new Set(device.pages.map((p) => p.id)))
  device.pages.push({ id, name, opens: [] })
  // what stood on the device without pages stands on the first page now
  if (device.pages.length === 1)
    for (const arrangement of plan.arrangements)
      for (const p of arrangement.placements)
        if ((p.trigger.kind === 'button' || p.trigger.kind === 'turn') && p.trigger.deviceId === deviceId)
          p.trigger = { ...p.trigger, pageId: id }
  return id
})

/** Takes a page away with what stands on it in every arrangement that can be edited. */
export const deletePage = edit((plan: Plan, deviceId: string, pageId: string) => {
  const device = drawnDevice(plan, deviceId)
  if (!device) return
  device.pages = device.pages.filter((p) => p.id !== pageId)
  for (const page of device.pages) page.opens = page.opens.filter((o) => o.pageId !== pageId)
  for (const arrangement of plan.arrangements)
    if (!arrangement.isDefault)
      arrangement.placements = arrangement.placements.filter(
        ({ trigger }) => !('pageId' in trigger && trigger.deviceId === deviceId && trigger.pageId === pageId),
      )
})

/** Makes a control open a page, go back (null), or carry commands again (undefined). */
export const setOpens = edit(
  (plan: Plan, deviceId: string, pageId: string, controlId: string, to: string | null | undefined) => {
    const page = drawnDevice(plan, deviceId)?.pages.find((p) => p.id === pageId)
    if (!page) return
    page.opens = page.opens.filter((o) => o.controlId !== controlId)
    if (to !== undefined) page.opens.push({ controlId, pageId: to })
  },
)

/** The program with which a page comes up by itself; null for one that a button opens. */
export const setPageProgram = edit(
  (plan: Plan, deviceId: string, pageId: string, programId: ProgramId | null) => {
    const page = drawnDevice(plan, deviceId)?.pages.find((p) => p.id === pageId)
    if (!page) return
    if (programId === null) delete page.programId
    else page.programId = programId
  },
)
