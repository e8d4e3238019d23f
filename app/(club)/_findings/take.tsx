import type { TakeBoard } from '@/core/findings/boards/board-views';
import { MILESTONE_WORDS, MILESTONES } from '@/core/methods/milestones';
import { FiguresTable } from '@/ui/findings/figures-table';
import { range, shareWords } from '@/ui/findings/take/take-words';
import { RunCharts } from '@/ui/findings/take/run-chart';
import { TakeChart } from '@/ui/findings/take/take-chart';
import { TakeGroups } from '@/ui/findings/take/take-groups';
import { UnheardSlider } from '@/ui/findings/take/unheard-slider';
import { Shown } from './shown';

/** Take of a filter's keepers. */
export function TakePage({ board, problem }: { board: TakeBoard; problem: string | null }) {
  const { scope, sentence, milestone, milestones, runs, unheard, kinds } = board;
  return (
    <Shown
      sentence={sentence}
      scope={scope}
      problem={problem}
      choices={
        <label className="grid gap-1">
          <span className="text-sm font-bold">Milestone</span>
          <select name="milestone" defaultValue={milestone ?? ''} className="bench-input">
            <option value="">when last asked</option>
            {MILESTONES.map((each) => (
              <option key={each} value={each}>
                {MILESTONE_WORDS[each].name}
              </option>
            ))}
          </select>
        </label>
      }
    >
      {scope.keepers > 0 && (
        <>
          <TakeGroups board={board} />
          <RunCharts runs={runs} />
          <UnheardSlider unheard={unheard} groups={kinds.find(({ groups }) => groups.length > 1)?.groups ?? []} />
          <section aria-labelledby="milestones-title">
            <h2 id="milestones-title">By milestone</h2>
            <div className="grid grid-cols-[minmax(0,1fr)] items-center gap-6 lg:grid-cols-2">
              <TakeChart milestones={milestones.filter(({ handedOver }) => handedOver > 0)} />
              <TakeTable board={board} />
            </div>
            <p className="mt-2 max-w-prose text-sm text-muted">
              Each milestone counts the workshops that were asked for it; above, each keeper counts at the last one its
              workshop was asked for. Take is alive over alive and dead of those heard of, with Wilson’s 95 % interval;
              the last column is the range over all keepers, every unknown one dead to every unknown one alive. A plant
              lives if one of its unions does; a variety is saved if one of its plants lives.
            </p>
          </section>
        </>
      )}
    </Shown>
  );
}

function TakeTable({ board: { milestones, milestone, plants, varieties } }: { board: TakeBoard }) {
  const at = milestone === null ? 'when last asked' : MILESTONE_WORDS[milestone].name.toLowerCase();
  const rows = [
    ...milestones
      .filter(({ handedOver }) => handedOver > 0)
      .map((take) => ({ name: MILESTONE_WORDS[take.milestone].name, take })),
    { name: `Plants, ${at}`, take: plants },
    ...(varieties ? [{ name: `Varieties saved, ${at}`, take: varieties }] : []),
  ];
  return (
    <FiguresTable
      label="Take in figures"
      head={['Of', 'Take', '95 % interval', 'Alive', 'Dead', 'Unknown', 'Truth lies in']}
      rows={rows.map(({ name, take }) => ({
        key: name,
        cells: [
          name,
          <strong key="take" className="text-lg">
            {shareWords(take.rate)}
          </strong>,
          range(take.interval),
          take.alive,
          take.dead,
          take.unknown,
          range(take.bounds),
        ],
      }))}
    />
  );
}
