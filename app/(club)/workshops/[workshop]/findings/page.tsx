import { counted } from '@/core/units/counted';
import { COLOURS } from '@/core/drawing/colours';
import type { Metadata } from 'next';
import { MILESTONE_WORDS } from '@/core/methods/milestones';
import { formatCode } from '@/core/codes/plant-code';
import { besideTake } from '@/server/findings/beside-take';
import { workshopFindings, type Findings, type MilestoneFinding } from '@/server/findings/findings';
import { careBoard } from '@/server/findings/boards/care-board';
import { CareSection } from '@/ui/findings/care/care-tables';
import { BesideTable } from '@/ui/findings/take/beside-table';
import { range, shareWords } from '@/ui/findings/take/take-words';
import { TakeChart } from '@/ui/findings/take/take-chart';
import { takeBoard } from '@/server/findings/boards/take-board';
import { TakeGroups } from '@/ui/findings/take/take-groups';
import { UnheardSlider } from '@/ui/findings/take/unheard-slider';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Findings' };

export default async function FindingsPage({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const both = Promise.all([workshopFindings(context, id), takeBoard(context, { workshopId: id })]);
  const [findings, board] = await orNotFound(both);
  const told = findings.milestones.findLast(({ asked, alive, dead }) => asked && alive + dead > 0);
  const latest = told?.milestone ?? 'healed';
  const [beside, care] = await Promise.all([besideTake(context, id, latest), careBoard(context, id)]);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
      <section aria-labelledby="take-title">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <h1 id="take-title" className="max-w-4xl">
            {findings.handedOver === 0 ? `Take of ${counted(0, 'keeper')}` : board.sentence}
          </h1>
          <p className="flex flex-wrap gap-2">
            {['unions', 'judgements', 'reports'].map((table) => (
              <a key={table} className="bench-button" href={`/api/workshops/${id}/export/${table}.csv`}>
                {table}.csv
              </a>
            ))}
          </p>
        </div>
        {findings.handedOver === 0 ? (
          <p className="board mt-2">No keepers were handed over, so there is no take to speak of yet.</p>
        ) : (
          <div className="mt-2 grid grid-cols-[minmax(0,1fr)] items-center gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
            <div>
              <TakeChart milestones={findings.milestones} />
            </div>
            <div
              className="relative overflow-x-auto"
              tabIndex={0}
              role="group"
              aria-label="Take by milestone, scrolls sideways on narrow screens"
            >
              <TakeTable findings={findings} />
            </div>
          </div>
        )}
        <p className="mt-3 max-w-prose text-sm text-muted">
          Take is alive over alive and dead, of the plants heard from; the interval is Wilson&apos;s. Unknown is not
          heard from, not found or not sure. The last column is the range over all keepers: every unknown one dead, to
          every unknown one alive. A milestone no round has asked has no take, only what later and earlier answers say
          of it. People whose graft died answer less, so the take of those who answered flatters.
          {findings.voided > 0 && ` ${findings.voided} voided codes are left out.`}
        </p>
        <Contradicted findings={findings} />
      </section>
      {findings.handedOver > 0 && (
        <>
          <TakeGroups board={board} />
          <UnheardSlider
            unheard={board.unheard}
            groups={board.kinds.find(({ groups }) => groups.length > 1)?.groups ?? []}
          />
        </>
      )}
      <CareSection {...care} />
      <BesideTable beside={beside} milestone={MILESTONE_WORDS[latest].name} />
      <section aria-labelledby="students-title">
        <h2 id="students-title" className="mb-1">
          Score beside take
        </h2>
        <div
          className="relative overflow-x-auto"
          tabIndex={0}
          role="group"
          aria-label="Score beside take for each student, scrolls sideways on narrow screens"
        >
          <StudentTable latest={latest} findings={findings} />
        </div>
        <p className="mt-2 max-w-prose text-sm text-muted">
          A handful of keepers a person says little about one person: look at the intervals before you look at the take.
        </p>
      </section>
    </div>
  );
}

/** Plants of which two answers cannot both be right. */
function Contradicted({ findings }: { findings: Findings }) {
  if (findings.contradicted.length === 0) return null;
  return (
    <p className="mt-2 border-l-4 border-ink pl-3">
      Said to be alive after dead:{' '}
      {findings.contradicted.map(({ code, seatNumber }) => `${formatCode(code)} (seat ${seatNumber})`).join(', ')}. They
      count as unknown until you enter on the Follow-up page which answer was wrong.
    </p>
  );
}

function MilestoneRow({ finding }: { finding: MilestoneFinding }) {
  return (
    <tr>
      <th scope="row" className="border-b! border-line! font-bold">
        {MILESTONE_WORDS[finding.milestone].name}
      </th>
      {finding.asked ? (
        <>
          <td className="text-lg font-bold">{shareWords(finding.rate)}</td>
          <td>{range(finding.interval)}</td>
        </>
      ) : (
        <td colSpan={2} className="text-muted">
          not asked yet
        </td>
      )}
      <td>{finding.alive}</td>
      <td>{finding.dead}</td>
      <td>{finding.unknown}</td>
      <td>{range(finding.bounds)}</td>
    </tr>
  );
}

/** One mark a keeper: filled green alive, filled dark with a cross dead, open unknown. */
function TakeDots({ alive, dead, unknown }: { alive: number; dead: number; unknown: number }) {
  const marks = [
    ...Array<string>(alive).fill('alive'),
    ...Array<string>(dead).fill('dead'),
    ...Array<string>(unknown).fill('unknown'),
  ];
  return (
    <span className="inline-flex flex-wrap items-center gap-1">
      {marks.map((mark, i) => (
        <svg key={i} aria-hidden width={14} height={14} viewBox="0 0 14 14">
          <circle
            cx={7}
            cy={7}
            r={5.5}
            fill={mark === 'alive' ? COLOURS.life : mark === 'dead' ? COLOURS.ink : 'none'}
            stroke={COLOURS.ink}
            strokeDasharray={mark === 'unknown' ? '2 2' : undefined}
          />
          {mark === 'dead' && <path d="M4.5 4.5 9.5 9.5M9.5 4.5 4.5 9.5" stroke={COLOURS.sheet} strokeWidth={1.6} />}
        </svg>
      ))}
      <span className="ml-1 text-sm">
        {alive}, {dead}, {unknown}
      </span>
    </span>
  );
}

interface StudentTableProps {
  latest: 'healed' | 'growing' | 'season' | 'wintered';
  findings: Findings;
}

/** Score beside take for each student. */
function StudentTable({ latest, findings }: StudentTableProps) {
  return (
    <table className="bench-table">
      <thead>
        <tr>
          <th scope="col">Seat</th>
          <th scope="col">Student</th>
          <th scope="col">Unions scored</th>
          <th scope="col">Mean score</th>
          <th scope="col">Last three</th>
          <th scope="col">Keepers</th>
          <th scope="col">{MILESTONE_WORDS[latest].name}: alive, dead, unknown</th>
          <th scope="col">Take</th>
          <th scope="col">95 % interval</th>
        </tr>
      </thead>
      <tbody>
        {findings.students.map((student) => {
          const take = student.byMilestone[latest];
          return (
            <tr key={student.seatId}>
              <td className="text-lg font-bold">{student.seatNumber}</td>
              <td>{student.name}</td>
              <td>{student.practice}</td>
              <td>{student.meanScore === null ? '–' : Math.round(student.meanScore)}</td>
              <td className="font-bold">{student.lastScores === null ? '–' : Math.round(student.lastScores)}</td>
              <td>{student.keepers}</td>
              <td>
                <TakeDots alive={take.alive} dead={take.dead} unknown={take.unknown} />
              </td>
              <td className="font-bold">{shareWords(take.rate)}</td>
              <td>{range(take.interval)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface TakeTableProps {
  findings: Findings;
}

/** Take by milestone in figures. */
function TakeTable({ findings }: TakeTableProps) {
  return (
    <table className="bench-table">
      <caption className="sr-only">Take rate by milestone with its interval, counts and bounds</caption>
      <thead>
        <tr>
          <th scope="col">Milestone</th>
          <th scope="col">Take</th>
          <th scope="col">95 % interval</th>
          <th scope="col">Alive</th>
          <th scope="col">Dead</th>
          <th scope="col">Unknown</th>
          <th scope="col">Truth lies in</th>
        </tr>
      </thead>
      <tbody>
        {findings.milestones.map((finding) => (
          <MilestoneRow key={finding.milestone} finding={finding} />
        ))}
      </tbody>
    </table>
  );
}
