import { useCallback, useEffect, useState } from 'react'

const prefix = 'reach-plot-half '

/** Forgets what was half done under a name. */
export const forgetKept = (name: string): void => localStorage.removeItem(prefix + name)

function kept<T>(name: string, usual: T): T {
  try {
    const text = localStorage.getItem(prefix + name)
    return text === null ? usual : (JSON.parse(text) as T)
  } catch {
    return usual
  }
}

/**
 * A state that survives a reload, such as what is half typed in a form: kept by its name beside the plan, and followed in
 * other windows of the app. What is set to its usual value is forgotten. Where the browser keeps nothing it is a plain
 * state.
 */
export function useKept<T>(name: string, usual: T): [T, (value: T) => void] {
  const [value, setValue] = useState(() => kept(name, usual))
  const set = useCallback(
    (next: T) => {
      setValue(next)
      try {
        if (JSON.stringify(next) === JSON.stringify(usual)) localStorage.removeItem(prefix + name)
        else localStorage.setItem(prefix + name, JSON.stringify(next))
      } catch {
        // nothing is kept, and all else works
      }
    },
    // the usual value is told once
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [name],
  )
  useEffect(() => {
    const onStorage = (event: StorageEvent): void => {
      if (event.key === prefix + name) setValue(kept(name, usual))
    }
    addEventListener('storage', onStorage)
    return () => removeEventListener('storage', onStorage)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [name])
  return [value, set]
}
