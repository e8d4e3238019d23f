import { endOtherSessions } from '@/server/sessions';
import { handle } from '../../_http/handle';

/** Signs out everywhere but here. */
export const DELETE = handle(endOtherSessions);
