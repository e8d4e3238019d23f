import type { FateBoard, SharedView } from '@/core/findings/shared/fate-board';

interface SharedListProps {
  board: FateBoard;
  /** Which of the levels. */
  chosen: number | null;
  onChoose: (nth: number) => void;
}

/** Groups in which clearly more died than beside them, the one that explains most first, as counts. */
export function SharedList({ board: { shared, looked }, chosen, onChoose }: SharedListProps) {
  if (shared.length === 0)
    return (
      <p className="max-w-prose">
        Of {looked} lots, hands, benches, hours, places and materials none has clearly more deaths than what lies beside
        it. What died seems to have died one by one.
      </p>
    );
  const named = shared.filter((level) => level.named && level.explainedBy === null);
  return (
    <>
      <p className="max-w-prose text-lg">{sentence(named, shared)}</p>
      <ul className="mt-2 grid gap-1">
        {shared.map((level, nth) => (
          <li key={level.key}>
            <button
              type="button"
              aria-pressed={chosen === nth}
              onClick={() => onChoose(nth)}
              className={`grid w-full cursor-pointer grid-cols-[minmax(0,1fr)] items-center gap-x-4 gap-y-1 border-l-8 px-3 py-2 text-left md:grid-cols-[minmax(0,22rem)_minmax(0,1fr)] ${chosen === nth ? 'border-loud bg-mist' : 'border-line bg-sheet'}`}
            >
              <span>
                <strong>{level.name}</strong> <span className="text-sm text-muted">{level.kind}</span>
              </span>
              <span className="grid gap-1">
                <Share words="here" dead={level.dead} all={level.all} />
                <Share words="beside it" dead={level.deadBeside} all={level.allBeside} />
              </span>
              <Remarks level={level} />
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

function sentence(named: readonly SharedView[], all: readonly SharedView[]): string {
  const [first, second] = named;
  if (!first)
    return `${all[0]!.name} stands out, but among so many groups chance alone shows such a one now and then. More answers would tell.`;
  const inside = `${first.dead} of ${first.all} died, ${first.deadBeside} of ${first.allBeside} beside it`;
  return `Most is explained by ${first.name}: ${inside}${first.mostly ? `, mostly because ${first.mostly}` : ''}.${second ? ` Next comes ${second.name}, with ${second.dead} of ${second.all}.` : ''}`;
}

/** So many died of so many, as a bar. */
function Share({ words, dead, all }: { words: string; dead: number; all: number }) {
  return (
    <span className="grid grid-cols-[5rem_minmax(0,1fr)_8rem] items-center gap-2 text-sm">
      <span className="text-muted">{words}</span>
      <span aria-hidden className="flex h-3 border border-ink bg-life">
        <span className="bg-ink" style={{ width: `${all === 0 ? 0 : (dead / all) * 100}%` }} />
      </span>
      <span>
        {dead} of {all} died
      </span>
    </span>
  );
}

function Remarks({ level: { named, inseparable, explainedBy, mostly } }: { level: SharedView }) {
  const remarks = [
    inseparable.length > 0
      ? `Holds the same unions as ${inseparable.join(' and ')}: nobody can tell them apart from these counts.`
      : '',
    explainedBy ? `Explained by ${explainedBy}: without its unions nothing stands out here.` : '',
    named ? '' : 'May be chance: many groups were looked at.',
    mostly ? `Mostly found: ${mostly}.` : '',
  ].filter(Boolean);
  return remarks.length === 0 ? null : <span className="text-sm md:col-span-2">{remarks.join(' ')}</span>;
}
