import { UnionGlyph } from '@/ui/kit/union/union-glyph';
import { formatCode } from '@/core/codes/plant-code';
import { type BenchState, type BenchUnion, counting, scoreText } from './bench-data';

/** The scores of a workshop, to read. */
export function ScoreBoard({ seats, unions, keepers }: Pick<BenchState, 'seats' | 'unions' | 'keepers'>) {
  const codeOf = ({ id }: BenchUnion): string | null => {
    const keeper = keepers.find(({ unionId }) => unionId === id);
    return keeper ? formatCode(keeper.code) : null;
  };
  return (
    <section aria-labelledby="scores-title">
      <h1 id="scores-title" className="mb-2">
        Unions scored
      </h1>
      <ul className="divide-y divide-line border-y border-line">
        {seats.map((seat) => {
          const own = unions.filter(({ seatId }) => seatId === seat.id);
          return (
            <li key={seat.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
              <span className="w-8 text-xl font-bold">{seat.number}</span>
              <span className="w-48">{seat.name}</span>
              {own.length === 0 && <span className="text-muted">none scored yet</span>}
              {own.map((union) => (
                <span key={union.id} className="flex items-center gap-1">
                  <UnionGlyph
                    {...union.glyph}
                    size={24}
                    title={`${codeOf(union) ?? `${seat.number}-${union.number}`}: ${counting(union).contactWords}`}
                  />
                  {codeOf(union) && <span className="font-bold">{codeOf(union)}</span>}
                  {scoreText(counting(union).score)}
                </span>
              ))}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
