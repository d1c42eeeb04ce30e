import { X } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { beginStart } from '../store/start.js'
import { autosave } from '../store/autosave.js'

const key = 'reach-plot-welcomed'

const isWelcomed = (): boolean => {
  try {
    return localStorage.getItem(key) !== null
  } catch {
    return true
  }
}

/** What this app is, in two sentences, on the first visit; what is looked at is an example. */
export function WelcomeBar() {
  const [isOpen, setOpen] = useState(() => !isWelcomed())
  const isExample = autosave.useState((s) => s.isExample)
  const { pathname } = useLocation()
  const navigate = useNavigate()
  const close = (): void => {
    setOpen(false)
    try {
      localStorage.setItem(key, '1')
    } catch {
      // it comes again the next time
    }
  }
  const start = (): void => {
    close()
    void beginStart().then(() => navigate('/start'))
  }
  const isShown = isOpen && isExample && pathname !== '/start'
  useEffect(() => {
    if (!isShown) return
    const onKeyDown = (event: KeyboardEvent): void => {
      // as long as nothing else has been chosen
      if (event.key === 'Enter' && event.target === document.body) start()
    }
    addEventListener('keydown', onKeyDown)
    return () => removeEventListener('keydown', onKeyDown)
  })
  if (!isShown) return null
  return (
    <section
      aria-label="Welcome"
      className="flex shrink-0 flex-wrap items-center gap-x-5 gap-y-2 border-b border-ink bg-reach-1 px-[14px] py-2.5"
    >
      <p className="min-w-0 flex-1 basis-[480px]">
        Reach Plot lays out your shortcuts over everything on your desk that has keys, so that one hand does
        most of the work where it rests. It shows which keys that hand reaches, what each place costs, what
        clashes, and what to change next; <b>what you see here is an example.</b>
      </p>
      <span className="flex gap-2">
        <button type="button" className="btn btn-main" onClick={start}>
          Start with my own desk <span className="text-[12px] font-normal">Enter</span>
        </button>
        <button type="button" className="btn" onClick={close}>
          <X size={14} aria-hidden="true" /> Look at the example
        </button>
      </span>
    </section>
  )
}
