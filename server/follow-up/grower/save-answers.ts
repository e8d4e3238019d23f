import { hasPlant } from '../asks/plants-of-people';
import { type AnswerInput, answerInput } from '@/core/follow-up/answer-input';
import type { AnswerBack } from '@/core/follow-up/grower/grower-page';
import { id } from '@/core/inputs/fields';
import { UNSET } from '@/db/unset';
import { livingUnions } from '@/server/aftercare/living-unions';
import type { Services } from '@/server/platform/context';
import { encodePhoto } from '@/server/platform/encode-photo';
import { insertPhoto, MOST_PHOTOS } from '@/server/platform/insert-photo';
import { parse } from '@/server/platform/parse';
import { limitAttempts } from '@/server/platform/rate-limit';
import { UseCaseError } from '@/server/platform/use-case-error';
import { type AskedUnion, asksOfLiving } from '../asks/asked-unions';
import { keepAnswer } from '../reports';
import { backTo } from './answer-back';
import { GrowerError } from './grower-error';
import { type OpenedLink, openLink } from './open-link';

/** Answers that one link gives in an hour at most. */
const MOST_ANSWERS = 300;

/**
 * Saves one answer of a grower; the same id twice is one answer.
 *
 * @returns what is said back to it
 * @throws GrowerError in the words of the catalogue
 */
export async function saveAnswer(
  services: Services,
  token: string,
  reportId: string,
  input: unknown,
): Promise<AnswerBack> {
  const opened = await openForAnswers(services, token);
  const { reader, wording } = opened;
  const answer = readAnswer(reportId, input, services.now);
  const asked = await ownUnion(opened, answer.unionId);
  const arrival = { reportId, source: 'link' as const, enteredBy: null, cameOn: null };
  const { report, secondTry } = await keepAnswer(reader, { asked, answer, arrival });
  return backTo(reader, asked, { report, secondTry }, wording);
}

/** Opens a link for what is sent to it, no more often than anybody taps. */
export async function openForAnswers(services: Services, token: string): Promise<OpenedLink> {
  const opened = await openLink(services, token);
  try {
    await limitAttempts(services, `answers by ${opened.link.id}`, MOST_ANSWERS, 60);
  } catch (error) {
    if (error instanceof UseCaseError && error.refusal === 'too-many')
      throw new GrowerError('too-many', 'error.too-many');
    throw error;
  }
  return opened;
}

/** @throws GrowerError that says which of the fields is wrong */
function readAnswer(reportId: string, input: unknown, now: Date): AnswerInput {
  try {
    parse(id('the answer'), reportId);
    return parse(answerInput, input, now);
  } catch (error) {
    if (!(error instanceof UseCaseError)) throw error;
    if (error.fields.seenOn) throw new GrowerError('invalid', 'error.day', {}, { seenOn: 'error.day' });
    if (error.fields.growth) throw new GrowerError('invalid', 'error.growth', {}, { growth: 'error.growth' });
    if (error.fields.note) throw new GrowerError('invalid', 'error.note', {}, { note: 'error.note' });
    throw new GrowerError('invalid', 'error.choice');
  }
}

/** The plant must be this person's own, whatever the request says. */
export async function ownUnion({ reader, person }: OpenedLink, unionId: string): Promise<AskedUnion> {
  const { db, actor } = reader;
  const { clubId } = actor;
  const union = await db.unions.findOne({ where: { clubId, id: unionId, kind: 'keeper' }, raw: true });
  const plant =
    union && (await db.plants.findOne({ where: { clubId, id: union.plantId!, voidedAt: UNSET }, raw: true }));
  if (!plant || !(await hasPlant(reader, person.id, plant.id))) throw new GrowerError('not-found', 'error.not-yours');
  const living = await livingUnions(reader, { plantIds: [plant.id] });
  const asked = (await asksOfLiving(reader, living)).find((each) => each.union.id === unionId);
  if (!asked) throw new GrowerError('not-found', 'error.not-yours');
  return asked;
}

/** Keeps a photo of one of the grower's own grafts, stripped and scaled; the same id again is kept once. */
export async function saveGrowerPhoto(
  services: Services,
  token: string,
  { unionId, photoId }: { unionId: string; photoId: string },
  bytes: Uint8Array,
): Promise<void> {
  const opened = await openForAnswers(services, token);
  const { db } = services;
  await ownUnion(opened, unionId);
  const { clubId } = opened.link;
  const known = await db.photos.findOne({ where: { clubId, unionId, id: photoId }, attributes: ['id'], raw: true });
  if (known) return;
  if ((await db.photos.count({ where: { clubId, unionId, withdrawn: false } })) >= MOST_PHOTOS)
    throw new GrowerError('invalid', 'error.photo-many');
  const picture = await encodePhoto(bytes).catch((error: unknown) => {
    if (!(error instanceof UseCaseError)) throw error;
    throw new GrowerError(error.refusal, error.refusal === 'too-large' ? 'error.photo-large' : 'error.photo');
  });
  await insertPhoto(services, { clubId, unionId, photoId, takenBy: null }, picture);
}
