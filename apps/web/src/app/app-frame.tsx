import { Moon, Sun } from 'lucide-react'
import { useEffect } from 'react'
import { NavLink, Outlet, useNavigate } from 'react-router'
import { Toaster } from 'sonner'
import { ProgramsDialog } from '../features/settings/programs-dialog.js'
import { SettingsDialog } from '../features/settings/settings-dialog.js'
import { ShortcutsDialog } from '../features/shortcuts/shortcuts-dialog.js'
import { useShortcuts } from '../parts/shortcuts/use-shortcuts.js'
import { useKept } from '../parts/use-kept.js'
import { ArrangementMenu } from '../features/plans/arrangement-menu.js'
import { FrontMenu } from '../features/plans/front-menu.js'
import { PopupsDialog } from '../features/popups/popups-dialog.js'
import { PlanMenu } from '../features/plans/plan-menu.js'
import { messageOffset } from '../store/message.js'
import { redo, undo } from '../store/plan-store.js'
import { useSettings } from '../store/settings-store.js'
import { ConflictBar } from './conflict-bar.js'
import { StatusLine } from './status-line.js'
import { WelcomeBar } from './welcome-bar.js'

const views = [
  { to: '/', name: 'Plot' },
  { to: '/bench', name: 'Bench' },
  { to: '/commands', name: 'Commands' },
  { to: '/clashes', name: 'Clashes' },
  { to: '/solve', name: 'Solve' },
  { to: '/compare', name: 'Compare' },
  { to: '/learn', name: 'Learn' },
  { to: '/try', name: 'Try' },
  { to: '/labels', name: 'Labels' },
  { to: '/carry', name: 'Carry' },
] as const
/** Header, the view in front, status line, and the sheets that belong to no view. */
export function AppFrame() {
  const view = useAppFrame()
  const { theme, sheet, close } = view
  return (
    <div className="frame flex h-full min-h-0 flex-col">
      <a
        href="#view"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-ink focus:px-3 focus:py-1.5 focus:text-panel"
        onClick={(e) => {
          e.preventDefault()
          document.getElementById('view')?.focus()
        }}
      >
        Skip to the view
      </a>
      <FrameHeader view={view} />
      <ConflictBar />
      <WelcomeBar />
      <main id="view" tabIndex={-1} className="flex min-h-0 grow outline-none">
        <Outlet />
      </main>
      <StatusLine />
      {sheet === 'desk' && <SettingsDialog onClose={close} />}
      {sheet === 'contexts' && <ProgramsDialog onClose={close} />}
      {sheet === 'popups' && <PopupsDialog onClose={close} />}
      {sheet === 'shortcuts' && <ShortcutsDialog onClose={close} />}
      <Toaster
        position="bottom-center"
        theme={theme === 'day' ? 'light' : 'dark'}
        offset={messageOffset}
        // none lies on another, so that each can be read and its Undo pressed
        expand
        gap={6}
        duration={6000}
        toastOptions={{
          style: {
            borderRadius: 2,
            padding: '7px 14px',
            minHeight: 40,
            background: 'var(--ink)',
            color: 'var(--panel)',
            border: 'none',
            boxShadow: 'none',
            fontFamily: "'Source Sans 3 Variable', sans-serif",
            width: 'max-content',
            maxWidth: 640,
          },
        }}
      />
    </div>
  )
}

/** What is shown and can be done there. */
function useAppFrame() {
  const theme = useSettings((s) => s.theme)
  const set = useSettings((s) => s.set)
  // what is open is open again after a reload
  const [sheet, setSheet] = useKept<'desk' | 'contexts' | 'popups' | 'shortcuts' | null>('sheet', null, 'tab')
  const navigate = useNavigate()
  const go = (to: string) => (): void => void navigate(to)
  const toggleTheme = (): void => set({ theme: theme === 'day' ? 'night' : 'day' })
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme
  }, [theme])
  useShortcuts({
    undo,
    redo,
    plot: go('/'),
    bench: go('/bench'),
    try: go('/try'),
    lookup: go('/commands/lookup'),
    usage: go('/commands/usage'),
    commands: go('/commands'),
    clashes: go('/clashes'),
    solve: go('/solve'),
    compare: go('/compare'),
    learn: go('/learn'),
    labels: go('/labels'),
    carry: go('/carry'),
    night: toggleTheme,
    shortcuts: () => setSheet('shortcuts'),
  })
  const close = (): void => setSheet(null)
  return { setSheet, theme, toggleTheme, sheet, close }
}

type AppFrameView = ReturnType<typeof useAppFrame>

function FrameHeader({ view: { setSheet, theme, toggleTheme } }: { view: AppFrameView }) {
  return (
    <header className="frame-head flex h-12 shrink-0 items-center border-b border-ink bg-panel pr-[14px] max-[1100px]:pr-[6px]">
      <h1 className="px-[14px] font-chart text-[20px] whitespace-nowrap max-[1200px]:px-[10px] font-semibold tracking-[0.08em] uppercase">
        Reach Plot
      </h1>
      <nav aria-label="Views" className="flex h-full min-h-10 max-[900px]:flex-wrap">
        {views.map((view) => (
          <NavLink
            key={view.to}
            to={view.to}
            end={view.to === '/'}
            className="flex items-center border-b-[3px] border-transparent px-[10px] pt-[3px] text-ink-2 max-[1300px]:px-[9px] max-[1200px]:px-[6px] max-[1100px]:px-[5px] aria-[current=page]:border-magenta aria-[current=page]:font-semibold aria-[current=page]:text-ink"
          >
            {view.name}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-2 max-[1100px]:gap-1">
        <ArrangementMenu />
        <FrontMenu />
        <PlanMenu
          onDesk={() => setSheet('desk')}
          onContexts={() => setSheet('contexts')}
          onPopups={() => setSheet('popups')}
          onShortcuts={() => setSheet('shortcuts')}
        />
        <button
          type="button"
          className="btn px-[6px]"
          aria-label={theme === 'day' ? 'Night colours' : 'Day colours'}
          onClick={toggleTheme}
        >
          {theme === 'day' ? <Moon size={15} aria-hidden="true" /> : <Sun size={15} aria-hidden="true" />}
        </button>
      </div>
    </header>
  )
}
