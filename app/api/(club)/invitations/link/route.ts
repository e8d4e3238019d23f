import { answerByLink } from '@/server/club/invitations';
import { handlePublic } from '../../../../_http/handle';

export const POST = handlePublic(async (services, { body }) => answerByLink(services, await body()));
