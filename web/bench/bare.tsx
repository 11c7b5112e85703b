import { QueryClient, QueryClientProvider, useMutation, useQuery } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { createRoot } from 'react-dom/client';
import { useForm } from 'react-hook-form';
import { createBrowserRouter, RouterProvider, useParams } from 'react-router';

/*
 * The yardsticks of the first page and of Today: the same stack with the same form, or the same answers as bare lists, and
 * nothing of ours. Built and served by the bench alone.
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

/** What a list is made of: every text that an answer holds. */
const textsOf = (answer: unknown): string[] =>
  typeof answer === 'string'
    ? [answer]
    : typeof answer === 'object' && answer !== null
      ? Object.values(answer).flatMap(textsOf)
      : [];

function Answer({ path }: { path: string }): ReactElement | null {
  const answer = useQuery({
    queryKey: [path],
    queryFn: async () => (await fetch(`/api/${path}`)).json() as Promise<unknown>,
  });
  if (!answer.data) return null;
  return (
    <ul aria-label={path}>
      {textsOf(answer.data).map((text, i) => (
        <li key={i}>{text}</li>
      ))}
    </ul>
  );
}

/** The answers that are asked for, as they are. */
function Answers(): ReactElement {
  const { paths = '' } = useParams();
  return (
    <>
      {paths.split(',').map((path) => (
        <Answer key={path} path={path} />
      ))}
    </>
  );
}

const router = createBrowserRouter([
  { path: '/answers/:paths', element: <Answers /> },
  { path: '*', element: <Bare /> },
]);
createRoot(document.getElementById('root')!).render(
  <QueryClientProvider client={new QueryClient()}>
    <RouterProvider router={router} />
  </QueryClientProvider>,
);
