import { defineConfig } from 'rolldown';

/**
 * The server as few files: read one by one, its 370 modules and the 1,500 of its packages take twice as long to start as all
 * that it does then. Names are kept, since Nest, TypeORM and the reference of the API read those of classes; nothing is made
 * smaller, so that a fault's trace can be read where it points.
 */
export default defineConfig({
  input: {
    main: 'src/main.ts',
    // Run in a thread of its own.
    'fit.worker': 'src/evidence/curves/fit.worker.ts',
    // For the browser tests, which serve many copies of the demo.
    serve: 'src/serve.ts',
    // For the restore command.
    kept: 'src/kept.ts',
  },
  platform: 'node',
  tsconfig: 'tsconfig.build.json',
  // Read from their own folders: native code, the pages of the reference, and a store that class-transformer itself must share.
  external: [/^@node-rs\/argon2/, /^swagger-ui-dist/, /^class-transformer/],
  output: {
    dir: 'dist',
    cleanDir: true,
    format: 'esm',
    keepNames: true,
    entryFileNames: '[name].js',
    // In the same folder: what is read beside the server is looked for there.
    chunkFileNames: '[name]-[hash].js',
  },
  // Packages ask for others that are not there on purpose (Nest's microservices, TypeORM's other databases).
  onLog(level, log, tell) {
    const ours = !log.id?.includes('node_modules') && !log.message.includes('node_modules');
    if (log.code !== 'UNRESOLVED_IMPORT' || ours) tell(level, log);
  },
});
