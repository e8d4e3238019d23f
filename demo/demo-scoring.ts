import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { recalibrationSet } from '@/core/score/recalibration/recalibration-set';
import { aroundZero, seededRandom } from '@/core/chance/seeded-random';
import type { Measures } from '@/core/methods/measures';
import { methodById } from '@/core/methods/registry';
import { defaultRule, type Marks } from '@/core/score/rubric/judge-union';
import { addDays } from '@/core/units/iso-date';
import type { Actor, Context } from '@/server/platform/context';
import { addCutLook } from '@/server/score/cut-looks';
import { putJudgement } from '@/server/score/judgements';
import { addPhoto, putPhotoScale } from '@/server/score/photos';
import { answerRecalibration } from '@/server/score/recalibration';
import { closeSecondLooks } from '@/server/score/second-looks';
import { putScoringSettings, USUAL_SCORING } from '@/server/score/scoring-settings';

/** Share of the demo's practice unions that both assessors score. */
const BLIND_RATE = 0.3;

/** Two assessors who compare themselves: what the guild set before the day. */
export async function demoSettings(context: Context, workshopId: string): Promise<void> {
  await putScoringSettings(context, workshopId, {
    ...USUAL_SCORING,
    blindRate: BLIND_RATE,
    wall: 'names',
    changeId: uuid(),
    version: 0,
  });
}

/**
 * The second assessor goes round: near the first one's figures, stricter on hold, and milder as the
 * day wears on. What is left over is given up in the evening.
 */
export async function demoSecondLooks(
  as: (actor: Actor, now: Date) => Context,
  lead: Actor,
  assistant: Actor,
  workshopId: string,
): Promise<void> {
  const { db } = as(lead, new Date(0));
  const unions = await db.unions.findAll({
    where: { workshopId, kind: 'practice', secondWanted: true },
    order: [['id', 'ASC']],
    raw: true,
  });
  const random = seededRandom(417);
  for (const [i, union] of unions.entries()) {
    // Two of them nobody got round to.
    if (i >= unions.length - 2) continue;
    const first = (await db.judgements.findOne({ where: { unionId: union.id }, raw: true }))!;
    const at = new Date(first.madeAt.getTime() + 9 * 60_000);
    const marks: Marks = { ...first.marks };
    if (!marks.hold && random() < 0.35) marks.hold = 'poor';
    else if (marks.tongue && random() < 0.4) delete marks.tongue;
    await putJudgement(as(first.assessorId === lead.userId ? assistant : lead, at), uuid(), {
      workshopId,
      seatId: union.seatId,
      number: union.number,
      stage: 'joined',
      measures: nearly(first.measures, random),
      marks,
      note: '',
      deviceAt: at,
      second: true,
      seconds: 20 + Math.round(random() * 20),
    });
  }
  const [day] = await db.workshops.findAll({ where: { id: workshopId }, raw: true });
  await closeSecondLooks(as(lead, new Date(`${day!.date}T16:30:00Z`)), workshopId);
}

/** Another pair of hands on the same caliper. */
function nearly(measures: Measures, random: () => number): Measures {
  return Object.fromEntries(
    Object.entries(measures).map(([id, measure]) =>
      'pick' in measure || measure.origin !== 'measured' || !/Diameter|Length/.test(id)
        ? [id, measure]
        : [id, { ...measure, value: Math.round((measure.value + 0.15 * aroundZero(random)) * 10) / 10 }],
    ),
  );
}

/** Both assessors on one drawn set; a union with a picture; two that were cut open three weeks later. */
export async function demoAfterTheDay(
  as: (actor: Actor, now: Date) => Context,
  lead: Actor,
  assistant: Actor,
  workshopId: string,
  methodId: string,
  date: string,
): Promise<void> {
  const evening = new Date(`${date}T17:00:00Z`);
  const method = methodById(methodId);
  const random = seededRandom(91);
  for (const [nth, { truth }] of recalibrationSet(method, defaultRule(method), 1).entries()) {
    for (const actor of [lead, assistant]) {
      // Mostly right; now and then a poor one passes as good.
      const marks: Marks = Object.fromEntries(
        Object.entries(truth).flatMap(([point, grade]) => (grade === 'good' || random() < 0.2 ? [] : [[point, grade]])),
      );
      await answerRecalibration(as(actor, evening), uuid(), { workshopId, method: methodId, seed: 1, nth, marks });
    }
  }
  const context = as(lead, evening);
  const practised = await context.db.unionFacts.findAll({
    where: { workshopId, kind: 'practice' },
    order: [
      ['contact', 'DESC'],
      ['unionId', 'ASC'],
    ],
    raw: true,
  });
  const [best, middle] = [practised[0]!, practised[Math.floor(practised.length * 0.8)]!];
  const later = as(lead, new Date(`${addDays(date, 20)}T15:00:00Z`));
  await addCutLook(later, best.unionId, uuid(), {
    callus: 'ring',
    contactSeen: 90,
    lookedOn: addDays(date, 20),
    note: 'white callus all the way down',
  });
  await addCutLook(later, middle.unionId, uuid(), {
    callus: 'parts',
    contactSeen: Math.round(middle.contact! * 100) + 9,
    lookedOn: addDays(date, 20),
    note: '',
  });
  const photo = uuid();
  await addPhoto(context, middle.unionId, photo, await drawnPhoto());
  await putPhotoScale(context, photo, {
    version: 0,
    scale: {
      kind: 'ruler',
      points: [
        { x: 200, y: 828 },
        { x: 1000, y: 828 },
      ],
      size: 40,
    },
  });
}

/** Stands in for a camera: a face beside a ruler, 20 pixels a millimetre, drawn and saying so. */
export async function drawnPhoto(): Promise<Buffer> {
  const ticks = Array.from(
    { length: 56 },
    (_, i) =>
      `<path d="M${120 + i * 20} 800v${i % 10 === 4 ? 44 : i % 5 === 4 ? 34 : 22}" stroke="#222" stroke-width="2"/>`,
  ).join('');
  return sharp(
    Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="1280" height="960">
    <rect width="1280" height="960" fill="#6f6a5f"/><rect x="0" y="0" width="1280" height="960" fill="url(#grain)"/>
    <defs><pattern id="grain" width="90" height="14" patternUnits="userSpaceOnUse"><path d="M0 7C30 3 60 11 90 7" stroke="#5f5a50" fill="none"/></pattern></defs>
    <path d="M180 520C250 400 700 330 1010 330C1045 330 1050 520 1010 520C700 520 420 540 180 520Z" fill="#8a6a45"/>
    <path d="M214 512C290 420 700 352 990 350C1012 350 1016 500 990 502C700 500 440 528 214 512Z" fill="#e9dcb8" stroke="#3f8a4f" stroke-width="6"/>
    <path d="M330 486C540 420 760 420 960 424" stroke="#cbb98c" stroke-width="14" fill="none"/>
    <rect x="100" y="800" width="1160" height="90" fill="#f3efe2" stroke="#222"/>${ticks}
    <text x="200" y="878" font-size="26" font-family="sans-serif" text-anchor="middle">0</text><text x="1000" y="878" font-size="26" font-family="sans-serif" text-anchor="middle">40 mm</text>
    <text x="40" y="60" font-size="30" font-family="sans-serif" fill="#f3efe2">Simulated picture: drawn for the demo</text></svg>`),
  )
    .jpeg({ quality: 88 })
    .toBuffer();
}
