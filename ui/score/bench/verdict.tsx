import { percent } from '@/core/units/percent';
import { lowContactWords } from '@/core/contact/low-contact';
import type { UnionJudgement } from '@/core/score/rubric/judge-union';
import type { RankedCorrection } from '@/core/score/rubric/best-corrections';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { UnionGlyph } from '@/ui/kit/union/union-glyph';
import { type BenchUnion, counting, scoreText } from './bench-data';

interface VerdictProps {
  judged: UnionJudgement | null;
  /** Contact this pair of wood could reach. */
  best: number | null;
  corrections: RankedCorrection[];
  /** Calipers the method is not done on, and what to do instead. */
  outside: string | null;
  last: BenchUnion | null;
  called: string;
  unit: LengthUnit;
}

/** The score, why it is what it is, the two corrections worth most, and the last attempt beside it. */
export function Verdict({ judged, best, corrections, outside, last, called, unit }: VerdictProps) {
  const cause = judged?.assessment.contactGrade.cause;
  return (
    <section
      aria-label={`Score of ${called}`}
      className="grid min-w-0 grow grid-cols-[auto_1fr] gap-x-4 gap-y-1 border-t-2 border-ink pt-2 sm:grid-cols-[6.2rem_1fr_auto]"
    >
      <div>
        <p>
          <span className="text-5xl leading-none font-bold tabular-nums" data-testid="score">
            {judged ? scoreText(judged.score) : '–'}
          </span>
          <span className="block text-sm text-muted">of 100</span>
        </p>
        {judged && judged.fatal.length > 0 && (
          <p className="mt-1 bg-loud px-1.5 text-sm font-bold text-white">
            Fatal:{' '}
            {judged.grades
              .filter(({ point }) => judged.fatal.includes(point.id))
              .map(({ point }) => point.name.toLowerCase())
              .join(', ')}
          </p>
        )}
      </div>
      <div className="order-last col-span-2 min-w-0 sm:order-none sm:col-span-1">
        {judged ? (
          <>
            <p className="text-sm">
              {cause ? `${lowContactWords(cause)} ` : ''}
              {formatLength(judged.assessment.contact.touching, unit)} touching.
              {best !== null && <> This pair could reach {percent(best)}.</>}
            </p>
            {judged.assessment.contact.warning && (
              <p className="text-sm font-bold">{judged.assessment.contact.warning}</p>
            )}
            {outside && <p className="text-sm font-bold">{outside}</p>}
            {corrections.length === 0 && (
              <p className="mt-1.5 border-l-4 border-line pl-2">Nothing to correct. Next time the same again.</p>
            )}
            {corrections.length > 0 && (
              <ol className="mt-1.5 flex flex-col gap-1.5" aria-label="Corrections that would raise the score most">
                {corrections.map((correction) => (
                  <li key={correction.point} className="border-l-4 border-ink pl-2 leading-snug">
                    <span className="font-bold">{written(correction.say, unit)}</span>{' '}
                    <span className="text-sm whitespace-nowrap text-muted">would be {scoreText(correction.score)}</span>
                  </li>
                ))}
              </ol>
            )}
          </>
        ) : (
          <p className="text-sm text-muted">
            The figures first; then the score stands here and moves with each figure.
          </p>
        )}
      </div>
      <div className="shrink-0 border-l border-line pl-3 text-sm">
        <p className="text-muted">Last attempt</p>
        {last ? (
          <p className="flex items-center gap-2">
            <UnionGlyph {...last.glyph} title={`Attempt ${last.number}: ${counting(last).contactWords}`} />
            <span>
              <span className="block text-xl font-bold">{scoreText(counting(last).score)}</span>
              {percent(counting(last).contact)}
            </span>
          </p>
        ) : (
          <p>None yet</p>
        )}
      </div>
    </section>
  );
}
