// Where nothing was built, as in tests, a thread begins without what lets Node read TypeScript; this gives it that.
import { register } from 'tsx/esm/api';

register();
export default (await import('./job-thread.ts')).default;
