import type { Metadata } from 'next';
import { madeWords } from '@/core/methods/made-words';
import type { VariantId } from '@/core/methods/use';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { type UnionsBehind, unionsBehind } from '@/server/findings/boards/unions-behind';
import { FateGlyph, FateSymbols, STATE_WORDS } from '@/ui/findings/causes/fate-glyph';
import { FiguresTable } from '@/ui/findings/figures-table';
import type { Answered } from '../../_findings/asked';
import { clubFindings } from '../../_findings/pages';
import { Shown } from '../../_findings/shown';

export const metadata: Metadata = { title: 'The unions behind it' };

export default clubFindings(unionsBehind, UnionsPage);

/** The unions behind a mark of a chart, one by one. */
function UnionsPage({ board: { scope, unions, more }, problem }: Answered<UnionsBehind>) {
  return (
    <Shown sentence={`${counted(scope.keepers, 'keeper')} ${scope.whose}, one by one`} scope={scope} problem={problem}>
      <FateSymbols />
      <FiguresTable
        label="Keepers one by one"
        head={['Plant', 'Fate', 'Method', 'Variety', 'By', 'Made', 'Score']}
        rows={unions.map(({ unionId, called, href, fate, method, variant, variety, maker, date, score }) => ({
          key: unionId,
          cells: [
            <a key="plant" href={href}>
              {called}
            </a>,
            <span key="fate" className="whitespace-nowrap">
              <svg width={22} height={22} viewBox="0 0 22 22" aria-hidden className="mr-1 inline-block">
                <FateGlyph state={fate} x={11} y={11} />
              </svg>
              {STATE_WORDS[fate]}
            </span>,
            madeWords({ method, variant: variant as VariantId }),
            variety,
            maker,
            <span key="made" className="whitespace-nowrap">
              {formatDate(date)}
            </span>,
            score === null ? '–' : Math.round(score),
          ],
        }))}
      />
      {more > 0 && <p>{counted(more, 'more keeper')} are not listed; choose a lot, a year or a method.</p>}
    </Shown>
  );
}
