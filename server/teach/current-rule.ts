import { methodById } from '@/core/methods/registry';
import type { Choices } from '@/core/methods/school';
import type { ScoringRule } from '@/core/score/rubric/judge-union';
import { editedRule } from '@/core/score/rubric/rubric-edits';
import type { Context } from '@/server/platform/context';

/** The rule a club scores a method by now: the method's own with what the club edited. */
export async function currentRule(
  { db, actor: { clubId } }: Context,
  method: string,
  schools: Choices,
): Promise<ScoringRule> {
  const edits = await db.rubricEdits.findOne({ where: { clubId, method }, raw: true });
  return editedRule(methodById(method), schools, edits?.body ?? {});
}
