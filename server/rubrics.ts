import { createHash } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import { methodById } from '@/core/methods/registry';
import type { Choices } from '@/core/methods/school';
import type { ScoringRule } from '@/core/scoring/judge-union';
import { editedRule } from '@/core/scoring/rubric-edits';
import type { RubricRow } from '@/db/models/rows';
import type { Context } from './context';

/** The rule a club scores a method by now: the method's own with what the club edited. */
export async function currentRule({ db, actor: { clubId } }: Context, method: string, schools: Choices, transaction?: Transaction): Promise<ScoringRule> {
  const edits = await db.rubricEdits.findOne({ where: { clubId, method }, transaction, raw: true });
  return editedRule(methodById(method), schools, edits?.body ?? {});
}

/** The rubric a club scores a method by: an immutable row, made when first used. */
export async function currentRubric(context: Context, method: string, schools: Choices, transaction?: Transaction): Promise<RubricRow> {
  const { db, actor: { clubId }, now } = context;
  const body = await currentRule(context, method, schools, transaction);
  const contentHash = createHash('sha256').update(JSON.stringify(body)).digest('hex');
  const where = { clubId, method, contentHash };
  const key = `${clubId} ${method} ${contentHash}`;
  const known = kept.get(key) ?? (await db.rubrics.findOne({ where, transaction, raw: true }));
  if (known) return transaction ? known : keep(key, known);
  await db.rubrics.bulkCreate([{ id: uuid(), ...where, body, createdAt: now }], { ignoreDuplicates: true, transaction });
  const made = (await db.rubrics.findOne({ where, transaction, raw: true }))!;
  // Not kept if it may still be rolled back.
  return transaction ? made : keep(key, made);
}

/** Rows never change, so those in use are kept; every judgement asks for one. */
const kept = new Map<string, RubricRow>();
function keep(key: string, row: RubricRow): RubricRow {
  if (kept.size >= 200) kept.clear();
  kept.set(key, row);
  return row;
}
