import { cpSync } from 'node:fs';
import { build } from 'esbuild';

/** Our workspaces go into the bundle, everything from node_modules stays an import. */
const externalPackages = {
  name: 'external-packages',
  setup(b) {
    b.onResolve({ filter: /^[^./]/ }, (a) =>
      a.kind === 'entry-point' || a.path.startsWith('@odd-corner/') ? undefined : { path: a.path, external: true },
    );
  },
};

await build({
  entryPoints: [
    'src/main.ts',
    'src/verify/verify-worker.ts',
    'src/workshop-file/incoming-worker.ts',
    'src/print/print-worker.ts',
    'src/learn/learn-worker.ts',
  ],
  outdir: 'dist',
  entryNames: '[name]',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  plugins: [externalPackages],
});
cpSync('migrations', 'dist/migrations', { recursive: true });
