/** A page of the server's own, for browsers that cannot run the application yet: no script, its style in a file. */
export function plainPage(title: string, body: string): string {
  return `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <link rel="stylesheet" href="/plain.css" />
    <link rel="icon" href="/mark.svg" type="image/svg+xml" />
    <title>${escaped(title)} · Iron Clasp</title>
  </head>
  <body>
    <main>
      <h1>${escaped(title)}</h1>
      ${body}
    </main>
  </body>
</html>
`;
}

const ENTITIES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};

/** Text as it may stand in a page, whoever wrote it. */
export const escaped = (text: string): string => text.replaceAll(/[&<>"']/g, (each) => ENTITIES[each]!);
