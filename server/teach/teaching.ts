import { daySchools } from '@/server/plan/taught';
import { boolean, object, string } from 'yup';
import { shownTechnique } from '@/core/methods/shown-technique';
import type { TeachingState } from '@/core/teach/teaching-state';
import type { TeachingStateRow } from '@/db/models/teach-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { id, decimal } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { taughtMethods } from '@/server/plan/planned-methods';
import { getWorkshop } from '@/server/plan/workshops';

const stateInput = object({
  changeId: id('the change'),
  step: decimal().integer().min(0).max(60).required('Choose the step.'),
  panel: string()
    .oneOf(['right', 'both'] as const)
    .required('Choose the panel.'),
  blank: boolean().strict().required('Say whether the screen is blank.'),
  briefing: boolean().strict().default(false),
  /** Seconds to run down from now, 0 to stop, null to leave it as it is. */
  timer: decimal()
    .integer('Enter whole seconds.')
    .min(0, 'A run-down cannot be shorter than 0.')
    .max(3600, 'A run-down of more than an hour is no run-down.')
    .nullable()
    .default(null),
});

/** The state of a workshop's projector; the first step until somebody changed it. */
export async function teachingState(context: Context, workshopId: string): Promise<TeachingState> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const row = await db.teachingStates.findOne({ where: { clubId, workshopId }, raw: true });
  return row
    ? plain(row, context.now)
    : { seq: 0, step: 0, panel: 'right', blank: false, briefing: false, timer: null };
}

function plain(row: TeachingStateRow, now: Date): TeachingState {
  const left = row.timerEndsAt ? row.timerEndsAt.getTime() - now.getTime() : 0;
  return {
    seq: Number(row.seq),
    step: row.step,
    panel: row.panel,
    blank: row.blank,
    briefing: row.briefing,
    // A run-down that is over stays for a minute, so that everybody sees it.
    timer: row.timerSeconds !== null && left > -60_000 ? { seconds: row.timerSeconds, left } : null,
  };
}

/** Sets what the projector shows. The same change sent twice is made once; the last change stands. */
export async function putTeachingState(context: Context, workshopId: string, input: unknown): Promise<TeachingState> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId },
    now,
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const values = parse(stateInput, input);
  const taught = await taughtMethods(context, workshop);
  const schools = await daySchools(context, workshop);
  const steps = taught.map((method) => shownTechnique(method, schools).steps.length);
  const last = steps.reduce((sum, count) => sum + count, 0) - 1;
  const shown = {
    step: Math.min(values.step, last),
    panel: values.panel,
    blank: values.blank,
    briefing: values.briefing,
    changeId: values.changeId,
    changedAt: now,
  };
  const timer =
    values.timer === null
      ? {}
      : values.timer === 0
        ? { timerSeconds: null, timerEndsAt: null }
        : { timerSeconds: values.timer, timerEndsAt: new Date(now.getTime() + values.timer * 1000) };
  const write = (): Promise<void> =>
    transact(db, async (transaction) => {
      // Written below, its turn with it: on a cluster, too, the slower of two changes begins again.
      const row = await db.teachingStates.findOne({
        where: { clubId, workshopId },
        transaction,
        lock: transaction.LOCK.UPDATE,
        raw: true,
      });
      if (row?.changeId === values.changeId) return;
      if (row)
        await db.teachingStates.update(
          { ...shown, ...timer, seq: Number(row.seq) + 1 },
          { where: { clubId, workshopId }, transaction },
        );
      else
        await db.teachingStates.create(
          { clubId, workshopId, seq: 1, timerSeconds: null, timerEndsAt: null, ...shown, ...timer },
          { transaction },
        );
    });
  try {
    await write();
  } catch (error) {
    // Two first changes at once: the other one made the row.
    if (!isDuplicate(error)) throw error;
    await write();
  }
  return teachingState(context, workshopId);
}
