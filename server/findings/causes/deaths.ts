import { causeGroup } from '@/core/findings/causes/cause-group';
import { causeWords, deathOf, deathProblem } from '@/core/findings/causes/death-of';
import type { DeathView, EvidenceView, SettledView } from '@/core/findings/causes/death-view';
import { tieLeftOn } from '@/core/findings/causes/evidence/care-evidence';
import type { FactsOfUnion, Gathered } from '@/core/findings/causes/evidence/facts-of-union';
import { recordedEvidence } from '@/core/findings/causes/evidence/union-evidence';
import { countedLevels, type CountedLevels, sharedEvidence } from '@/core/findings/shared/shared-evidence';
import { type KnownFate, type LevelCounts, levelCounts } from '@/core/findings/shared/shared-factors';
import { madeWords } from '@/core/methods/made-words';
import { formatCode } from '@/core/codes/plant-code';
import { groupedBy } from '@/core/units/grouped-by';
import { formatDate } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import { UNSET } from '@/db/unset';
import { livingUnions, type WhichUnions } from '@/server/aftercare/living-unions';
import type { LivingUnion } from '@/server/aftercare/living-union';
import { type UnionWithPlan, unionPlans } from '@/server/aftercare/union-plans';
import { remembered } from '@/server/club/remembered';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { clubTables, type ClubTables } from './club-tables';
import { factsOfUnions } from './facts-of-unions';
import { keptTasks } from './kept-tasks';
import { type FateRow, fateRows, knownFates } from './known-fates';

/** Deaths of a club or workshop with why, and the fates they were compared with. */
export interface Deaths {
  tables: ClubTables;
  fates: KnownFate[];
  counts: LevelCounts[];
  deaths: DeathView[];
  /** All keepers, those of unknown fate too. */
  living: LivingUnion[];
  /** When each was first judged. */
  judgedAt: ReadonlyMap<string, Date>;
}

/**
 * Why unions died: of the club, a workshop or some plants. What deaths share is always counted within whole workshops.
 *
 * @param workshopId the workshop of the plants asked for; null for all of the club
 */
export async function deathsOf(
  context: Context,
  workshopId: string | null,
  wanted: (unionId: string) => boolean = () => true,
): Promise<Deaths> {
  allow(context, 'viewer');
  if (!context.looking) return makeDeaths(context, workshopId, wanted);
  // Pages that look ask for all of them in turn, each for a part.
  const all = await remembered(context, 'deaths', workshopId, (look) => makeDeaths(look, workshopId, () => true));
  return { ...all, deaths: all.deaths.filter(({ unionId }) => wanted(unionId)) };
}

async function makeDeaths(
  context: Context,
  workshopId: string | null,
  wanted: (unionId: string) => boolean,
): Promise<Deaths> {
  const which: WhichUnions = workshopId ? { workshopId } : {};
  const [living, rows, tables] = await Promise.all([
    livingUnions(context, which),
    fateRows(context, workshopId),
    clubTables(context),
  ]);
  const rowOf = new Map(rows.map((row) => [row.unionId, row]));
  const known = living.filter(({ union }) => rowOf.has(union.id));
  const plans = await unionPlans(context, known);
  const keptOf = keptTasks(living);
  const overdue = new Set(plans.filter((plan) => hasOverdueTie(plan, keptOf)).map(({ union }) => union.id));
  const fates = await knownFates(context, rows, overdue);
  const counts = levelCounts(fates);
  const dead = plans.filter(({ union }) => rowOf.get(union.id)!.firstDeadOn !== null && wanted(union.id));
  const [facts, told] = await Promise.all([
    factsOfUnions(context, dead, living, keptOf),
    toldOf(context, dead, tables),
  ]);
  const byWorkshop = countsByWorkshop(fates, workshopId === null ? null : counts);
  const placeOf = new Map(fates.map(({ unionId }, at) => [unionId, at]));
  const deaths = dead.map((plan) => {
    const { union } = plan;
    const own = byWorkshop.get(union.workshopId)!;
    const at = own.placeOf.get(union.id) ?? placeOf.get(union.id)!;
    return deathView(plan, {
      tables,
      facts: facts.get(union.id)!,
      shared: sharedEvidence(own.fates, own.counted, at),
      row: rowOf.get(union.id)!,
      told,
    });
  });
  return {
    tables,
    fates,
    counts,
    deaths,
    living: living.filter(({ union, facts }) => union.kind === 'keeper' && facts !== null && !facts.voided),
    judgedAt: new Map(rows.flatMap(({ unionId, judgedAt }) => (judgedAt ? [[unionId, judgedAt] as const] : []))),
  };
}

/** A tie counts as left on for whoever lives as well, up to today. */
function hasOverdueTie({ union, ties, facts, today }: UnionWithPlan, keptOf: ReturnType<typeof keptTasks>): boolean {
  return tieLeftOn({ ties, deadOn: facts?.firstDeadOn ?? today, kept: keptOf.get(union.workshopId)! }) !== null;
}

interface WorkshopCounts {
  fates: readonly KnownFate[];
  counted: CountedLevels;
  placeOf: ReadonlyMap<string, number>;
}

/** What is evidence is counted within a workshop, also where a page counts over the years. */
function countsByWorkshop(
  fates: readonly KnownFate[],
  ofOne: readonly LevelCounts[] | null,
): Map<string, WorkshopCounts> {
  const groups = groupedBy(fates, ({ workshopId }) => workshopId);
  return new Map(
    [...groups].map(([workshop, own]) => [
      workshop,
      {
        fates: own,
        counted: countedLevels(ofOne ?? levelCounts(own)),
        placeOf: new Map(own.map(({ unionId }, at) => [unionId, at])),
      },
    ]),
  );
}

interface Told {
  looks: ReadonlyMap<string, (Gathered & { lookId: string })[]>;
  struck: ReadonlyMap<string, EvidenceView['struck']>;
  settled: ReadonlyMap<string, Omit<SettledView, 'on'> & { at: Date }>;
  makers: ReadonlyMap<string, string>;
}

/** What people saw, struck out and settled of some deaths. */
async function toldOf(
  { db, actor: { clubId } }: Context,
  dead: readonly UnionWithPlan[],
  { model }: ClubTables,
): Promise<Told> {
  const unionId = dead.map(({ union }) => union.id);
  const [looks, strikes, settled, people, memberships] = await Promise.all([
    db.causeLooks.findAll({ where: { clubId, takenBackAt: UNSET }, order: [['seq', 'ASC']], raw: true }),
    db.struckEvidence.findAll({ where: { clubId, restoredAt: UNSET }, raw: true }),
    db.settledCauses.findAll({ where: { clubId, withdrawnAt: UNSET }, raw: true }),
    db.people.findAll({ where: { clubId }, attributes: ['id', 'name'], raw: true }),
    db.memberships.findAll({ where: { clubId }, raw: true }),
  ]);
  const users = await db.users.findAll({
    where: { id: memberships.map(({ userId }) => userId) },
    attributes: ['id', 'name'],
    raw: true,
  });
  const nameOf = (id: string): string => users.find((user) => user.id === id)?.name ?? 'a former member';
  const wanted = new Set(unionId);
  const questionOf = new Map(
    model.questions.flatMap(({ question, answers }) => answers.map(({ code }) => [code, question] as const)),
  );
  const lastAnswers = new Map<string, (Gathered & { lookId: string; question: string })[]>();
  for (const { id, unionId: about, code, seenOn, seenBy, note } of looks) {
    if (!wanted.has(about)) continue;
    const question = questionOf.get(code) ?? code;
    const from = `Seen by ${nameOf(seenBy)}, ${formatDate(seenOn)}${note === '' ? '' : `: ${note}`}`;
    const others = (lastAnswers.get(about) ?? []).filter((answer) => answer.question !== question);
    lastAnswers.set(about, [...others, { code, from, lookId: id, question }]);
  }
  return {
    looks: lastAnswers,
    struck: new Map(
      strikes.map(({ id, unionId: about, code, reason, struckBy }) => [
        `${about} ${code}`,
        { id, reason, by: nameOf(struckBy) },
      ]),
    ),
    settled: new Map(
      settled.map(({ id, unionId: about, cause, reason, computed, settledBy, settledAt }) => [
        about,
        {
          id,
          cause,
          words: causeWords(model, cause),
          reason,
          by: nameOf(settledBy),
          at: settledAt,
          computed: causeWords(model, computed.verdict ?? ''),
        },
      ]),
    ),
    makers: new Map(people.map(({ id, name }) => [id, name ?? ERASED_NAME])),
  };
}

interface Known {
  tables: ClubTables;
  facts: FactsOfUnion;
  shared: Gathered[];
  row: FateRow;
  told: Told;
}

function deathView({ union, wood, stock, plant, site, href }: UnionWithPlan, known: Known): DeathView {
  const { tables, facts, shared, row, told } = known;
  const { model } = tables;
  const group = causeGroup(union);
  const looks = told.looks.get(union.id) ?? [];
  const problem = deathProblem({ madeOn: union.madeOn, deadOn: row.firstDeadOn! });
  const gathered: (Gathered & { lookId?: string })[] = [...looks, ...recordedEvidence(facts), ...shared];
  const seen = new Set<string>();
  const evidence = gathered.flatMap(({ code, from, lookId = undefined }): EvidenceView[] => {
    const entry = model.evidence.get(code);
    if (!entry || seen.has(code)) return [];
    seen.add(code);
    const struck = told.struck.get(`${union.id} ${code}`) ?? null;
    return [{ code, from, words: entry.words, kind: entry.kind, lookId: lookId ?? null, struck }];
  });
  const { signsSayDead: mayCut } = facts;
  const settled = told.settled.get(union.id);
  return {
    unionId: union.id,
    workshopId: union.workshopId,
    called: formatCode(plant.code),
    href,
    variety: wood.variety,
    stock: stock.stockType,
    method: madeWords(union),
    maker: told.makers.get(row.makerId) ?? ERASED_NAME,
    madeOn: union.madeOn,
    deadOn: row.firstDeadOn!,
    group,
    mayCut,
    ...(problem === ''
      ? deathOf(model, { group, evidence, mayCut })
      : { verdict: null, likely: [], contradictions: [], ask: [] }),
    evidence,
    settled: settled ? { ...settled, on: dateInZone(settled.at, site.timeZone) } : null,
    problem,
  };
}
