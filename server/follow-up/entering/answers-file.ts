import { v5 as nameBased } from 'uuid';
import type { FileAnswer, FilePreview } from '@/core/follow-up/entering/file-preview';
import { id } from '@/core/inputs/fields';
import type { AnswerLine } from '@/exchange/answers-csv';
import { UNSET } from '@/db/unset';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { parse } from '@/server/platform/parse';
import { readSentFile } from '@/server/jobs/run-job';
import { UseCaseError } from '@/server/platform/use-case-error';
import { type AskedUnion, askedUnions } from '../asks/asked-unions';
import { keepAnswers, roundToAnswer, type SentAnswer } from '../reports';

/** Answers that are kept in one transaction. */
const AT_ONCE = 100;

/** A line with the union it is about, or what speaks against it. */
interface CheckedLine {
  line: AnswerLine;
  asked: AskedUnion | null;
  problem: string;
}

/** What a file of answers would do, line by line; nothing is kept yet. */
export async function previewAnswers(context: Context, bytes: Uint8Array): Promise<FilePreview> {
  allow(context, 'assistant');
  const { checked, notes } = await checkFile(context, bytes);
  const rows = checked.map(({ line, asked, problem }): FileAnswer => ({
    line: line.line,
    code: line.code,
    variety: asked?.wood.variety ?? '',
    grower: asked ? (asked.person.name ?? ERASED_NAME) : '',
    said: line.said,
    seenOn: line.seenOn,
    growthMm: line.growthMm,
    note: line.note,
    problem,
  }));
  return { rows, notes, good: rows.filter(({ problem }) => problem === '').length };
}

/**
 * Keeps the answers of a file whose lines are without fault; the others are left out. The same import again keeps nothing
 * twice.
 *
 * @param importId made in the browser for this file
 */
export async function importAnswers(
  context: Context,
  importId: string,
  bytes: Uint8Array,
): Promise<{ kept: number; left: number }> {
  allow(context, 'assistant');
  parse(id('the file'), importId);
  const { checked } = await checkFile(context, bytes);
  const good = checked.filter(({ problem }) => problem === '');
  if (good.length === 0)
    throw new UseCaseError(
      'invalid',
      'No line of this file can be kept; the reasons stand beside them. Mend the file.',
    );
  const sent = good.map(({ line, asked }): SentAnswer => ({
    asked: asked!,
    answer: {
      unionId: asked!.union.id,
      signs: {},
      said: line.said!,
      snapped: false,
      growth: line.growthMm === null ? '' : String(line.growthMm),
      growthUnit: 'mm',
      seenOn: line.seenOn,
      note: line.note,
    },
    arrival: {
      reportId: nameBased(`${line.code} ${line.line}`, importId),
      source: 'file',
      enteredBy: context.actor.userId,
      cameOn: null,
    },
  }));
  for (let i = 0; i < sent.length; i += AT_ONCE) await keepAnswers(context, sent.slice(i, i + AT_ONCE));
  return { kept: good.length, left: checked.length - good.length };
}

async function checkFile(
  context: Context,
  bytes: Uint8Array,
): Promise<{ checked: CheckedLine[]; notes: readonly string[] }> {
  const read = await readSentFile('read answers', bytes, context.actor.lengthUnit);
  if ('problem' in read) throw new UseCaseError('invalid', read.problem);
  const { db, actor } = context;
  const codes = [...new Set(read.lines.map(({ code }) => code))];
  const plants = await db.plants.findAll({
    where: { clubId: actor.clubId, code: codes, voidedAt: UNSET },
    attributes: ['id'],
    raw: true,
  });
  const asked =
    plants.length === 0 ? [] : await askedUnions(context, { plantIds: plants.map(({ id: plantId }) => plantId) });
  const linesOf = new Map<string, number[]>();
  for (const { code, line } of read.lines) linesOf.set(code, [...(linesOf.get(code) ?? []), line]);
  const checked = read.lines.map((line): CheckedLine => {
    const own = asked.filter(({ plant }) => plant.code === line.code);
    const union = own.length === 1 ? own[0]! : null;
    return { line, asked: union, problem: line.problem || problemOf(line, own, linesOf.get(line.code)!) };
  });
  return { checked, notes: read.notes };
}

function problemOf(line: AnswerLine, own: readonly AskedUnion[], lines: readonly number[]): string {
  if (own.length === 0) return 'No plant of this club has this code.';
  if (lines.length > 1)
    return `The plant is told of in lines ${lines.join(' and ')}; keep the one that is right and take the others out.`;
  if (own.length > 1) return 'Several unions sit on this plant, and a code alone tells none of them. Enter it by hand.';
  const [asked] = own as [AskedUnion];
  if (!roundToAnswer(asked)) return 'Nothing can be told of it yet: its first round has not begun.';
  if (line.seenOn > asked.today) return 'The day is still to come.';
  if (line.seenOn !== '' && line.seenOn < asked.union.madeOn) return 'The day is before the plant was grafted.';
  return '';
}
