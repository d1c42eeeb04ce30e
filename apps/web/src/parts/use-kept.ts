import { useCallback, useEffect, useState } from 'react'

const prefix = 'reach-plot-half '

/** Where a half-done thing is kept: in this tab, for a reload; or in the browser, for its other windows and later days. */
type Keeper = 'tab' | 'browser'

function kept<T>(name: string, usual: T, keeper: Keeper): T {
  try {
    const text = (keeper === 'tab' ? sessionStorage : localStorage).getItem(prefix + name)
    return text === null ? usual : (JSON.parse(text) as T)
  } catch {
    return usual
  }
}

function keep<T>(name: string, value: T, usual: T, keeper: Keeper): void {
  try {
    const storage = keeper === 'tab' ? sessionStorage : localStorage
    const text = JSON.stringify(value)
    if (text === JSON.stringify(usual)) storage.removeItem(prefix + name)
    else storage.setItem(prefix + name, text)
  } catch {
    // nothing is kept, and all else works
  }
}

/**
 * A state that survives a reload, such as what is half typed in a form, kept by its name. What is set to its usual value is
 * forgotten. One of the browser follows what other windows of the app do. Where nothing can be kept it is a plain state.
 * @param usual  plain data; the one of the first call counts
 */
export function useKept<T>(name: string, usual: T, keeper: Keeper = 'browser'): [T, (value: T) => void] {
  const [first] = useState(() => usual)
  const [value, setValue] = useState(() => kept(name, first, keeper))
  const set = useCallback(
    (next: T) => {
      setValue(next)
      keep(name, next, first, keeper)
    },
    [name, first, keeper],
  )
  useEffect(() => {
    if (keeper === 'tab') return
    const onStorage = (event: StorageEvent): void => {
      if (event.key === prefix + name) setValue(kept(name, first, keeper))
    }
    addEventListener('storage', onStorage)
    return () => removeEventListener('storage', onStorage)
  }, [name, first, keeper])
  return [value, set]
}
