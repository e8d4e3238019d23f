import { formatCode } from '@/core/codes/plant-code';
import type { Stage } from '@/core/methods/method';
import { POSITION_WORDS } from '@/core/methods/position';
import { UnionGlyph } from '@/ui/kit/union/union-glyph';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { type BenchState, counting, judgedKeeper, scoreText } from './bench-data';
import { keepersOf } from './open-union';

/** How far a keeper is, in a word. */
export const STAGE_WORDS: Record<Stage, string> = { joined: 'joined', wrapped: 'wrapped', keeper: 'finished' };

interface KeeperStripProps {
  state: BenchState;
  seatId: string;
  /** The keeper that is open; null while practice is. */
  open: string | null;
  /** Ids of those the sample takes. */
  sample: ReadonlySet<string>;
  onOpen: (keeperId: string | null) => void;
}

/** A seat's practice and its keepers, to go between them; each keeper with how far it was judged. */
export function KeeperStrip({ state, seatId, open, sample, onOpen }: KeeperStripProps) {
  const keepers = keepersOf(state, seatId);
  if (keepers.length === 0) return null;
  return (
    <nav aria-label="Practice and keepers of this seat">
      <ul className="flex gap-1 overflow-x-auto pb-1" tabIndex={0} aria-label="Practice and keepers, scrolls">
        <li className="shrink-0">
          <button
            type="button"
            aria-pressed={open === null}
            onClick={() => onOpen(null)}
            className={box(open === null)}
          >
            <span className="font-bold">Practice</span>
          </button>
        </li>
        {keepers.map((keeper) => {
          const judged = judgedKeeper(state, keeper.unionId);
          const here = open === keeper.unionId;
          return (
            <li key={keeper.unionId} className="shrink-0">
              <button
                type="button"
                aria-pressed={here}
                onClick={() => onOpen(keeper.unionId)}
                data-keeper={keeper.code}
                className={box(here)}
              >
                <span className="flex items-center gap-1.5 font-bold">
                  <RibbonStrip id={keeper.ribbon} />
                  {formatCode(keeper.code)}
                  {judged && <UnionGlyph {...judged.glyph} size={18} title="" />}
                </span>
                <span className="block text-xs">
                  {keeper.position === 'sole' ? '' : `${POSITION_WORDS[keeper.position]}, `}
                  {judged
                    ? `${STAGE_WORDS[judged.stage]}, ${scoreText(counting(judged).score)}`
                    : sample.has(keeper.unionId)
                      ? 'to judge'
                      : 'not in the sample'}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}

function box(here: boolean): string {
  return `min-h-11 cursor-pointer border-2 px-2 py-0.5 text-left leading-tight ${here ? 'border-ink bg-mist' : 'border-line bg-sheet'}`;
}
