import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, type ReactNode, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { SignIn } from '../auth/SignIn';
import { bringBack, keepOnPhone } from '../offline/answers';
import { Waiting } from '../ui/parts';
import { ApiProblem, isOlder } from '../data/api';
import { Failed } from './Failed';
import { FEATURES } from './features';
import { Shell } from './Shell';
import './theme.css';

document.documentElement.dataset.theme = localStorage.getItem('theme') ?? 'chalk';

/** When to ask again for what the server is working out anew. */
const AGAIN_MS = 2000;

const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({
    onSuccess: (answer, { queryKey }) => {
      if (isOlder(answer)) setTimeout(() => void queries.invalidateQueries({ queryKey, exact: true }), AGAIN_MS);
    },
  }),
  defaultOptions: {
    queries: {
      // A refusal stays a refusal; a lost connection is worth another try.
      retry: (count, error) => !(error instanceof ApiProblem) && count < 2,
      refetchOnWindowFocus: false,
      // Asked without a network too: what is away is said, and what was read before is shown.
      networkMode: 'always',
    },
  },
});

// Fetched by who comes for the first time only.
const Begin = lazy(() => import('../begin/Begin').then((m) => ({ default: m.Begin })));
const ComeIn = lazy(() => import('../begin/ComeIn').then((m) => ({ default: m.ComeIn })));
// Opened by guests, who have no session and need nothing else.
const Report = lazy(() => import('../report/Report'));

function Arriving({ screen }: { screen: ReactNode }) {
  return <Suspense fallback={<Waiting what="Opening" />}>{screen}</Suspense>;
}

const router = createBrowserRouter([
  { path: '/sign-in', element: <SignIn /> },
  { path: '/begin', element: <Arriving screen={<Begin />} /> },
  { path: '/r/:token', element: <Arriving screen={<Report />} /> },
  { path: '/come-in', element: <Arriving screen={<ComeIn />} /> },
  {
    path: '/',
    element: <Shell />,
    children: [
      ...FEATURES.map(({ path, screen: Screen }) => ({
        path,
        element: (
          <Suspense fallback={<Waiting what="Opening" />}>
            <Screen />
          </Suspense>
        ),
        errorElement: <Failed />,
      })),
      { path: '*', element: <p className="p-4">There is no such page. Press g then b for the Board.</p> },
    ],
    errorElement: <Failed />,
  },
]);

const root = document.getElementById('root');
if (!root) throw new Error('no #root in the page');
keepOnPhone(queries);
// A moment's wait for what was read before saves a blank page; a store that does not open must not cost the page.
await Promise.race([bringBack(queries), new Promise((r) => setTimeout(r, 1500))]);
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
