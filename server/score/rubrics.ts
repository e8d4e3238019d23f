import { createHash } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import type { Choices } from '@/core/methods/school';
import type { RubricRow } from '@/db/models/score-rows';
import type { Context } from '@/server/platform/context';
import { currentRule } from '@/server/teach/current-rule';

/** The rubric a club scores a method by: an immutable row, made when first used. */
export async function currentRubric(context: Context, method: string, schools: Choices): Promise<RubricRow> {
  const {
    db,
    actor: { clubId },
    now,
  } = context;
  const body = await currentRule(context, method, schools);
  const contentHash = createHash('sha256').update(JSON.stringify(body)).digest('hex');
  const where = { clubId, method, contentHash };
  const known = await db.rubrics.findOne({ where, raw: true });
  if (known) return known;
  await db.rubrics.bulkCreate([{ id: uuid(), ...where, body, createdAt: now }], { ignoreDuplicates: true });
  return (await db.rubrics.findOne({ where, raw: true }))!;
}
