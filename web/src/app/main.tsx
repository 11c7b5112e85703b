import './ahead.ts';
import '@fontsource/barlow-condensed/latin-500.css';
import '@fontsource/barlow-condensed/latin-600.css';
import '@fontsource-variable/source-sans-3/wght.css';
import './styles.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { openOutbox } from '../offline/own-outbox.ts';
import { UpdatePrompt } from '../offline/update.tsx';
import { Toasts } from '../ui/toast.tsx';
import { firstAnswers } from './first-answers.ts';
import { makeRouter } from './routes.tsx';
import { makeQueryClient } from '../data/session/query-client.ts';

// Whoever signs in is told what is kept from before once it is known, and types a password meanwhile.
void openOutbox();

const client = makeQueryClient();
const router = makeRouter(firstAnswers(client));

/** Settles once the page that was asked for is fetched and stands. */
const drawn = new Promise<void>((resolve) => {
  const look = (): void => {
    if (router.state.initialized) resolve();
  };
  router.subscribe(look);
  look();
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <Toasts>
        <RouterProvider router={router} />
      </Toasts>
      <UpdatePrompt drawn={drawn} />
    </QueryClientProvider>
  </StrictMode>,
);
