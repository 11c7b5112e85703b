import { QueryClient, QueryClientProvider, useMutation, useQuery } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { createRoot } from 'react-dom/client';
import { useForm } from 'react-hook-form';
import { createBrowserRouter, RouterProvider } from 'react-router';

/*
 * The yardstick of the first page: the same stack and the same form, and nothing of ours. Built and served by the bench alone.
 */
interface Typed {
  email: string;
  password: string;
}

function Bare(): ReactElement {
  const welcome = useQuery({
    queryKey: ['welcome'],
    queryFn: async () => (await fetch('/api/welcome')).json() as Promise<object>,
  });
  const enter = useMutation({
    mutationFn: (body: Typed) => fetch('/api/session', { method: 'POST', body: JSON.stringify(body) }),
  });
  const form = useForm<Typed>({ defaultValues: { email: '', password: '' } });
  return (
    <form onSubmit={(event) => void form.handleSubmit((typed) => enter.mutate(typed))(event)}>
      <label>
        E-mail <input type="email" {...form.register('email', { required: true })} />
      </label>
      <label>
        Password <input type="password" {...form.register('password', { required: true })} />
      </label>
      <button>Sign in</button>
      {welcome.data && <p>Welcome</p>}
    </form>
  );
}

const router = createBrowserRouter([{ path: '*', element: <Bare /> }]);
createRoot(document.getElementById('root')!).render(
  <QueryClientProvider client={new QueryClient()}>
    <RouterProvider router={router} />
  </QueryClientProvider>,
);
