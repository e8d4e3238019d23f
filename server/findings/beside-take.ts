import { QueryTypes } from 'sequelize';
import { takeRate, type TakeRate } from '@/core/findings/take/take-rate';
import type { Milestone } from '@/core/methods/milestones';
import { methodById } from '@/core/methods/registry';
import { OUTLOOKS, type Outlook, type OutlookBy } from '@/core/score/rubric/outlook';
import { USUAL_READY_RULE } from '@/core/score/readiness/ready-rule';
import type { Context } from '@/server/platform/context';
import { getWorkshop } from '@/server/plan/workshops';

/** How a keeper was judged: to the line of readiness or below it; null for one that nobody judged. */
type JudgedAs = 'good' | 'below' | null;

interface Row {
  method: string;
  outlook: Outlook | null;
  outlookBy: OutlookBy | null;
  judged: JudgedAs;
  keepers: number;
  alive: number;
  dead: number;
}

/** Keepers that have something in common, and their take. */
export interface TakeOfSome {
  name: string;
  take: TakeRate;
}

/** What was seen of keepers on the day, beside what became of them. */
export interface BesideTake {
  judged: TakeOfSome[];
  foretold: TakeOfSome[];
  /** Where the day had several methods; else empty. */
  methods: TakeOfSome[];
}

/** The take of a workshop's keepers at a milestone by how they were judged, what was foretold of them, and their method. */
export async function besideTake(context: Context, workshopId: string, milestone: Milestone): Promise<BesideTake> {
  await getWorkshop(context, workshopId);
  const counted = await context.db.sequelize.query<Row>(
    `SELECT method, outlook, outlook_by AS outlookBy,
       CASE WHEN score IS NULL THEN NULL WHEN fatal = 1 OR score < :line THEN 'below' ELSE 'good' END AS judged,
       COUNT(*) AS keepers, SUM(${milestone} = 'alive') AS alive, SUM(${milestone} = 'dead') AS dead
     FROM union_facts WHERE club_id = :clubId AND workshop_id = :workshopId AND kind = 'keeper' AND voided = 0
     GROUP BY method, outlook, outlook_by, judged`,
    {
      replacements: { clubId: context.actor.clubId, workshopId, line: USUAL_READY_RULE.score },
      type: QueryTypes.SELECT,
    },
  );
  const some = (name: string, rows: readonly Row[]): TakeOfSome[] => {
    const sum = (column: 'keepers' | 'alive' | 'dead'): number =>
      // SUM arrives as a decimal in text.
      rows.reduce((total, row) => total + Number(row[column]), 0);
    if (rows.length === 0) return [];
    return [{ name, take: takeRate({ handedOver: sum('keepers'), alive: sum('alive'), dead: sum('dead') }) }];
  };
  const by = (is: (row: Row) => boolean): Row[] => counted.filter(is);
  const methods = [...new Set(counted.map(({ method }) => method))];
  const line = USUAL_READY_RULE.score;
  return {
    judged: [
      ...some(
        `Judged ${line} or more, nothing fatal`,
        by(({ judged }) => judged === 'good'),
      ),
      ...some(
        `Judged below ${line}, or fatal`,
        by(({ judged }) => judged === 'below'),
      ),
      ...some(
        'Not judged',
        by(({ judged }) => judged === null),
      ),
    ],
    foretold: [
      ...(['assessor', 'maker'] as const).flatMap((teller) =>
        OUTLOOKS.flatMap((said) =>
          some(
            `“${said}”, said the ${teller}`,
            by(({ outlook, outlookBy }) => outlook === said && outlookBy === teller),
          ),
        ),
      ),
    ],
    methods:
      methods.length < 2
        ? []
        : methods.flatMap((id) =>
            some(
              methodById(id).name,
              by((row) => row.method === id),
            ),
          ),
  };
}
