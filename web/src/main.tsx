import './first.ts';
import './ui/theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { Refusal } from './api/call.ts';
import { router } from './router.tsx';

const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 15_000, retry: (count, error) => count < 2 && !(error instanceof Refusal), networkMode: 'always' }, mutations: { networkMode: 'always' } },
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
