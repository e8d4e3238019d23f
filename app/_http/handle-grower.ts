import { isId } from '@/core/inputs/fields';
import { GrowerError } from '@/server/follow-up/grower/grower-error';
import type { Services } from '@/server/platform/context';
import { UseCaseError } from '@/server/platform/use-case-error';
import { refusalWords, wordingOfLink } from './grower-pages';
import { type Call, type Handler, handlePublic } from './handle';
import { services } from './services';

/** A route of a private link: what is refused is said in the language of whoever holds it. */
export function handleGrower(work: (services: Services, call: Call) => Promise<object | void>): Handler {
  return handlePublic(async (shared, call) => {
    try {
      for (const [name, value] of Object.entries(call.params))
        if (name !== 'token' && !isId(value)) throw new GrowerError('invalid', 'error.choice');
      return await work(shared, call);
    } catch (error) {
      if (!(error instanceof UseCaseError)) throw error;
      const wording = await wordingOfLink(services(), call.params.token!);
      return Response.json(
        { message: refusalWords(error, wording), fields: error.fields },
        { status: error.status, headers: { 'Cache-Control': 'no-store' } },
      );
    }
  });
}
