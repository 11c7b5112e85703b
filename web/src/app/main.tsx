import '@fontsource/barlow-condensed/latin-500.css';
import '@fontsource/barlow-condensed/latin-600.css';
import '@fontsource-variable/source-sans-3/wght.css';
import './styles.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { UpdatePrompt } from '../offline/update.tsx';
import { Toasts } from '../ui/toast.tsx';
import { router } from './routes.tsx';
import { makeQueryClient } from '../data/session/query-client.ts';

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={makeQueryClient()}>
      <Toasts>
        <RouterProvider router={router} />
      </Toasts>
      <UpdatePrompt />
    </QueryClientProvider>
  </StrictMode>,
);
