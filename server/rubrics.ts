import { createHash } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import { methodById } from '@/core/methods/registry';
import type { Choices } from '@/core/methods/school';
import { defaultRule, type ScoringRule } from '@/core/scoring/judge-union';
import type { RubricRow } from '@/db/models/rows';
import type { Context } from './context';

/** The rubric a club scores a method by: an immutable row, made from the method's own rule when first used. */
export async function currentRubric(context: Context, method: string, schools: Choices, transaction?: Transaction): Promise<RubricRow> {
  const { db, actor: { clubId }, now } = context;
  const body: ScoringRule = defaultRule(methodById(method), schools);
  const contentHash = createHash('sha256').update(JSON.stringify(body)).digest('hex');
  const where = { clubId, method, contentHash };
  const known = await db.rubrics.findOne({ where, transaction, raw: true });
  if (known) return known;
  await db.rubrics.bulkCreate([{ id: uuid(), ...where, body, createdAt: now }], { ignoreDuplicates: true, transaction });
  return (await db.rubrics.findOne({ where, transaction, raw: true }))!;
}
