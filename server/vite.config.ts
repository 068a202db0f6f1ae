import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  build: {
    ssr: true,
    // The server, and what brings it up: a second start needs no loader of TypeScript.
    rollupOptions: { input: { main: 'src/main.ts', up: '../scripts/up.ts' } },
    outDir: 'dist',
    emptyOutDir: true,
    target: 'node20',
    sourcemap: true,
  },
  ssr: { noExternal: [/^@veldrift\//] },
});
