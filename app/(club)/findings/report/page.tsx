import type { Metadata } from 'next';
import { filterQuery } from '@/core/findings/facts/findings-filter';
import { type ClubReport, REPORT_TABLES } from '@/core/findings/report/club-report';
import { capital } from '@/core/units/capital';
import { counted } from '@/core/units/counted';
import { percent, percentRange } from '@/core/units/percent';
import { reportPage } from '@/server/findings/report/club-report';
import { RunCharts } from '@/ui/findings/take/run-chart';
import { TakeChart } from '@/ui/findings/take/take-chart';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { answered, type Asked } from '../../_findings/asked';
import { Shown } from '../../_findings/shown';

export const metadata: Metadata = { title: 'Report' };

/** The club's report: the same as on paper. */
export default async function ReportPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const [context, asked] = await Promise.all([pageContext(), searchParams]);
  const { board, problem } = await orNotFound(answered(asked, {}, (filter) => reportPage(context, filter)));
  const { report, scope } = board;
  const query = filterQuery(scope.filter);
  return (
    <Shown sentence={`What became of the grafts ${report.whose}`} scope={scope} problem={problem}>
      <Files query={query} mayWrite={context.actor.role !== 'viewer'} />
      <p className="max-w-prose">
        {counted(report.done.workshops, 'workshop')}, {counted(report.done.people, 'grafter')},{' '}
        {counted(report.done.keepers, 'keeper')} handed over:{' '}
        {report.done.methods.map(({ name, keepers }) => `${keepers} ${name.toLowerCase()}`).join(', ')}.
      </p>
      <section aria-labelledby="report-take">
        <h2 id="report-take">Take</h2>
        <p className="mb-2 max-w-prose font-bold">{report.take.sentence}</p>
        <TakeChart milestones={report.take.milestones.filter(({ handedOver }) => handedOver > 0)} />
      </section>
      <RunCharts runs={report.take.runs} />
      <Differs report={report} />
      <section aria-labelledby="report-score">
        <h2 id="report-score">What the score foretells, and when they die</h2>
        <p className="max-w-prose">{report.score}</p>
        <p className="mt-1 max-w-prose">{report.when}</p>
      </section>
      <section aria-labelledby="report-causes">
        <h2 id="report-causes">Why they died</h2>
        <p className="max-w-prose">{report.causes.sentence}</p>
        <List items={report.causes.counts.map(({ words, count }) => `${words}: ${count}`)} />
        <List items={report.causes.shared.map(capital)} />
      </section>
      <section aria-labelledby="report-teach">
        <h2 id="report-teach">What to teach next</h2>
        <p className="max-w-prose">{report.teach?.sentence ?? 'What faults cost is not known yet.'}</p>
      </section>
      <section aria-labelledby="report-unknown">
        <h2 id="report-unknown">What is not known</h2>
        <List
          items={report.unknown.length > 0 ? report.unknown : ['Everybody was heard of, and every keeper judged.']}
        />
      </section>
    </Shown>
  );
}

function Files({ query, mayWrite }: { query: string; mayWrite: boolean }) {
  const file = (name: string, paper?: string): string =>
    `/api/findings/report/${name}?${[query, ...(paper ? [`paper=${paper}`] : [])].filter(Boolean).join('&')}`;
  return (
    <p className="flex flex-wrap gap-2">
      <a className="bench-button" data-weight="main" href={file('report.pdf', 'A4')}>
        Report, A4
      </a>
      <a className="bench-button" href={file('report.pdf', 'Letter')}>
        Report, Letter
      </a>
      <a className="bench-button" href={file('poster.pdf')}>
        Poster, A3
      </a>
      {mayWrite && (
        <>
          <a className="bench-button" href={file('letters.pdf', 'A4')}>
            Letters to growers, A4
          </a>
          <a className="bench-button" href={file('letters.pdf', 'Letter')}>
            Letters, Letter
          </a>
        </>
      )}
      {REPORT_TABLES.map((table) => (
        <a key={table} className="bench-button" href={file(`${table}.csv`)}>
          {table}.csv
        </a>
      ))}
    </p>
  );
}

function Differs({ report: { differs } }: { report: ClubReport }) {
  return (
    <section aria-labelledby="report-differs">
      <h2 id="report-differs">What explains the differences</h2>
      <p className="max-w-prose">{differs?.sentence ?? 'Too little is known to weigh lots, days and hands at once.'}</p>
      {differs?.groups.map(({ group, words, levels }) => (
        <List
          key={group}
          items={levels
            .filter((level) => level.differs)
            .map(
              ({ name, take, low, high, alive, known, twins, stands }) =>
                `${capital(name)}: ${percent(take)} (${percentRange({ low, high })}) of otherwise average unions; counted ${alive} of ${known}, ${words}${sameGrafts(twins, stands)}`,
            )}
        />
      ))}
    </section>
  );
}

/** What cannot be told from a level, at the end of its line. */
function sameGrafts(twins: readonly string[], stands: string | null): string {
  return [
    ...(twins.length > 0 ? [`; the same grafts as ${twins.join(' and ')}, so nobody can tell which it is`] : []),
    ...(stands === null ? [] : [`; most of them stand ${stands}, so hand and place cannot be told apart`]),
  ].join('');
}

function List({ items }: { items: readonly string[] }) {
  if (items.length === 0) return null;
  return (
    <ul className="mt-1 list-disc pl-5">
      {items.map((item) => (
        <li key={item}>{item}</li>
      ))}
    </ul>
  );
}
