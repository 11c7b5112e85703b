import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import tailwindcss from '@tailwindcss/vite';
import MarkdownIt from 'markdown-it';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression } from 'vite-plugin-compression2';

/** Files of `public/` that the application needs without a network. */
const PUBLIC = ['/mark.svg', '/manifest.webmanifest'];

/** Tells the service worker which files make up this version; those without a hash in their name get one beside it. */
function filesForOffline(): Plugin {
  const hashOf = (content: string | Uint8Array): string =>
    createHash('sha256').update(content).digest('hex').slice(0, 16);
  return {
    name: 'files-for-offline',
    generateBundle: {
      order: 'post',
      handler(_options, bundle) {
        const worker = bundle['sw.js'];
        if (worker?.type !== 'chunk') throw new Error('The service worker was not built.');
        const built = Object.values(bundle)
          .filter(({ fileName }) => fileName !== 'sw.js' && !/\.(br|gz)$/.test(fileName))
          .map((part) => ({
            url: `/${part.fileName}`,
            revision: part.fileName.startsWith('assets/')
              ? null
              : hashOf(part.type === 'chunk' ? part.code : part.source),
          }));
        const kept = PUBLIC.map((url) => ({
          url,
          revision: hashOf(readFileSync(new URL(`public${url}`, import.meta.url))),
        }));
        const files = JSON.stringify([...built, ...kept].sort((a, b) => a.url.localeCompare(b.url)));
        worker.code = worker.code.replace('self.__FILES', files);
      },
    },
  };
}

/** Lets the page fetch first what is asked for first. */
function fetchedAhead(): Plugin {
  return {
    name: 'fetched-ahead',
    transformIndexHtml: {
      order: 'post',
      handler(_html, { bundle }) {
        const ahead = Object.values(bundle ?? {}).find(
          (part) => part.type === 'chunk' && part.name === 'ahead',
        );
        if (ahead?.type !== 'chunk') return [];
        return [
          ...ahead.imports.map((file) => ({
            tag: 'link',
            attrs: { rel: 'modulepreload', crossorigin: true, href: `/${file}` },
            injectTo: 'head-prepend' as const,
          })),
          {
            tag: 'script',
            attrs: { type: 'module', async: true, src: `/${ahead.fileName}` },
            injectTo: 'head-prepend',
          },
        ];
      },
    },
  };
}

/** What nearly every page is written in. */
const FONTS = [
  'source-sans-3-latin-wght-normal',
  'barlow-condensed-latin-500-normal',
  'barlow-condensed-latin-600-normal',
];

/**
 * Has them fetched with the page, not when the first words are laid out: until they came these stood in another font, and
 * everything was laid out twice.
 */
function fontsAhead(): Plugin {
  return {
    name: 'fonts-ahead',
    transformIndexHtml: {
      order: 'post',
      handler(_html, { bundle }) {
        if (!bundle) return [];
        return FONTS.map((name) => {
          const file = Object.keys(bundle).find((each) => each.includes(name) && each.endsWith('.woff2'));
          if (!file) throw new Error(`The font ${name} is to be fetched ahead, but was not built.`);
          return {
            tag: 'link',
            attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: true, href: `/${file}` },
            injectTo: 'head' as const,
          };
        });
      },
    },
  };
}

/** The guide of the docs, made into the pages of the application as it is built: one text for both. */
function guide(): Plugin {
  const file = new URL('../docs/guide.md', import.meta.url);
  return {
    name: 'guide',
    resolveId: (id) => (id === 'virtual:guide' ? '\0guide' : null),
    load(id) {
      if (id !== '\0guide') return null;
      this.addWatchFile(file.pathname);
      const [, ...parts] = readFileSync(file, 'utf8').split(/^## /m);
      const markdown = new MarkdownIt({ html: false });
      const sections = parts.map((part) => {
        const [title = '', ...lines] = part.split('\n');
        const text = lines
          .join('\n')
          // Pictures and other papers stand in the repository.
          .replace(/^!\[.*\)$/gm, '')
          .replace(/ ?\(\[[^\]]*\]\([^)]*\.md\)\)/g, '');
        const key = title.toLowerCase().replace(/[^a-z]+/g, '-');
        return { id: key, title, html: markdown.render(text) };
      });
      return `export const GUIDE = ${JSON.stringify(sections)};`;
    },
  };
}

/** What every page stands on, in one file: asked for as two dozen, the first page waits for the last of them. */
const START = [
  /node_modules\/(react|react-dom|scheduler|react-router|react-hook-form|idb)\//,
  /node_modules\/(@tanstack\/(query-core|react-query)|@radix-ui\/react-toast)\//,
  /web\/src\/(offline\/(?!service-worker)|data\/(client|clock|keys|session\/(session|query-client))\.)/,
  /web\/src\/ui\/(button|field|labelled|states|toast|marks\/grip-mark)\./,
];
const isOfStart = (id: string): boolean => START.some((pattern) => pattern.test(id));

/** Whoever is signed in sees these first; with what stands in them they are one file, for the same reason. */
const HOME = /web\/src\/(app\/(signed-in|desk)|features\/today\/today)\.tsx$/;
/** What is fetched before anybody is signed in waits for nothing of it. */
const BEFORE = /web\/src\/app\/main\.tsx$/;

interface Modules {
  getModuleInfo(id: string): { readonly importers: readonly string[] } | null;
}

/** Is it one of those that a pattern names, or does one of them stand on it? */
function isUnder(pattern: RegExp, id: string, modules: Modules, seen = new Set<string>()): boolean {
  if (pattern.test(id)) return true;
  seen.add(id);
  const above = modules.getModuleInfo(id)?.importers ?? [];
  return above.some((each) => !seen.has(each) && isUnder(pattern, each, modules, seen));
}

/** What three pages share is fetched in pieces no smaller than this where that can be, bytes. */
const PIECE = 4_000;

/** Each file as small as it gets, beside it: the server sends these as they lie. */
const compressed = compression({
  algorithms: ['gzip', 'brotliCompress'],
  include: /assets\/.*\.(js|css)$/,
  threshold: 1_000,
});

export default defineConfig({
  plugins: [react(), tailwindcss(), guide(), fetchedAhead(), fontsAhead(), filesForOffline(), compressed],
  resolve: { conditions: ['source', 'module', 'browser', 'production'] },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    sourcemap: false,
    rolldownOptions: {
      input: { main: 'index.html', ahead: 'src/app/ahead.ts', sw: 'src/offline/service-worker.ts' },
      output: {
        codeSplitting: {
          groups: [
            // Before the rest, so it must not wait for the rest.
            {
              name: 'asked',
              test: /data\/(asked-ahead|session\/last-here)\.|app\/first-pages\.|vite\/preload-helper/,
              priority: 2,
            },
            { name: 'start', test: isOfStart, priority: 1 },
            {
              debugName: 'home',
              name: (id, modules) =>
                isUnder(HOME, id, modules) && !isUnder(BEFORE, id, modules) ? 'home' : null,
            },
            { name: 'shared', minShareCount: 3, entriesAware: true, entriesAwareMergeThreshold: PIECE },
          ],
        },
        // Named after every page that shares it, it would be longer than some addresses may be.
        chunkFileNames: ({ name }) => `assets/${name.replace(/~.*/, '')}-[hash].js`,
        entryFileNames: ({ name }) => (name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js'),
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4810' } },
});
