import { GUIDE } from 'virtual:guide';
import { useEffect, type ReactElement } from 'react';
import { Link, useLocation } from 'react-router';
import { ToToday } from '../../ui/to-today.tsx';

/** The guide for coaches, part by part; an address with a part's name opens there. */
export function Guide(): ReactElement {
  const { hash } = useLocation();
  useEffect(() => {
    const part = hash && document.getElementById(hash.slice(1));
    if (!part) return;
    part.focus({ preventScroll: true });
    // With the type that is drawn in the end: in another one the part lies elsewhere.
    void document.fonts.ready.then(() => part.scrollIntoView({ block: 'start' }));
  }, [hash]);
  return (
    <div className="px-4 pb-10 pt-4 md:px-6">
      <ToToday />
      <h1 className="mb-3 text-4xl">Guide</h1>
      <div className="grid gap-x-10 gap-y-4 lg:grid-cols-[12rem_minmax(0,44rem)]">
        <nav aria-label="Parts of the guide" className="lg:sticky lg:top-4 lg:self-start">
          <ul className="flex flex-wrap gap-x-4 lg:grid">
            {GUIDE.map(({ id, title }) => (
              <li key={id}>
                <Link
                  to={`#${id}`}
                  className="inline-block py-1 underline decoration-rule underline-offset-4 hover:text-forge"
                >
                  {title}
                </Link>
              </li>
            ))}
          </ul>
        </nav>
        <div>
          {GUIDE.map(({ id, title, html }) => (
            <section key={id} aria-labelledby={id} className="mb-6">
              <h2
                id={id}
                tabIndex={-1}
                className="scroll-mt-4 border-b-2 border-ink pb-1 text-2xl outline-none"
              >
                {title}
              </h2>
              {/* Our own paper, made as the application is built: nothing that anybody types comes here. */}
              <div className="guide" dangerouslySetInnerHTML={{ __html: html }} />
            </section>
          ))}
        </div>
      </div>
    </div>
  );
}
