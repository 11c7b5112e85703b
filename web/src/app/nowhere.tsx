import type { ReactElement } from 'react';
import { Link } from 'react-router';

export function Nowhere(): ReactElement {
  return (
    <main className="mx-auto max-w-prose p-8">
      <h1 className="text-4xl">Nothing at this address</h1>
      <p className="my-4">The address may be mistyped or from an older version.</p>
      <Link to="/" className="underline underline-offset-4">
        To Today
      </Link>
    </main>
  );
}
