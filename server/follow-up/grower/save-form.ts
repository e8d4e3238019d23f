import { v5 as nameBased } from 'uuid';
import type { TypedAnswer } from '@/core/follow-up/grower/typed-answer';
import { readSentForm, type SentForm } from '@/exchange/sent-form';
import type { Services } from '@/server/platform/context';
import { UseCaseError } from '@/server/platform/use-case-error';
import { GrowerError } from './grower-error';
import { openForAnswers, saveAnswer, saveGrowerPhoto } from './save-answers';

export interface FormSaved {
  /** How many answers arrived. */
  saved: number;
  photos: number;
  /** What did not go through, by union; what was typed stays on the page. */
  refused: Map<string, { error: GrowerError; typed: TypedAnswer }>;
}

/** @throws GrowerError where what came is no form. */
export function readForm(request: Request): Promise<SentForm> {
  return readSentForm(request).catch(() => {
    throw new GrowerError('unreadable', 'error.choice');
  });
}

/** Names what a page's form brings, so that its answers have the same ids when it is sent twice. */
const FORMS = '3c5f0b7e-6f0e-4a6b-9b53-1d9f4c0f8a11';

/**
 * Saves what the whole page's form brings, graft by graft: each is kept or refused on its own.
 *
 * @param sent its names are "UNION.field"; `form` names the rendering of the page
 */
export async function saveForm(
  services: Services,
  token: string,
  { fields: form, photos, tooLarge }: SentForm,
): Promise<FormSaved> {
  await openForAnswers(services, token);
  const rendering = text(form, 'form');
  const refused: FormSaved['refused'] = new Map();
  const all = text(form, 'all') === 'alive';
  let saved = 0;
  let photosSaved = 0;
  for (const unionId of unionsIn([...form.keys(), ...photos.keys(), ...tooLarge])) {
    const before = text(form, `${unionId}.before`);
    const entered = typedAnswer(form, unionId);
    // One button says it of all those that nothing was chosen of.
    const typed = all && !isSaid(entered) && before === '' ? { ...entered, said: 'alive' } : entered;
    try {
      if (isSaid(typed) && contentOf(typed) !== before) {
        const reportId = nameBased(`${rendering} ${unionId} ${contentOf(typed)}`, FORMS);
        await saveAnswer(services, token, reportId, { unionId, ...typed }).catch((error: unknown) => {
          const last = lastChanged(typed, before);
          if (!(error instanceof GrowerError) || error.key !== 'error.both' || last === null) throw error;
          return saveAnswer(services, token, reportId, { unionId, ...last });
        });
        saved++;
      }
      const name = `${unionId}.photo`;
      // Its answer is kept; the photo is asked for again.
      if (tooLarge.has(name)) throw new GrowerError('too-large', 'error.photo-large');
      const photo = photos.get(name);
      if (photo) {
        const photoId = nameBased(`${rendering} ${unionId} photo`, FORMS);
        await saveGrowerPhoto(services, token, { unionId, photoId }, photo);
        photosSaved++;
      }
    } catch (error) {
      if (!(error instanceof UseCaseError)) throw error;
      refused.set(unionId, {
        error: error instanceof GrowerError ? error : new GrowerError(error.refusal, 'error.unknown'),
        typed,
      });
    }
  }
  return { saved, photos: photosSaved, refused };
}

function unionsIn(names: readonly string[]): string[] {
  return [...new Set(names.flatMap((name) => (/^[0-9a-f-]{36}\./.test(name) ? [name.slice(0, 36)] : [])))];
}

const text = (form: SentForm['fields'], name: string): string => (form.get(name) ?? '').trim();

function typedAnswer(form: SentForm['fields'], unionId: string): TypedAnswer {
  const prefix = `${unionId}.sign.`;
  const signs = [...form.keys()].filter((name) => name.startsWith(prefix));
  return {
    signs: Object.fromEntries(signs.map((name) => [name.slice(prefix.length), text(form, name)])),
    said: text(form, `${unionId}.said`),
    snapped: text(form, `${unionId}.snapped`) !== '',
    growth: text(form, `${unionId}.growth`),
    growthUnit: text(form, `${unionId}.unit`) || 'mm',
    seenOn: text(form, `${unionId}.seenOn`),
    note: text(form, `${unionId}.note`),
  };
}

/**
 * Of a word and signs that cannot both be so, what was changed last: a form without script still holds the earlier ones.
 * Null where both are new: then it is asked.
 */
function lastChanged(typed: TypedAnswer, before: string): TypedAnswer | null {
  const known = readContent(before);
  if (!known) return null;
  const signsOf = (answer: Pick<TypedAnswer, 'signs' | 'growth'>): string =>
    JSON.stringify([
      Object.entries(answer.signs)
        .filter(([, option]) => option !== '')
        .sort(),
      answer.growth,
    ]);
  const newSigns = signsOf(typed) !== signsOf(known);
  const newWord = typed.said !== known.said;
  if (newWord && !newSigns) return { ...typed, signs: {}, growth: '' };
  return newSigns && !newWord ? { ...typed, said: '' } : null;
}

/** An answer out of its text; null where there was none. */
function readContent(content: string): Pick<TypedAnswer, 'signs' | 'said' | 'growth'> | null {
  try {
    const [chosen, said, , growth] = JSON.parse(content) as [[string, string][], string, boolean, string];
    return { signs: Object.fromEntries(chosen), said, growth };
  } catch {
    return null;
  }
}

/** Whether anything was chosen at all; a day or a unit alone is no answer. */
function isSaid({ signs, said, snapped, growth, note }: TypedAnswer): boolean {
  return said !== '' || snapped || growth !== '' || note !== '' || Object.values(signs).some((chosen) => chosen !== '');
}

/** An answer as one text, to tell whether it was changed. */
export function contentOf({ signs, said, snapped, growth, growthUnit, seenOn, note }: TypedAnswer): string {
  const chosen = Object.entries(signs)
    .filter(([, option]) => option !== '')
    .sort();
  return JSON.stringify([chosen, said, snapped, growth, growth === '' ? '' : growthUnit, seenOn, note]);
}
