import { register } from 'tsx/esm/api';

// A thread does not inherit the loader of the one that began it.
register();
await import('./worker.ts');
