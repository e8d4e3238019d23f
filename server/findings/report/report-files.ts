import { printJob } from '@/server/jobs/run-job';
import type { ReportTable } from '@/core/findings/report/club-report';
import { paperInput } from '@/core/inputs/fields';
import { writeCsv } from '@/exchange/csv-table';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound } from '@/server/platform/use-case-error';
import { causesCounted } from '@/core/findings/shared/fate-board';
import { type Scope, scopeOf } from '@/server/findings/boards/scope';
import { takeOfScope } from '@/server/findings/boards/take-board';
import { clubFates } from '@/server/findings/causes/fate-board';
import { comparedOf, pointsOfFacts } from '@/server/findings/models/model-view';
import { reckonedWhole } from '@/server/findings/models/reckoned';
import { clubReport } from './club-report';
import { growersLetters } from './growers-letters';

export interface ReportFile {
  bytes: Buffer | string;
  type: string;
}

/** A file of a report: its pages, the poster, the letters to growers, or one of its tables. */
export async function reportFile(context: Context, name: string, input: Record<string, string>): Promise<ReportFile> {
  allow(context, name === 'letters.pdf' ? 'assistant' : 'viewer');
  const { paper, ...filter } = input;
  if (name === 'letters.pdf') {
    const letters = await growersLetters(context, filter);
    return {
      bytes: await printJob('print letters', letters, parse(paperInput, { paper }).paper),
      type: 'application/pdf',
    };
  }
  const table = Object.keys(TABLES).find((each) => name === `${each}.csv`) as ReportTable | undefined;
  if (!table && name !== 'report.pdf' && name !== 'poster.pdf') throw notFound('This file');
  if (table) {
    const scope = await scopeOf(context, filter);
    return { bytes: await TABLES[table](context, scope), type: 'text/csv; charset=utf-8' };
  }
  const report = await clubReport(context, filter);
  if (name === 'poster.pdf') return { bytes: await printJob('print poster', report), type: 'application/pdf' };
  return { bytes: await printJob('print report', report, parse(paperInput, { paper }).paper), type: 'application/pdf' };
}

/** Each works out its own part of the report and no other. */
const TABLES: Record<ReportTable, (context: Context, scope: Scope) => Promise<string>> = {
  take: async (context, scope) => {
    const take = await takeOfScope(context, scope);
    return writeCsv(
      ['of', 'keepers', 'alive', 'dead', 'unknown', 'rate', 'low', 'high', 'bound_low', 'bound_high'],
      [
        ...take.milestones.map((row) => ({ name: row.milestone as string, row })),
        { name: 'union, when last asked', row: take.unions },
        { name: 'plant, when last asked', row: take.plants },
        ...(take.varieties ? [{ name: 'variety, when last asked', row: take.varieties }] : []),
      ].map(({ name, row }) => ({
        ['of']: name,
        keepers: row.handedOver,
        alive: row.alive,
        dead: row.dead,
        unknown: row.unknown,
        rate: row.rate,
        low: row.interval?.low ?? null,
        high: row.interval?.high ?? null,
        bound_low: row.bounds?.low ?? null,
        bound_high: row.bounds?.high ?? null,
      })),
    );
  },
  workshops: async (context, scope) => {
    const { runs } = await takeOfScope(context, scope);
    return writeCsv(
      ['method', 'date', 'workshop', 'known', 'alive', 'rate', 'centre', 'lower', 'upper'],
      runs.flatMap(({ method, run }) =>
        run.map(({ date, title, n, alive, point }) => ({ method, date, workshop: title, known: n, alive, ...point })),
      ),
    );
  },
  levels: async (context, { view, facts }) => {
    const differs = await comparedOf(context, view.filter, facts, reckonedWhole);
    return writeCsv(
      ['group', 'level', 'known', 'alive', 'take', 'low_90', 'high_90', 'differs', 'same_grafts_as', 'stand'],
      (differs.state === 'done' ? differs.view.groups : []).flatMap(({ words, levels }) =>
        levels.map(({ name, known, alive, take, low, high, differs: apart, twins, stands }) => ({
          group: words,
          level: name,
          known,
          alive,
          take,
          low_90: low,
          high_90: high,
          differs: apart ? 'yes' : 'no',
          same_grafts_as: twins.join('; '),
          stand: stands ?? '',
        })),
      ),
    );
  },
  causes: async (context, { facts }) => {
    const { deaths } = await clubFates(context, new Set(facts.map(({ unionId }) => unionId)));
    return writeCsv(
      ['cause', 'deaths', 'settled'],
      causesCounted(deaths).map(({ words, count, settled }) => ({ cause: words, deaths: count, settled })),
    );
  },
  points: async (context, { facts }) => {
    // The table names no causes, so nobody has to work them out.
    const costs = await pointsOfFacts(context, facts, reckonedWhole, () => Promise.resolve(new Map()));
    return writeCsv(
      ['point', 'had', 'trees_in_a_hundred', 'low_90', 'high_90'],
      (costs.state === 'done' ? costs.view.costs : []).map(({ name, had, perHundred, low, high }) => ({
        point: name,
        had,
        trees_in_a_hundred: perHundred,
        low_90: low,
        high_90: high,
      })),
    );
  },
};
