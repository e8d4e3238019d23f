import { v7 as uuid } from 'uuid';
import { type Climate, problemOfNormals } from '@/core/plan/climate/normals';
import { estimateSource, normalsFromFrosts } from '@/core/plan/climate/normals-from-frosts';
import { climateInput } from '@/core/plan/climate/climate-input';
import { type Assumption, ASSUMPTIONS, type Edits } from '@/core/plan/phenology/assumptions';
import { assumptionsInput } from '@/core/plan/phenology/assumptions-input';
import type { ObservationRow, SiteRow } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import { writeNormals } from '@/exchange/normals-csv';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { count, id, isAhead, text } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { readSentFile } from '@/server/jobs/run-job';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { siteInput } from '@/core/club/site-input';
import { observationInput } from '@/core/plan/phenology/observation-input';

export async function listSites(context: Context): Promise<SiteRow[]> {
  allow(context, 'viewer');
  return context.db.sites.findAll({ where: { clubId: context.actor.clubId }, order: [['name', 'ASC']], raw: true });
}

export async function getSite(context: Context, siteId: string): Promise<SiteRow> {
  allow(context, 'viewer');
  const site = (await listSites(context)).find((site) => site.id === siteId);
  if (!site) throw notFound('The site');
  return site;
}

export async function addSite(context: Context, input: unknown): Promise<SiteRow> {
  allow(context, 'assistant');
  const { db, actor, now } = context;
  const { lastFrost, firstFrost, appleBloom, ...entered } = parse(siteInput, input);
  const dates = { lastFrost: lastFrost || null, firstFrost: firstFrost || null, appleBloom: appleBloom || null };
  const row: SiteRow = {
    ...entered,
    id: uuid(),
    clubId: actor.clubId,
    ...yearFromFrosts(entered.hemisphere, dates),
    assumptions: {},
    quarantine: [],
    version: 0,
  };
  try {
    await transact(db, async (transaction) => {
      await db.sites.create(row, { transaction });
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: 'site added',
        subjectId: row.id,
        at: now,
      });
    });
  } catch (error) {
    if (isDuplicate(error))
      throw new UseCaseError('conflict', 'A site of this name is there already. Choose it, or use another name.', {
        name: 'Taken already.',
      });
    throw error;
  }
  return row;
}

/** Days that frost dates move by from year to year, where nobody says otherwise. */
const USUAL_FROST_MARGIN = 12;

/** The usual year of a site whose frost dates are known, with temperatures estimated from them; none without both. */
function yearFromFrosts(
  hemisphere: 'north' | 'south',
  { lastFrost, firstFrost, appleBloom }: Record<'lastFrost' | 'firstFrost' | 'appleBloom', string | null>,
): Pick<SiteRow, 'climate' | 'climateSource'> {
  if (lastFrost === null && firstFrost === null) return { climate: null, climateSource: '' };
  if (lastFrost === null || firstFrost === null)
    throw new UseCaseError('invalid', 'Give both frost dates, or neither.', {
      [lastFrost === null ? 'lastFrost' : 'firstFrost']: 'Give both or neither.',
    });
  try {
    return {
      climate: {
        normals: normalsFromFrosts({ hemisphere, lastFrost, firstFrost, appleBloom }),
        lastFrost,
        firstFrost,
        frostMargin: USUAL_FROST_MARGIN,
      },
      climateSource: estimateSource(appleBloom),
    };
  } catch (error) {
    if (error instanceof RangeError) throw new UseCaseError('invalid', error.message, { lastFrost: error.message });
    throw error;
  }
}

/** Sets a site's usual year: temperatures by month, frost dates, and who says so. */
export async function putClimate(context: Context, siteId: string, input: unknown): Promise<SiteRow> {
  allow(context, 'assistant');
  const { version, source, ...values } = parse(climateInput, input);
  const problem = problemOfNormals(values.normals);
  if (problem) throw new UseCaseError('invalid', problem, { normals: problem });
  const climate: Climate = { ...values, lastFrost: values.lastFrost || null, firstFrost: values.firstFrost || null };
  if ((climate.lastFrost === null) !== (climate.firstFrost === null))
    throw new UseCaseError(
      'invalid',
      'One frost date is there and the other is not. Give both, or none for a place that never freezes.',
      { lastFrost: 'Give both or none.' },
    );
  return change(context, siteId, version, 'climate set', { climate, climateSource: source });
}

/** A climate from CSV, kept at once: the file names its own source. */
export async function importClimate(
  context: Context,
  siteId: string,
  bytes: Uint8Array,
  source: string,
  version: number,
): Promise<{ site: SiteRow; notes: string[] }> {
  allow(context, 'assistant');
  const read = await readSentFile('read normals', bytes);
  if ('problem' in read) throw new UseCaseError('invalid', read.problem);
  const site = await change(context, siteId, parse(count('the version', 0, 1_000_000), version), 'climate read', {
    climate: read.climate,
    climateSource: parse(text('where the figures come from', 200), source),
  });
  return { site, notes: read.notes };
}

export async function exportClimate(context: Context, siteId: string): Promise<string> {
  const { climate } = await getSite(context, siteId);
  if (!climate)
    throw new UseCaseError(
      'not-found',
      'This site has no normals yet. Enter them, read a CSV file or take a climate of the weather stand-in.',
    );
  return writeNormals(climate);
}

/** Sets a site's own figures instead of the usual assumptions; those like the usual are let go. */
export async function putAssumptions(context: Context, siteId: string, input: unknown): Promise<SiteRow> {
  allow(context, 'assistant');
  const { edits, quarantine, region, version } = parse(assumptionsInput, input);
  const kept: Edits = {};
  for (const [key, edit] of Object.entries(edits)) {
    const usual = ASSUMPTIONS.find((assumption) => assumption.id === key);
    if (usual && edit && differs(usual, edit)) kept[key] = edit;
  }
  return change(context, siteId, version, 'assumptions set', { assumptions: kept, quarantine, region });
}

function differs({ value, margin, source }: Assumption, edit: Edits[string]): boolean {
  return edit.value !== value || edit.margin !== margin || edit.source !== (source ?? '');
}

/** One change of a site, if nobody changed it since it was opened; the same change again finds its work done. */
async function change(
  context: Context,
  siteId: string,
  version: number,
  action: string,
  values: Partial<SiteRow>,
): Promise<SiteRow> {
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const site = await getSite(context, siteId);
  await transact(db, async (transaction) => {
    const [changed] = await db.sites.update(
      { ...values, version: version + 1 },
      { where: { clubId, id: siteId, version }, transaction },
    );
    const same = Object.entries(values).every(
      ([key, value]) => JSON.stringify(site[key as keyof SiteRow]) === JSON.stringify(value),
    );
    if (changed === 0 && !same)
      throw new UseCaseError(
        'conflict',
        'Somebody changed this site meanwhile. Reload the page in another window and bring your changes over; they are still here.',
      );
    if (changed > 0) await audit(db, transaction, { clubId, actorId: userId, action, subjectId: siteId, at: now });
  });
  return getSite(context, siteId);
}

/** What was seen on a plant; it goes before any estimate. The same request twice notes it once. */
export async function addObservation(
  context: Context,
  siteId: string,
  observationId: string,
  input: unknown,
): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await getSite(context, siteId);
  parse(id('the observation'), observationId);
  const values = parse(observationInput, input, context.now);
  if (isAhead(values.seenOn, now))
    throw new UseCaseError('invalid', 'What will be seen is not seen yet: enter a day up to today.', {
      seenOn: 'Not in the future.',
    });
  try {
    await transact(db, async (transaction) => {
      await db.observations.create(
        { ...values, sign: values.sign, id: observationId, clubId, siteId, enteredBy: userId, withdrawn: false },
        { transaction },
      );
      await audit(db, transaction, { clubId, actorId: userId, action: 'sign seen', subjectId: observationId, at: now });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}

export async function withdrawObservation(context: Context, siteId: string, observationId: string): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const known = await db.observations.findOne({
      where: { clubId, siteId, id: observationId },
      transaction,
      raw: true,
    });
    if (!known) throw notFound('The observation');
    if (known.withdrawn) return;
    await db.observations.update({ withdrawn: true }, { where: { clubId, id: observationId }, transaction });
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: 'sign withdrawn',
      subjectId: observationId,
      at: now,
    });
  });
}

/** What was seen at a site and stands, newest first. */
export async function listObservations(context: Context, siteId: string): Promise<ObservationRow[]> {
  allow(context, 'viewer');
  const all = await context.db.observations.findAll({
    where: { clubId: context.actor.clubId, withdrawn: false },
    order: [
      ['seenOn', 'DESC'],
      ['id', 'DESC'],
    ],
    raw: true,
  });
  return all.filter((observation) => observation.siteId === siteId);
}
