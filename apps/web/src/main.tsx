import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router'
import { AppFrame } from './app/app-frame.js'
import { ErrorScreen } from './app/error-screen.js'
import { PlotView } from './features/plot/plot-view.js'
import { autosave } from './store/autosave.js'
import { loadDemo } from './store/open-plan.js'
import { followDay } from './store/day-start.js'
import { followPlan } from './store/personal-store.js'
import { keepFocus } from './parts/keep-focus.js'
import { offerUpdates } from './app/offer-updates.js'
import './styles.css'

const router = createBrowserRouter([
  {
    path: 'tally',
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import('./features/piles/small-tally.js')).SmallTally }),
  },
  {
    element: <AppFrame />,
    errorElement: <ErrorScreen />,
    // the app is drawn only when its plan is read; nothing stands there before
    HydrateFallback: () => null,
    children: [
      { index: true, element: <PlotView /> },
      {
        path: 'help',
        lazy: async () => ({ Component: (await import('./features/help/help-view.js')).HelpView }),
      },
      {
        path: 'start',
        lazy: async () => ({ Component: (await import('./features/start/start-view.js')).StartView }),
      },
      {
        path: 'commands',
        lazy: async () => ({
          Component: (await import('./features/commands/commands-frame.js')).CommandsFrame,
        }),
        children: [
          {
            index: true,
            lazy: async () => ({
              Component: (await import('./features/commands/commands-view.js')).CommandsView,
            }),
          },
          {
            path: 'bring-in',
            lazy: async () => ({
              Component: (await import('./features/bring-in/bring-in-page.js')).BringInPage,
            }),
          },
          {
            path: 'often',
            lazy: async () => ({ Component: (await import('./features/piles/piles-view.js')).PilesView }),
          },
          {
            path: 'lookup',
            lazy: async () => ({ Component: (await import('./features/lookup/lookup-view.js')).LookupView }),
          },
          {
            path: 'usage',
            lazy: async () => ({ Component: (await import('./features/usage/usage-view.js')).UsageView }),
          },
          {
            path: 'mnemonics',
            lazy: async () => ({
              Component: (await import('./features/mnemonics/mnemonics-view.js')).MnemonicsView,
            }),
          },
          {
            path: 'ideas',
            lazy: async () => ({ Component: (await import('./features/mnemonics/ideas-view.js')).IdeasView }),
          },
          {
            path: 'routines',
            lazy: async () => ({
              Component: (await import('./features/usage/routines-view.js')).RoutinesView,
            }),
          },
        ],
      },
      {
        path: 'bench',
        lazy: async () => ({ Component: (await import('./features/bench/bench-view.js')).BenchView }),
        children: [
          {
            index: true,
            lazy: async () => ({ Component: (await import('./features/bench/desk.js')).Desk }),
          },
          {
            path: 'hand',
            lazy: async () => ({ Component: (await import('./features/hand/hand-view.js')).HandView }),
          },
          {
            path: 'devices',
            lazy: async () => ({
              Component: (await import('./features/bench/compare-devices.js')).CompareDevices,
            }),
          },
          {
            path: 'moves',
            lazy: async () => ({ Component: (await import('./features/bench/bench-moves.js')).BenchMoves }),
          },
        ],
      },
      {
        path: 'bench/device/:id',
        lazy: async () => ({ Component: (await import('./features/bench/device-page.js')).DevicePage }),
        children: [
          {
            index: true,
            lazy: async () => ({
              Component: (await import('./features/bench/device-editor.js')).DeviceEditor,
            }),
          },
          {
            path: 'layers',
            lazy: async () => ({
              Component: (await import('./features/bench/device-layers.js')).DeviceLayers,
            }),
          },
          {
            path: 'commands',
            lazy: async () => ({
              Component: (await import('./features/bench/device-commands.js')).DeviceCommands,
            }),
          },
        ],
      },
      {
        path: 'try',
        lazy: async () => ({ Component: (await import('./features/try/try-view.js')).TryView }),
      },
      {
        path: 'clashes',
        lazy: async () => ({ Component: (await import('./features/clashes/clashes-frame.js')).ClashesFrame }),
        children: [
          {
            index: true,
            lazy: async () => ({
              Component: (await import('./features/clashes/findings-view.js')).FindingsView,
            }),
          },
          {
            path: 'matrix',
            lazy: async () => ({ Component: (await import('./features/clashes/matrix-view.js')).MatrixView }),
          },
          {
            path: 'machine',
            lazy: async () => ({
              Component: (await import('./features/clashes/machine-view.js')).MachineView,
            }),
          },
        ],
      },
      {
        path: 'solve',
        lazy: async () => ({ Component: (await import('./features/solve/solve-view.js')).SolveView }),
      },
      {
        path: 'carry',
        lazy: async () => ({ Component: (await import('./features/carry/carry-view.js')).CarryView }),
      },
      {
        path: 'learn',
        lazy: async () => ({ Component: (await import('./features/learn/learn-view.js')).LearnView }),
      },
      {
        path: 'compare',
        lazy: async () => ({ Component: (await import('./features/compare/compare-view.js')).CompareView }),
      },
      {
        path: 'labels',
        lazy: async () => ({ Component: (await import('./features/labels/labels-frame.js')).LabelsFrame }),
        children: [
          {
            index: true,
            lazy: async () => ({ Component: (await import('./features/labels/labels-view.js')).LabelsView }),
          },
          {
            path: 'printer',
            lazy: async () => ({
              Component: (await import('./features/labels/stand-in-view.js')).StandInView,
            }),
          },
        ],
      },
      {
        path: 'plans',
        lazy: async () => ({ Component: (await import('./features/plans/plans-view.js')).PlansView }),
      },
      { path: '*', element: <Navigate to="/" replace /> },
    ],
  },
])

const root = createRoot(document.getElementById('root') as HTMLElement)
await autosave.start(loadDemo)
followPlan()
followDay()
offerUpdates()
keepFocus()
root.render(
  <StrictMode>
    <RouterProvider router={router} />
  </StrictMode>,
)
