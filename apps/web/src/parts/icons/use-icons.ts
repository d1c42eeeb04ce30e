import nodesUrl from 'lucide-static/icon-nodes.json?url'
import tagsUrl from 'lucide-static/tags.json?url'
import { useEffect, useMemo, useState } from 'react'
import { iconSet, type IconPackage, type IconSet } from '@reach-plot/core/labels'
import { showProblem } from '../../store/problem.js'
import { AppProblem } from '../../worker/app-problem.js'
import { usePlan } from '../../store/plan-store.js'

const fetchJson = async (url: string): Promise<unknown> => {
  const response = await fetch(url)
  if (!response.ok) throw new AppProblem(`The icons could not be read (${response.status}).`)
  return response.json()
}

let loading: Promise<IconPackage> | null = null

const fetchPackage = (): Promise<IconPackage> =>
  (loading ??= Promise.all([fetchJson(nodesUrl), fetchJson(tagsUrl)]).then(
    ([nodes, tags]) => ({ nodes, tags }) as IconPackage,
  ))

/** The icons of the package and of the plan once they are read, or null. */
export function useIcons(): IconSet | null {
  const own = usePlan().labels.icons
  const [from, setFrom] = useState<IconPackage | null>(null)
  useEffect(() => {
    void fetchPackage().then(setFrom, showProblem)
  }, [])
  return useMemo(() => from && iconSet(from, own), [from, own])
}
