import './theme.ts';
import '../ui/theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { Refusal } from '../data/call.ts';
import { benchQuery, sessionQuery, visitQuery } from '../data/queries.ts';
import { follow } from './navigation.ts';
import { keepOffline } from './offline.ts';
import { router } from './router.tsx';
import { warmUp } from './prefetch.ts';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 15_000,
      retry: (count, error) => count < 2 && !(error instanceof Refusal),
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

// Asked for together with who is here: the bench is not kept waiting for the answer. A stranger is refused, and asks
// again after signing in.
const forOwner = window.location.pathname.startsWith('/for-owner/');
if (!forOwner) void queries.prefetchQuery(sessionQuery);
if (window.location.pathname === '/') void queries.prefetchQuery(benchQuery);
const visitId = /^\/visits\/([0-9a-f-]{36})/.exec(window.location.pathname)?.[1];
if (visitId) void queries.prefetchQuery(visitQuery(visitId));
if (!forOwner) {
  warmUp(router.routes);
  keepOffline();
}

follow(router);
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
