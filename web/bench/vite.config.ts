import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

/** The bare page, sent as our own pages are. */
export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), compression({ algorithms: ['gzip', 'brotliCompress'], include: /\.js$/ })],
  build: { target: 'es2022', emptyOutDir: true },
});
