import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  build: { ssr: 'src/main.ts', outDir: 'dist', emptyOutDir: true, target: 'node20', sourcemap: true },
  ssr: { noExternal: [/^@veldrift\//] },
});
