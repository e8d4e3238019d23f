// A thread begins without what lets Node read TypeScript; this gives it that and goes on.
import { register } from 'tsx/esm/api';

register();
await import('./model-thread.ts');
