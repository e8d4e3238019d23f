import Link from 'next/link';
import { UnionGlyph } from '@/ui/kit/union/union-glyph';
import { type BenchJudgement, type BenchUnion, scoreText } from './bench-data';
import { STAGE_WORDS } from './keeper-strip';

interface AttemptsProps {
  workshopId: string;
  title: string;
  unions: BenchUnion[];
  /** "7-4", or a keeper's code. */
  calledOf: (union: BenchUnion) => string;
  /** The name of a method, where the day has several. */
  nameOf: ((method: string) => string) | null;
  mayChange: boolean;
  onCorrect: (union: BenchUnion, judgement: BenchJudgement) => void;
}

/** What was scored at a seat so far, latest first; each judgement can be corrected, earlier values stay in sight. */
export function Attempts({ workshopId, title, unions, calledOf, nameOf, mayChange, onCorrect }: AttemptsProps) {
  if (unions.length === 0) return null;
  return (
    <section aria-labelledby="attempts-title" className="mt-4">
      <h2 id="attempts-title" className="mb-1">
        {title}
      </h2>
      <ul className="divide-y divide-line border-y border-line">
        {[...unions].reverse().flatMap((union) =>
          union.judgements.map((judgement) => (
            <li key={judgement.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
              <span className="min-w-12 text-lg font-bold">{calledOf(union)}</span>
              {nameOf && <span className="text-sm">{nameOf(judgement.method)}</span>}
              {union.kind === 'keeper' && <span className="text-sm">{STAGE_WORDS[judgement.stage]}</span>}
              {judgement.id === union.counts ? (
                <UnionGlyph {...union.glyph} title={judgement.contactWords} size={24} />
              ) : (
                <span className="w-6" />
              )}
              <span className="w-16 font-bold">{scoreText(judgement.score)}</span>
              <span className="grow">
                {judgement.contactWords}
                {judgement.outlook && (
                  <span>
                    {judgement.outlook === 'surely' ? ', surely lives' : `, ${judgement.outlook} lives`}
                    {judgement.outlookBy === 'maker' ? ', says its maker' : ''}
                  </span>
                )}
                {judgement.note && <span className="text-muted">. {judgement.note}</span>}
              </span>
              <span className="text-sm text-muted">
                {judgement.assessor}
                {judgement.blind
                  ? ', second assessor'
                  : judgement.id !== union.counts &&
                    (judgement.stage === union.stage ? ', does not count' : ', an earlier stage')}
                {judgement.earlier.length > 0 && `, was ${judgement.earlier.map(scoreText).join(', before that ')}`}
                {judgement.waits && <strong className="text-ink">, on this device only</strong>}
              </span>
              {!judgement.waits && (
                <Link
                  className="bench-button"
                  href={`/workshops/${workshopId}/score/unions/${union.id}`}
                  prefetch={false}
                >
                  Open
                  <span className="sr-only"> {calledOf(union)}</span>
                </Link>
              )}
              {mayChange && (
                <button type="button" className="bench-button" onClick={() => onCorrect(union, judgement)}>
                  Correct
                  <span className="sr-only"> {calledOf(union)}</span>
                </button>
              )}
            </li>
          )),
        )}
      </ul>
    </section>
  );
}
