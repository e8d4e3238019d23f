import { daySchools } from '@/server/plan/taught';
import { createHash } from 'node:crypto';
import { object, string } from 'yup';
import { type BriefingText, briefingText, irritates } from '@/core/teach/briefing/briefing-text';
import { shownTechnique } from '@/core/methods/shown-technique';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { workshopLots } from '@/server/plan/lots';
import { parse } from '@/server/platform/parse';
import { listSeats } from '@/server/plan/seats';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { taughtMethods } from '@/server/plan/planned-methods';
import { getWorkshop } from '@/server/plan/workshops';
import { briefingInput } from '@/core/teach/briefing/briefing-input';

export interface Briefing {
  text: BriefingText;
  /** What the text is known by: an acknowledgement names the one that was read out. */
  contentHash: string;
  sap: boolean;
  /** When each person acknowledged, and whether it was this text; by person. */
  acknowledged: Map<string, { at: Date; current: boolean }>;
}

/** The safety briefing of a workshop, made from its method, school, materials and wood, with who has acknowledged it. */
export async function workshopBriefing(context: Context, workshopId: string): Promise<Briefing> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const [row, lots, known] = await Promise.all([
    db.briefings.findOne({ where: { clubId, workshopId }, raw: true }),
    workshopLots(context, workshopId),
    db.acknowledgements.findAll({ where: { clubId, workshopId }, raw: true }),
  ]);
  const taught = await taughtMethods(context, workshop);
  const schools = await daySchools(context, workshop);
  const techniques = taught.map((method) => shownTechnique(method, schools));
  const sap = (row?.sap ?? false) || irritates([...lots.wood, ...lots.stocks].map(({ species }) => species));
  // Whatever of the day's methods can hurt somebody is said before the first cut of any.
  const work = {
    steps: techniques.flatMap(({ steps }) => steps),
    materials: techniques.flatMap(({ materials }) => materials),
  };
  const tools = techniques.flatMap((technique) => technique.tools);
  const text = briefingText(work, tools, {
    firstAid: row?.firstAid ?? '',
    kit: row?.kit ?? '',
    localRules: row?.localRules ?? '',
    sap,
  });
  const contentHash = createHash('sha256').update(JSON.stringify(text)).digest('hex');
  return {
    text,
    contentHash,
    sap,
    acknowledged: new Map(
      known.map((acknowledgement) => [
        acknowledgement.personId,
        { at: acknowledgement.acknowledgedAt, current: acknowledgement.contentHash === contentHash },
      ]),
    ),
  };
}

/** Who has acknowledged the briefing as it reads now, by person. */
export async function heardBriefing(context: Context, workshopId: string): Promise<Set<string>> {
  const { acknowledged } = await workshopBriefing(context, workshopId);
  return new Set([...acknowledged].filter(([, { current }]) => current).map(([personId]) => personId));
}

/** Sets what the instructor adds to the briefing. */
export async function putBriefing(context: Context, workshopId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await getWorkshop(context, workshopId);
  const briefing = { ...parse(briefingInput, input), changedAt: now };
  await transact(db, async (transaction) => {
    await db.briefings.bulkCreate([{ clubId, workshopId, ...briefing }], {
      updateOnDuplicate: ['firstAid', 'kit', 'localRules', 'sap', 'changedAt'],
      transaction,
    });
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: 'briefing changed',
      subjectId: workshopId,
      at: now,
    });
  });
}

const acknowledgementInput = object({
  contentHash: string()
    .required('Reload the page and read the briefing again.')
    .matches(/^[0-9a-f]{64}$/, 'Reload the page and read the briefing again.'),
});

/** Records that a person acknowledged the briefing that was read out. Saying so twice is saying so once. */
export async function acknowledge(
  context: Context,
  workshopId: string,
  personId: string,
  input: unknown,
): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { contentHash } = parse(acknowledgementInput, input);
  const briefing = await workshopBriefing(context, workshopId);
  if (briefing.contentHash !== contentHash)
    throw new UseCaseError(
      'conflict',
      'The briefing was changed meanwhile. Reload, read out what is new, and record it then.',
    );
  if (!(await listSeats(context, workshopId)).some(({ person }) => person.id === personId))
    throw notFound('The person');
  if (briefing.acknowledged.get(personId)?.current) return;
  const row = { clubId, workshopId, personId, contentHash, acknowledgedAt: now, recordedBy: userId };
  try {
    await transact(db, async (transaction) => {
      await db.acknowledgements.bulkCreate([row], {
        updateOnDuplicate: ['contentHash', 'acknowledgedAt', 'recordedBy'],
        transaction,
      });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'briefing acknowledged',
        subjectId: personId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}

/** Takes back an acknowledgement that was recorded by mistake. */
export async function withdrawAcknowledgement(context: Context, workshopId: string, personId: string): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const gone = await db.acknowledgements.destroy({ where: { clubId, workshopId, personId }, transaction });
    if (gone > 0)
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'acknowledgement taken back',
        subjectId: personId,
        at: now,
      });
  });
}
