import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { Navigate, createBrowserRouter } from 'react-router'
import { RouterProvider } from 'react-router/dom'
import { ApiError } from '../api/client.ts'
import { BatchesPage } from '../features/batches/batches-page.tsx'
import { SaidAsLiked } from '../plan/context.tsx'
import { ToastPlace } from '../ui/toast.tsx'
import { BatchFrame } from './batch-frame.tsx'
import { Gate } from './gate.tsx'
import { Lost } from './lost.tsx'

const MOST_TRIES = 3

/** Whether asking again may help: not what was refused, and not while there is no network at all. */
const mayHelp = (error: Error): boolean =>
  !(error instanceof ApiError) || error.status >= 500 || (error.status === 0 && navigator.onLine)

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => count < MOST_TRIES && mayHelp(error),
      refetchOnWindowFocus: false,
    },
  },
})

const router = createBrowserRouter([
  {
    path: '/watch/:token',
    errorElement: <Lost />,
    lazy: async () => ({ Component: (await import('../features/bench/watch-page.tsx')).WatchByLinkPage }),
  },
  {
    path: '/shared/:token',
    errorElement: <Lost />,
    lazy: async () => ({ Component: (await import('../features/shared/shared-page.tsx')).SharedPage }),
  },
  {
    path: '/come-in/:token',
    errorElement: <Lost />,
    lazy: async () => ({ Component: (await import('../features/members/come-in-page.tsx')).ComeInPage }),
  },
  {
    element: <Gate />,
    errorElement: <Lost />,
    children: [
      { path: '/', element: <Navigate to="/batches" replace /> },
      { path: '/batches', element: <BatchesPage /> },
      {
        path: '/shelf/:kind?/:item?',
        lazy: async () => ({ Component: (await import('../features/shelf/shelf-page.tsx')).ShelfPage }),
      },
      {
        path: '/today',
        lazy: async () => ({ Component: (await import('../features/today/today-page.tsx')).TodayPage }),
      },
      {
        path: '/rack',
        lazy: async () => ({ Component: (await import('../features/rack/rack-page.tsx')).RackPage }),
      },
      {
        path: '/faults/guess',
        lazy: async () => ({ Component: (await import('../features/faults/guess-page.tsx')).GuessPage }),
      },
      {
        path: '/faults',
        lazy: async () => ({ Component: (await import('../features/faults/guide-page.tsx')).GuidePage }),
      },
      {
        path: '/craft/:card?',
        lazy: async () => ({ Component: (await import('../features/craft/craft-page.tsx')).CraftPage }),
      },
      {
        path: '/designs',
        lazy: async () => ({ Component: (await import('../features/designs/designs-page.tsx')).DesignsPage }),
      },
      {
        path: '/trials',
        lazy: async () => ({ Component: (await import('../features/trials/trials-page.tsx')).TrialsPage }),
      },
      {
        path: '/trials/:id',
        lazy: async () => ({ Component: (await import('../features/trials/trial-page.tsx')).TrialPage }),
      },
      {
        path: '/bin',
        lazy: async () => ({ Component: (await import('../features/bin/bin-page.tsx')).BinPage }),
      },
      {
        path: '/members',
        lazy: async () => ({ Component: (await import('../features/members/members-page.tsx')).MembersPage }),
      },
      {
        path: '/account',
        lazy: async () => ({ Component: (await import('../features/members/account-page.tsx')).AccountPage }),
      },
      {
        path: '/recipes',
        lazy: async () => ({ Component: (await import('../features/recipes/recipes-page.tsx')).RecipesPage }),
      },
      {
        path: '/bench/:run',
        lazy: async () => ({ Component: (await import('../features/bench/bench-page.tsx')).BenchPage }),
      },
      {
        path: '/lessons',
        lazy: async () => ({ Component: (await import('../features/rehearsal/lessons-page.tsx')).LessonsPage }),
      },
      {
        path: '/rehearsals/:rehearsal',
        lazy: async () => ({ Component: (await import('../features/bench/rehearsal-page.tsx')).RehearsalPage }),
      },
      {
        path: '/rehearsals/:rehearsal/watch',
        lazy: async () => ({ Component: (await import('../features/bench/watch-page.tsx')).WatchPage }),
      },
      {
        path: '/rehearsals/:rehearsal/came',
        lazy: async () => ({ Component: (await import('../features/rehearsal/came-page.tsx')).CamePage }),
      },
      {
        path: '/bench/:run/sheet',
        lazy: async () => ({ Component: (await import('../features/bench/bench-page.tsx')).RecordPage }),
      },
      {
        path: '/batches/:id',
        element: <BatchFrame />,
        children: [
          { index: true, element: <Navigate to="score" replace /> },
          {
            path: 'batter',
            lazy: async () => ({ Component: (await import('../features/batter/batter-page.tsx')).BatterPage }),
          },
          {
            path: 'score',
            lazy: async () => ({ Component: (await import('../features/score/score-page.tsx')).ScorePage }),
          },
          {
            path: 'cups',
            lazy: async () => ({ Component: (await import('../features/cups/cups-page.tsx')).CupsPage }),
          },
          {
            path: 'colour',
            lazy: async () => ({ Component: (await import('../features/colour/colour-page.tsx')).ColourPage }),
          },
          {
            path: 'cards',
            lazy: async () => ({ Component: (await import('../features/cards/cards-page.tsx')).CardsPage }),
          },
          {
            path: 'bars',
            lazy: async () => ({ Component: (await import('../features/faces/bars-page.tsx')).BarsPage }),
          },
          {
            path: 'design',
            lazy: async () => ({ Component: (await import('../features/faces/design-sheet.tsx')).DesignSheet }),
          },
          {
            path: 'compare',
            lazy: async () => ({ Component: (await import('../features/compare/compare-page.tsx')).ComparePage }),
          },
          {
            path: 'heat',
            lazy: async () => ({ Component: (await import('../features/heat/heat-page.tsx')).HeatPage }),
          },
          {
            path: 'rest',
            lazy: async () => ({ Component: (await import('../features/rest/rest-page.tsx')).RestPage }),
          },
          {
            path: 'cut',
            lazy: async () => ({ Component: (await import('../features/cut/cut-page.tsx')).CutPage }),
          },
          {
            path: 'prepare',
            lazy: async () => ({ Component: (await import('../features/prepare/prepare-page.tsx')).PreparePage }),
          },
          {
            path: 'weigh',
            lazy: async () => ({ Component: (await import('../features/weigh/weigh-page.tsx')).WeighPage }),
          },
          {
            path: 'bench',
            lazy: async () => ({ Component: (await import('../features/bench/runs-page.tsx')).RunsPage }),
          },
          {
            path: 'rehearse',
            lazy: async () => ({ Component: (await import('../features/rehearsal/rehearse-page.tsx')).RehearsePage }),
          },
          {
            path: 'outcome',
            lazy: async () => ({ Component: (await import('../features/outcome/outcome-page.tsx')).OutcomePage }),
          },
          {
            path: 'faults',
            lazy: async () => ({ Component: (await import('../features/faults/faults-page.tsx')).FaultsPage }),
          },
          {
            path: 'taught',
            lazy: async () => ({ Component: (await import('../features/taught/taught-page.tsx')).TaughtPage }),
          },
          {
            path: 'lots',
            lazy: async () => ({ Component: (await import('../features/lots/lots-page.tsx')).LotsPage }),
          },
          {
            path: 'labels',
            lazy: async () => ({ Component: (await import('../features/labels/labels-page.tsx')).LabelsPage }),
          },
          {
            path: 'record',
            lazy: async () => ({ Component: (await import('../features/story/story-page.tsx')).StoryPage }),
          },
          {
            path: 'cost',
            lazy: async () => ({ Component: (await import('../features/cost/cost-page.tsx')).CostPage }),
          },
          {
            path: 'history',
            lazy: async () => ({ Component: (await import('../features/history/history-page.tsx')).HistoryPage }),
          },
          {
            path: 'sheet',
            lazy: async () => ({ Component: (await import('../features/sheet/sheet-page.tsx')).SheetPage }),
          },
        ],
      },
      {
        path: '/glossary/:word?',
        lazy: async () => ({ Component: (await import('../features/glossary/glossary-page.tsx')).GlossaryPage }),
      },
      { path: '*', element: <Lost /> },
    ],
  },
])

export const App = () => (
  <QueryClientProvider client={queries}>
    <SaidAsLiked>
      <ToastPlace>
        <RouterProvider router={router} />
      </ToastPlace>
    </SaidAsLiked>
  </QueryClientProvider>
)
