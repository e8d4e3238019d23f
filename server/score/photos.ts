import { array, number, object, string } from 'yup';
import { millimetresPerPixel, type PhotoScale } from '@/core/score/photos/photo-scale';
import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { encodePhoto, LONGEST_PHOTO } from '@/server/platform/encode-photo';
import { insertPhoto, MOST_PHOTOS } from '@/server/platform/insert-photo';
import { id, decimal } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { readableUnion } from './readable-union';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

export interface PhotoSummary {
  id: string;
  width: number;
  height: number;
  scale: PhotoScale | null;
  version: number;
}

/** Pictures of a union, without their bytes. */
export async function listPhotos(context: Context, unionId: string): Promise<PhotoSummary[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  return db.photos.findAll({
    where: { clubId, unionId, withdrawn: false },
    attributes: ['id', 'width', 'height', 'scale', 'version'],
    order: [
      ['addedAt', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  });
}

/**
 * Keeps a picture of a union under an id made on the device: turned upright, scaled down, encoded
 * anew and so without what a camera writes beside it, such as the place. The same id again is kept once.
 */
export async function addPhoto(context: Context, unionId: string, photoId: string, bytes: Uint8Array): Promise<void> {
  allow(context, 'assistant');
  parse(id('the picture'), photoId);
  const {
    db,
    actor: { clubId, userId },
  } = context;
  await readableUnion(context, unionId);
  if ((await db.photos.count({ where: { clubId, unionId, withdrawn: false } })) >= MOST_PHOTOS)
    throw new UseCaseError('invalid', `A union has ${MOST_PHOTOS} pictures at most. Remove one first.`);
  const picture = await encodePhoto(bytes);
  await insertPhoto(context, { clubId, unionId, photoId, takenBy: userId }, picture);
}

/** A picture's bytes, JPEG. */
export async function readPhoto(context: Context, photoId: string): Promise<Buffer> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const photo = await db.photos.findOne({ where: { clubId, id: photoId, withdrawn: false }, raw: true });
  if (!photo) throw notFound('The picture');
  await readableUnion(context, photo.unionId);
  return photo.bytes;
}

const point = object({
  x: number()
    .strict()
    .required('Set the marks again.')
    .min(-1, 'Set the marks on the picture.')
    .max(LONGEST_PHOTO + 1, 'Set the marks on the picture.'),
  y: number()
    .strict()
    .required('Set the marks again.')
    .min(-1, 'Set the marks on the picture.')
    .max(LONGEST_PHOTO + 1, 'Set the marks on the picture.'),
});
const scaleInput = object({
  version: decimal().required('Reload the page.').integer('Reload the page.'),
  scale: object({
    kind: string()
      .oneOf(['ruler', 'coin'] as const, 'Choose a ruler or a coin.')
      .required('Choose a ruler or a coin.'),
    points: array(point).required('Set the marks.').min(2, 'Set the marks.').max(3, 'Set the marks again.'),
    size: number()
      .strict()
      .typeError('Enter the size in figures.')
      .required('Enter the size in figures.')
      .moreThan(0, 'Enter a size of more than 0.')
      .max(500, 'Nothing longer than a forearm sets the scale of a union.'),
  }).required('Set the marks.'),
});

/** Sets a picture's scale, if nobody set it since it was opened. */
export async function putPhotoScale(context: Context, photoId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { scale, version } = parse(scaleInput, input);
  const photo = await db.photos.findOne({
    where: { clubId, id: photoId, withdrawn: false },
    attributes: ['unionId'],
    raw: true,
  });
  if (!photo) throw notFound('The picture');
  await readableUnion(context, photo.unionId);
  try {
    millimetresPerPixel(scale);
  } catch (error) {
    if (error instanceof RangeError) throw new UseCaseError('invalid', error.message);
    throw error;
  }
  await transact(db, async (transaction) => {
    const [changed] = await db.photos.update(
      { scale, version: version + 1 },
      { where: { clubId, id: photoId, version }, transaction },
    );
    if (changed === 0)
      throw new UseCaseError('conflict', 'Somebody set this picture’s scale meanwhile. Reload to see theirs.');
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: 'scale of a picture set',
      subjectId: photoId,
      at: now,
    });
  });
}

/** Takes a picture away; asked twice it is done once. */
export async function removePhoto(context: Context, photoId: string): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const [changed] = await db.photos.update(
      { withdrawn: true },
      { where: { clubId, id: photoId, withdrawn: false }, transaction },
    );
    if (changed > 0)
      await audit(db, transaction, { clubId, actorId: userId, action: 'picture removed', subjectId: photoId, at: now });
    else if (!(await db.photos.findOne({ where: { clubId, id: photoId }, attributes: ['id'], transaction, raw: true })))
      throw notFound('The picture');
  });
}
