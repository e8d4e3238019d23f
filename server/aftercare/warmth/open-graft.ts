import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import { batchProgress } from '@/core/aftercare/warmth/batch';
import { openedInput } from '@/core/aftercare/warmth/log-input';
import { proposedCallusing } from '@/core/aftercare/warmth/opened-batch';
import { warmthByDay } from '@/core/aftercare/warmth/warmth-by-day';
import { id, isAhead } from '@/core/inputs/fields';
import { assumptionsWith, knittingBand } from '@/core/plan/phenology/assumptions';
import { addDays, daysBetween, formatDate } from '@/core/units/iso-date';
import type { OpenedGraftRow, PlaceRow } from '@/db/models/place-rows';
import type { SiteRow } from '@/db/models/plan-rows';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { getSite, putAssumptions } from '@/server/club/sites';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getPlace } from '../places/places';
import { knittingKin } from './callus-place';
import { placeRun } from './readings-store';

/**
 * Notes what was seen on one of a batch that was opened, beside the warmth it was reckoned to have had by then. A keeper
 * that was opened is none any more, and is left out of take.
 */
export async function openGraft(context: Context, openedId: string, placeId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(id('what was seen'), openedId);
  const values = parse(openedInput, input, context.now);
  if (isAhead(values.on, context.now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was opened.', {
      on: 'Still to come.',
    });
  const place = await getPlace(context, placeId);
  const site = await getSite(context, place.siteId);
  const { db, actor, now } = context;
  try {
    await transact(db, async (transaction) => {
      const known = await db.openedGrafts.findOne({ where: { id: openedId }, transaction, raw: true });
      if (known) {
        if (known.clubId !== actor.clubId) throw notFound('What was seen');
        return;
      }
      const union = values.plantId === null ? null : await unionToOpen(context, values.plantId, values, transaction);
      const since = union?.since ?? place.warmFrom ?? addDays(values.on, -365);
      const row: OpenedGraftRow = {
        id: openedId,
        clubId: actor.clubId,
        siteId: site.id,
        placeId,
        kin: values.kin,
        unionId: union?.id ?? null,
        openedOn: values.on,
        callused: values.callused,
        note: values.note,
        knitDays: await knitUntil(context, { place, site, since }, values, transaction),
        seenBy: actor.userId,
        recordedAt: now,
        takenBackAt: null,
      };
      await db.openedGrafts.create(row, { transaction });
      if (union) {
        const note = values.callused ? 'callused all round' : 'not callused all round';
        await db.unionObservations.create(
          {
            id: uuid(),
            clubId: actor.clubId,
            unionId: union.id,
            kind: 'opened',
            about: '',
            lengthMm: null,
            note: [note, values.note].filter(Boolean).join(': ').slice(0, 300),
            seenOn: values.on,
            seenBy: actor.userId,
            recordedAt: now,
            takenBackAt: null,
          },
          { transaction },
        );
        await refreshUnionFacts(db, actor.clubId, [union.id], transaction);
      }
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: 'one of a batch opened',
        subjectId: placeId,
        at: now,
      });
    });
  } catch (error) {
    // The same twice at once: the other one kept it.
    if (!isDuplicate(error)) throw error;
  }
}

/** The union of a plant that is opened, and since when it has been in the warmth. */
async function unionToOpen(
  { db, actor }: Context,
  plantId: string,
  { kin, on }: { kin: string; on: string },
  transaction: Transaction,
): Promise<{ id: string; since: string }> {
  const [unions, plant, standing] = await Promise.all([
    db.unions.findAll({ where: { clubId: actor.clubId, plantId }, order: [['number', 'ASC']], transaction, raw: true }),
    db.plants.findOne({ where: { clubId: actor.clubId, id: plantId, voidedAt: UNSET }, transaction, raw: true }),
    db.plantPlaces.findOne({ where: { clubId: actor.clubId, plantId }, transaction, raw: true }),
  ]);
  const union = unions.at(-1);
  if (!union || !plant) throw notFound('The plant');
  const lot = await db.woodLots.findOne({
    where: { id: plant.woodLotId },
    attributes: ['species'],
    transaction,
    raw: true,
  });
  if (knittingKin(lot?.species ?? '') !== kin)
    throw new UseCaseError(
      'invalid',
      `That plant is ${lot?.species ?? 'of another kind'}. Choose the kind it belongs to.`,
      {
        kin: 'Of another kind.',
      },
    );
  if (on < union.madeOn)
    throw new UseCaseError(
      'invalid',
      `It was made on ${formatDate(union.madeOn)}; it cannot have been opened before.`,
      {
        on: 'Before it was made.',
      },
    );
  const opened = await db.unionObservations.count({
    where: { clubId: actor.clubId, unionId: union.id, kind: 'opened', takenBackAt: UNSET },
    transaction,
  });
  if (opened > 0) throw new UseCaseError('conflict', 'That plant was opened already. Choose another.');
  return { id: union.id, since: standing?.since ?? union.madeOn };
}

/** Days of warmth by a day: as measured, or as many as went by where nobody measured. */
async function knitUntil(
  { db }: Context,
  { place, site, since }: { place: PlaceRow; site: SiteRow; since: string },
  { kin, on }: { kin: OpenedGraftRow['kin']; on: string },
  transaction: Transaction,
): Promise<number> {
  const run = await placeRun(db, place.id, {}, transaction);
  if (run.instants.length < 2) return Math.max(0, daysBetween(since, on));
  const assumption = assumptionsWith(site.assumptions);
  const days = warmthByDay(knittingBand(kin, assumption), run, site.timeZone);
  const { knit } = batchProgress(
    days.filter((day) => day.on <= on),
    since,
    assumption('callus').value,
  );
  return Math.round(knit * 100) / 100;
}

/** Takes a look back: it counts no more. Its keeper is one again. */
export async function takeOpenedBack(context: Context, openedId: string): Promise<void> {
  allow(context, 'assistant');
  const { db, actor, now } = context;
  await transact(db, async (transaction) => {
    const row = await db.openedGrafts.findOne({
      where: { clubId: actor.clubId, id: openedId },
      transaction,
      raw: true,
    });
    if (!row) throw notFound('What was seen');
    if (row.takenBackAt) return;
    await db.openedGrafts.update({ takenBackAt: now }, { where: { id: openedId }, transaction });
    if (row.unionId) {
      await db.unionObservations.update(
        { takenBackAt: now },
        { where: { clubId: actor.clubId, unionId: row.unionId, kind: 'opened', takenBackAt: UNSET }, transaction },
      );
      await refreshUnionFacts(db, actor.clubId, [row.unionId], transaction);
    }
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: 'taken back: one of a batch opened',
      subjectId: row.placeId,
      at: now,
    });
  });
}

/** Goes by what the opened grafts of a site propose from now on: the figure becomes the site's own, with its reason. */
export async function takeProposedCallusing(context: Context, siteId: string): Promise<void> {
  allow(context, 'lead');
  const site = await getSite(context, siteId);
  const { db, actor } = context;
  const rows = await db.openedGrafts.findAll({
    where: { clubId: actor.clubId, siteId, takenBackAt: UNSET },
    raw: true,
  });
  const proposed = proposedCallusing(rows, assumptionsWith(site.assumptions)('callus').value);
  if (!proposed)
    throw new UseCaseError('conflict', 'The opened grafts propose no other figure any more. Reload the page.');
  await putAssumptions(context, siteId, {
    version: site.version,
    quarantine: site.quarantine,
    region: site.region,
    edits: {
      ...site.assumptions,
      callus: { value: proposed.days, margin: 2, source: `${proposed.pairs} grafts opened at this site` },
    },
  });
}
