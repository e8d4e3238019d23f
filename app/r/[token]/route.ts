import { v5 as nameBased, v7 as uuid } from 'uuid';
import { isId } from '@/core/inputs/fields';
import { growerPage } from '@/server/follow-up/grower/grower-page';
import { contentOf, type FormSaved, readForm, saveForm } from '@/server/follow-up/grower/save-form';
import { openLink } from '@/server/follow-up/grower/open-link';
import { closeLink, eraseMe, setLanguage, setLeave } from '@/server/follow-up/grower/wishes';
import { GrowerError } from '@/server/follow-up/grower/grower-error';
import { tellTask, untellTask } from '@/server/follow-up/grower/growers-tasks';
import { tellHappening } from '@/server/follow-up/grower/tell-happening';
import type { Services } from '@/server/platform/context';
import { saidPage } from '@/ui/follow-up/grower/document';
import { growerHtml } from '@/ui/follow-up/grower/grower-html';
import { growerRefusal, growerResponse, nonceOf, refusalWords } from '../../_http/grower-pages';
import { refuseForeignOrigin } from '../../_http/own-origin';
import { publicUrl, services } from '../../_http/services';

interface Route {
  params: Promise<{ token: string }>;
}

/** A grower's own grafts: a plain form, which works without script. */
export async function GET(request: Request, { params }: Route): Promise<Response> {
  const { token } = await params;
  const opening = { services: services(), token, nonce: nonceOf(request) };
  const { searchParams } = new URL(request.url);
  const [sent, photos] = ['sent', 'photos'].map((name) => Number(searchParams.get(name) ?? NaN));
  const arrived = Number.isFinite(sent) ? { saved: sent!, photos: Number.isFinite(photos) ? photos! : 0 } : null;
  try {
    return growerResponse(await pageOf(opening, searchParams, { arrived }));
  } catch (error) {
    return growerRefusal(error, opening);
  }
}

/** What the form without script brings: answers and photos, or a wish. */
export async function POST(request: Request, { params }: Route): Promise<Response> {
  const { token } = await params;
  const opening = { services: services(), token, nonce: nonceOf(request) };
  try {
    requireOwnOrigin(request);
    const form = await readForm(request);
    const wish = form.fields.get('wish');
    if (wish !== undefined) return await granted(opening, wish, form.fields);
    const saved = await saveForm(opening.services, token, form);
    if (saved.refused.size > 0)
      return growerResponse(
        await pageOf(opening, new URLSearchParams(), { arrived: saved, refused: saved.refused }),
        422,
      );
    return back(token, `sent=${saved.saved}&photos=${saved.photos}`);
  } catch (error) {
    return growerRefusal(error, opening);
  }
}

function requireOwnOrigin(request: Request): void {
  try {
    refuseForeignOrigin(request, publicUrl());
  } catch {
    throw new GrowerError('forbidden', 'error.foreign');
  }
}

interface Opening {
  services: Services;
  token: string;
  nonce: string;
}

/** To the page anew, so that reloading it sends nothing again. */
function back(token: string, query = ''): Response {
  return new Response(null, { status: 303, headers: { Location: `/r/${token}${query === '' ? '' : `?${query}`}` } });
}

async function pageOf(
  { services: shared, token, nonce }: Opening,
  query: URLSearchParams,
  { arrived, refused }: { arrived: Pick<FormSaved, 'saved' | 'photos'> | null; refused?: FormSaved['refused'] },
): Promise<string> {
  const tell = query.get('tell');
  const sure = query.get('sure');
  const { wording, reader } = await openLink(shared, token);
  const page = await growerPage(shared, token, tell !== null && isId(tell) ? tell : null);
  return growerHtml(
    {
      token,
      page,
      wording,
      unit: reader.actor.lengthUnit,
      form: uuid(),
      arrived,
      kept: query.has('kept'),
      refused: new Map(
        [...(refused ?? [])].map(([unionId, { error, typed }]) => [
          unionId,
          { words: refusalWords(error, wording), typed },
        ]),
      ),
      sure: sure === 'erase' || sure === 'close' ? sure : null,
      contentOf,
    },
    nonce,
  );
}

/** Names what forms without script bring, so that the same sent twice is one. */
const WISHES = '6f3d5f0e-54e3-4a4f-9a55-7e8f0f5b2c11';
const idOfForm = (form: ReadonlyMap<string, string>): string => nameBased(JSON.stringify([...form].sort()), WISHES);

/** Does what somebody wishes for themselves, and says so. */
async function granted(
  { services: shared, token, nonce }: Opening,
  wish: string,
  form: ReadonlyMap<string, string>,
): Promise<Response> {
  const { wording, club } = await openLink(shared, token);
  const { language, say } = wording;
  switch (wish) {
    case 'task':
      await tellTask(shared, token, idOfForm(form), {
        task: form.get('task'),
        said: form.get('said'),
        plants: [...form].flatMap(([name, value]) =>
          name.startsWith('plant.') ? [{ unionId: name.slice('plant.'.length), occurrence: Number(value) }] : [],
        ),
      });
      return back(token, 'kept=1#to-do');
    case 'untask':
      await untellTask(shared, token, form.get('action') ?? '');
      return back(token, 'kept=1#to-do');
    case 'happened':
      await tellHappening(shared, token, idOfForm(form), {
        unionId: form.get('plant'),
        what: form.get('what'),
        dead: form.get('graft') === 'dead',
        seenOn: form.get('seenOn') ?? '',
        note: form.get('note') ?? '',
      });
      return back(token, 'kept=1');
    case 'stop':
    case 'allow':
      await setLeave(shared, token, wish === 'allow');
      return back(token);
    case 'language':
      await setLanguage(shared, token, String(form.get('language')));
      return back(token);
    case 'close':
      await closeLink(shared, token);
      return growerResponse(
        saidPage({ language, nonce, heading: say('consent.withdrawn'), words: say('consent.withdrawn-words') }),
      );
    case 'erase':
      await eraseMe(shared, token);
      return growerResponse(
        saidPage({
          language,
          nonce,
          heading: say('consent.erased'),
          words: say('consent.erased-words', { club: club.name }),
        }),
      );
    default:
      throw new GrowerError('invalid', 'error.choice');
  }
}
