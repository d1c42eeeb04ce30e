import { useCallback } from 'react'
import { useNavigate } from 'react-router'
import type { Command } from '@reach-plot/core'
import { useView } from '../store/view-store.js'

/** Shows the places of a command on the Plot. */
export function useShowOnPlot(): (command: Command) => void {
  const set = useView((s) => s.set)
  const navigate = useNavigate()
  return useCallback(
    (command: Command) => {
      set({
        programId: command.programId,
        contextId: command.contextIds[0] ?? null,
        commandId: command.id,
        controlRef: null,
      })
      void navigate('/')
    },
    [set, navigate],
  )
}
