import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { SignIn } from '../auth/SignIn';
import { Board } from '../board/Board';
import { Waiting } from '../ui/parts';
import { ApiProblem } from './api';
import { Shell } from './Shell';
import './theme.css';

document.documentElement.dataset.theme = localStorage.getItem('theme') ?? 'chalk';

const screen = (load: () => Promise<{ default: () => React.JSX.Element }>) => {
  const Screen = lazy(load);
  return (
    <Suspense fallback={<Waiting what="Opening" />}>
      <Screen />
    </Suspense>
  );
};

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // A refusal stays a refusal; a lost connection is worth another try.
      retry: (count, error) => !(error instanceof ApiProblem) && count < 2,
      refetchOnWindowFocus: false,
    },
  },
});

const router = createBrowserRouter([
  { path: '/sign-in', element: <SignIn /> },
  { path: '/deck/:tripId', element: screen(() => import('../deck/Deck')) },
  {
    path: '/',
    element: <Shell />,
    children: [
      { index: true, element: <Board /> },
      { path: 'water', element: screen(() => import('../water/Water')) },
      { path: 'grounds', element: screen(() => import('../grounds/Grounds')) },
      { path: 'trips/:id', element: screen(() => import('../plan/Plan')) },
      { path: 'trips/:id/foretold', element: screen(() => import('../backtest/Backtest')) },
      { path: 'fleet/:date', element: screen(() => import('../fleet/Fleet')) },
      { path: 'baits', element: screen(() => import('../presentations/Presentations')) },
      { path: 'brief/:date', element: screen(() => import('../brief/Brief')) },
      { path: 'log', element: screen(() => import('../log/Log')) },
      { path: '*', element: <p className="p-4">There is no such page. Press g then b for the Board.</p> },
    ],
  },
]);

const root = document.getElementById('root');
if (!root) throw new Error('no #root in the page');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
