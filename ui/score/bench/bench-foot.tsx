import { Problem } from '@/ui/kit/form/problem';
import { scoreText } from './bench-data';
import { UnionCounters } from './union-counters';
import type { Scoring } from './use-scoring';

interface BenchFootProps {
  scoring: Scoring;
  fromPaper: boolean;
  next: { seatId: string; number: number; reason: string } | null;
  onSeat: (seatId: string) => void;
  onCaution: () => void;
}

/** The note and the buttons; on a narrow screen they stand at its foot with the score. */
export function BenchFoot({ scoring, fromPaper, next, onSeat, onCaution }: BenchFootProps) {
  const { seat, keeper, draft, entry, called, told } = scoring;
  const words = saveWords(scoring);
  return (
    <div className="order-4 flex min-w-0 flex-col gap-2 lg:sticky lg:bottom-0 lg:z-10 lg:order-3 lg:bg-paper lg:py-2">
      <div className="grid grid-cols-2 gap-2 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:z-20 max-lg:border-t-2 max-lg:border-ink max-lg:bg-paper max-lg:px-4 max-lg:py-2">
        <div className="col-span-2">
          <Problem>{told.problem?.message}</Problem>
        </div>
        <ScoreInShort scoring={scoring} />
        {!fromPaper && (
          <div className="col-span-2 lg:hidden">
            <UnionCounters
              key={`${scoring.draftKey} ${scoring.savedCount}`}
              strokes={entry.strokes}
              limit={scoring.strokeLimit}
              onStroke={scoring.stroke}
              spoiled={scoring.spoiled}
            />
          </div>
        )}
        <BackAndStop scoring={scoring} onCaution={onCaution} />
        {((draft?.correcting ?? draft?.second ?? null) !== null || (keeper && draft)) && (
          <button type="button" className="bench-button col-span-2" onClick={scoring.leave}>
            Leave {called} as it was
          </button>
        )}
        {next && next.seatId !== seat.id && !draft && (
          <button
            type="button"
            className="bench-button col-span-2 justify-start text-left font-normal max-lg:hidden"
            onClick={() => onSeat(next.seatId)}
          >
            <span>
              <strong>See {next.number} next</strong>: {next.reason}
            </span>
          </button>
        )}
        {/* Last, so that they stay where they are when more stands above them: a second click of a double one finds no other. */}
        <button
          type="submit"
          data-save
          onClick={(event) => isSecondOfDouble(event) && event.preventDefault()}
          className={`bench-button ${words.main.length > 20 ? 'col-span-2' : ''}`}
          data-weight="main"
        >
          {words.main}
        </button>
        <button
          type="button"
          className={`bench-button ${words.main.length > 20 ? 'col-span-2' : ''}`}
          onClick={(event) => void (isSecondOfDouble(event) || scoring.save('same'))}
        >
          {words.same}
        </button>
      </div>
      <label className="grid grid-cols-[auto_1fr] items-center gap-3 text-sm font-bold lg:order-first">
        Note
        <textarea
          name="note"
          rows={1}
          maxLength={500}
          value={entry.note}
          onChange={(event) => scoring.edit({ ...entry, note: event.target.value })}
          className="bench-input min-h-9 font-normal"
        />
      </label>
    </div>
  );
}

/** The second click of a double one is not meant for the union that the first has opened. */
const isSecondOfDouble = ({ detail }: React.MouseEvent): boolean => detail > 1;

/** What the two buttons that save say. */
function saveWords({ keeper, draft, entry, stage, judgedAt }: Scoring): { main: string; same: string } {
  if (entry.correctsId) return { main: 'Save correction', same: 'Save, stay here' };
  if (!keeper) return { main: 'Save, next seat', same: 'Save, same seat' };
  // Nothing was changed since it was joined: the one gesture says what was done to it meanwhile.
  if (judgedAt !== null && !draft)
    return {
      main: judgedAt === 'joined' ? 'As just judged, now wrapped and tagged' : 'As just judged, now tagged',
      same: 'The same, and stay here',
    };
  return { main: 'Save, next keeper', same: stage === 'keeper' ? 'Save, stay here' : 'Save, same keeper' };
}

/** Score and contact in a line, where the picture may be out of sight. */
function ScoreInShort({ scoring: { read, called, method } }: Pick<BenchFootProps, 'scoring'>) {
  const firsts = method.fields.filter(({ place }) => place === 'first').length;
  return (
    <p className="col-span-2 flex items-baseline gap-2 lg:hidden" aria-hidden>
      <span className="text-2xl leading-none font-bold">{read.judged ? scoreText(read.judged.score) : '–'}</span>
      <span className="truncate">
        {read.judged
          ? `${called}, ${read.judged.assessment.contactGrade.words}`
          : `${called}: ${read.missing.length} of ${firsts} figures to enter`}
      </span>
    </p>
  );
}

function BackAndStop({ scoring, onCaution }: Pick<BenchFootProps, 'scoring' | 'onCaution'>) {
  const { takesBack, entry, read } = scoring;
  const stopped = read.shown.grades.map(({ point }) => point).find(({ id }) => id === 'safe-hands');
  return (
    <span className="col-span-2 grid grid-cols-[auto_1fr_auto] gap-2">
      <button
        type="button"
        className="bench-button px-3"
        disabled={takesBack === undefined}
        aria-label={takesBack ? `Take back ${takesBack}, key Z` : undefined}
        onClick={() => void scoring.undo()}
      >
        {takesBack ? (takesBack.length > 6 ? 'Take back' : `Take back ${takesBack}`) : 'Undo'}{' '}
        <kbd className="text-xs font-normal">Z</kbd>
      </button>
      {stopped && (
        <button
          type="button"
          className="bench-button px-1"
          data-weight={entry.marks[stopped.id] === 'fatal' ? 'loud' : undefined}
          onClick={() => scoring.mark(stopped)}
        >
          Stopped for safety <kbd className="text-xs font-normal">S</kbd>
        </button>
      )}
      <button type="button" className="bench-button px-2" onClick={onCaution} aria-label="Knife caution, key Q">
        Knife <kbd className="text-xs font-normal">Q</kbd>
      </button>
    </span>
  );
}
