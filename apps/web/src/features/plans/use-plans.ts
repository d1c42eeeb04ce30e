import { useCallback, useEffect, useState } from 'react'
import { toast } from '../../store/message.js'
import { emptyPlan, salvagePlan, setPlanSettings, type SalvagedPlan } from '@reach-plot/core'
import { download } from '../../parts/download.js'
import { planFileName } from '../../store/actions.js'
import { timeInWords } from '../../store/time-in-words.js'
import { autosave } from '../../store/autosave.js'
import { openById, openExample, openNewPlan } from '../../store/open-plan.js'
import { forgetPersonal } from '../../store/personal-store.js'
import { forgetPractice } from '../../store/practice-store.js'
import { problemInWords, showProblem } from '../../store/problem.js'
import type { PastState } from '../../store/plan-history.js'
import { usePlan, usePlanStore } from '../../store/plan-store.js'
import { openable, type PlanEntry } from '../../store/shelf.js'

/** A plan of the list, and what is wrong with it where it cannot be read. */
export interface ListedPlan extends PlanEntry {
  readonly problem: string | null
}

/** The list as it is stored now; `reload` looks again. */
function useList(): { readonly plans: readonly ListedPlan[] | null; reload: () => void } {
  const [plans, setPlans] = useState<readonly ListedPlan[] | null>(null)
  const open = usePlan()
  const revisionState = autosave.useState((s) => s.state)
  const [asked, setAsked] = useState(0)
  useEffect(() => {
    let isCurrent = true
    void listPlans().then((found) => {
      if (isCurrent) setPlans(found)
    }, showProblem)
    return () => {
      isCurrent = false
    }
  }, [open.id, revisionState, asked])
  return { plans, reload: useCallback(() => setAsked((n) => n + 1), []) }
}

async function listPlans(): Promise<readonly ListedPlan[]> {
  const { shelf } = autosave.stores
  const entries = await shelf.list()
  return Promise.all(
    entries.map(async (entry): Promise<ListedPlan> => {
      const stored = await shelf.text(entry.id)
      try {
        openable(stored?.text ?? '', entry.name)
        return { ...entry, problem: null }
      } catch (error) {
        return { ...entry, problem: problemInWords(error) }
      }
    }),
  )
}

/** The states that the open plan was in. */
function usePast(): readonly PastState[] | null {
  const plan = usePlan()
  const state = autosave.useState((s) => s.state)
  const [past, setPast] = useState<readonly PastState[] | null>(null)
  useEffect(() => {
    let isCurrent = true
    // the latest state is written a moment after it is saved
    const timer = setTimeout(() => {
      void autosave.stores.history.list(plan.id).then((found) => {
        if (isCurrent) setPast(found)
      }, showProblem)
    }, 150)
    return () => {
      isCurrent = false
      clearTimeout(timer)
    }
  }, [plan, state])
  return past
}

/** All plans of this browser, what can be done with each, and the past of the one that is open. */
export function usePlans() {
  const open = usePlan()
  const { plans, reload } = useList()
  const past = usePast()
  const [renaming, setRenaming] = useState<ListedPlan | null>(null)
  const [mending, setMending] = useState<{ entry: ListedPlan; salvaged: SalvagedPlan | null } | null>(null)
  const after = (what: Promise<unknown>): void => void what.then(reload, showProblem)
  const { shelf, history } = autosave.stores
  const nextOf = (id: string): ListedPlan | undefined =>
    plans?.find((p) => p.id !== id && p.deletedAt === null && p.problem === null)

  return {
    open,
    past,
    good: plans?.filter((p) => p.problem === null && p.deletedAt === null) ?? [],
    unreadable: plans?.filter((p) => p.problem !== null && p.deletedAt === null) ?? [],
    deleted: plans?.filter((p) => p.deletedAt !== null) ?? [],
    isRead: plans !== null,
    renaming,
    setRenaming,
    mending,
    setMending,
    openPlan: (id: string): void => after(openById(id)),
    openExample: (): void => after(openExample()),
    openEmpty: (): void => after(openNewPlan(emptyPlan())),
    copy: (entry: ListedPlan): void =>
      after(
        shelf.load(entry.id).then(async (loaded) => {
          if (loaded) await shelf.add({ ...loaded.plan, name: `${entry.name.slice(0, 110)}, copy` })
        }),
      ),
    rename(entry: ListedPlan, name: string): void {
      // the open plan is changed as by any other edit, so that it can be undone
      if (entry.id === open.id) usePlanStore.getState().edit((plan) => setPlanSettings(plan, { name }))
      else after(shelf.rename(entry.id, name))
    },
    exportPlan: (entry: ListedPlan): void =>
      after(
        shelf.text(entry.id).then((stored) => {
          if (stored) download(stored.text, planFileName(entry), 'application/json')
        }),
      ),
    delete: (entry: ListedPlan): void => after(deletePlan(entry, nextOf(entry.id)?.id ?? null, after)),
    restore: (entry: ListedPlan): void => after(shelf.restore(entry.id)),
    deleteForGood: (entry: ListedPlan): void =>
      after(
        shelf.deleteForGood(entry.id).then(() => {
          forgetPersonal(entry.id)
          void forgetPractice(entry.id).catch(() => undefined)
          return history.forget(entry.id)
        }),
      ),
    lookAt: (entry: ListedPlan): void =>
      after(
        shelf
          .text(entry.id)
          .then((stored) => setMending({ entry, salvaged: salvagePlan(stored?.text ?? '') })),
      ),
    mend(): void {
      if (!mending?.salvaged) return
      const { entry, salvaged } = mending
      setMending(null)
      after(
        openNewPlan({ ...salvaged.plan, name: `${entry.name.slice(0, 100)}, mended` }).then(() =>
          // what could not be read stays among the deleted ones for a while
          shelf.delete(entry.id),
        ),
      )
    },
    goBack: (state: PastState): void =>
      after(
        autosave
          .goBack(state.at)
          .then(() => toast(`The plan is as it was on ${timeInWords(state.at)}. Undo leads forth again.`)),
      ),
  }
}

/** Deletes a plan, with undo; another one is opened first where it is open, since there is always one open. */
async function deletePlan(
  entry: ListedPlan,
  nextId: string | null,
  after: (what: Promise<unknown>) => void,
): Promise<void> {
  const { shelf } = autosave.stores
  const isOpen = entry.id === usePlanStore.getState().plan?.id
  if (isOpen) await (nextId === null ? openNewPlan(emptyPlan()) : openById(nextId))
  await shelf.delete(entry.id)
  const putBack = async (): Promise<void> => {
    await shelf.restore(entry.id)
    if (isOpen) await openById(entry.id)
  }
  toast(`“${entry.name}” is deleted; it can be had back for 30 days`, {
    action: { label: 'Undo', onClick: () => after(putBack()) },
  })
}

export type PlansScreen = ReturnType<typeof usePlans>
