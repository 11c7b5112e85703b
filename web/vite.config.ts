import { createHash } from 'node:crypto';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** Files of `public/` that the application needs without a network. */
const PUBLIC = ['/mark.svg', '/manifest.webmanifest'];

/** Tells the service worker which files make up this version. */
function filesForOffline(): Plugin {
  return {
    name: 'files-for-offline',
    generateBundle: {
      order: 'post',
      handler(_options, bundle) {
        const worker = bundle['sw.js'];
        if (worker?.type !== 'chunk') throw new Error('The service worker was not built.');
        const files = Object.keys(bundle).filter((name) => name !== 'sw.js' && name !== 'index.html');
        const hash = createHash('sha256');
        for (const name of [...files, 'index.html'].sort()) {
          const part = bundle[name];
          hash.update(name).update(part?.type === 'chunk' ? part.code : (part?.source ?? ''));
        }
        worker.code = worker.code
          .replace(/(["'`])__FILES__\1/, JSON.stringify([...files.map((name) => `/${name}`), ...PUBLIC]))
          .replace('__VERSION__', hash.digest('hex').slice(0, 16));
      },
    },
  };
}

export default defineConfig({
  plugins: [react(), tailwindcss(), filesForOffline()],
  resolve: { conditions: ['source', 'module', 'browser', 'production'] },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    sourcemap: false,
    rolldownOptions: {
      input: { main: 'index.html', sw: 'src/offline/service-worker.ts' },
      output: {
        entryFileNames: ({ name }) => (name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js'),
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4810' } },
});
