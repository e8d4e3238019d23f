import type { OutputInfo } from 'sharp';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from './audit';
import type { Services } from './context';
import { notFound } from './use-case-error';

/** Pictures a union has at most. */
export const MOST_PHOTOS = 12;

interface NewPhoto {
  clubId: string;
  unionId: string;
  photoId: string;
  /** Null for the grower. */
  takenBy: string | null;
}

/** Keeps an encoded picture of a union under an id made on the device; the same id again is kept once. */
export async function insertPhoto(
  { db, now }: Pick<Services, 'db' | 'now'>,
  { clubId, unionId, photoId, takenBy }: NewPhoto,
  { data, info }: { data: Buffer; info: OutputInfo },
): Promise<void> {
  try {
    await transact(db, async (transaction) => {
      await db.photos.create(
        {
          id: photoId,
          clubId,
          unionId,
          takenBy,
          width: info.width,
          height: info.height,
          bytes: data,
          scale: null,
          version: 0,
          addedAt: now,
          withdrawn: false,
        },
        { transaction },
      );
      await audit(db, transaction, { clubId, actorId: takenBy, action: 'picture added', subjectId: photoId, at: now });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    if (!(await db.photos.findOne({ where: { clubId, unionId, id: photoId }, attributes: ['id'], raw: true })))
      throw notFound('The picture');
  }
}
