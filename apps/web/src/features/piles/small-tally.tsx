import { useEffect } from 'react'
import { useSettings } from '../../store/settings-store.js'
import { TallyView } from './tally.js'

/** The tally by itself, for a small window beside real work. */
export function SmallTally() {
  const theme = useSettings((s) => s.theme)
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme
    document.title = 'Tally'
  }, [theme])
  return (
    <main className="h-full overflow-y-auto bg-paper px-3 pb-3">
      <h1 className="sr-only">Tally</h1>
      <TallyView isSmall />
    </main>
  )
}
