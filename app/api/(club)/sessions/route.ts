import { endOtherSessions } from '@/server/club/sessions';
import { handle } from '../../../_http/handle';

/** Signs out everywhere but here. */
export const DELETE = handle(endOtherSessions);
