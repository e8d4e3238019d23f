import type { Metadata } from 'next';
import { methodById } from '@/core/methods/registry';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { unionsBehind } from '@/server/findings/boards/unions-behind';
import { FateGlyph, STATE_WORDS } from '@/ui/findings/causes/fate-glyph';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { answered, type Asked } from '../../_findings/asked';
import { Shown } from '../../_findings/shown';

export const metadata: Metadata = { title: 'The unions behind it' };

/** The unions behind a mark of a chart, one by one. */
export default async function UnionsPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const [context, asked] = await Promise.all([pageContext(), searchParams]);
  const { board, problem } = await orNotFound(answered(asked, {}, (filter) => unionsBehind(context, filter)));
  const { scope, unions, more } = board;
  return (
    <Shown sentence={`${counted(scope.keepers, 'keeper')} ${scope.whose}, one by one`} scope={scope} problem={problem}>
      <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label="Keepers, scrolls sideways">
        <table className="bench-table">
          <thead>
            <tr>
              {['Plant', 'Fate', 'Method', 'Variety', 'By', 'Made', 'Score'].map((head) => (
                <th key={head} scope="col">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {unions.map(({ unionId, called, href, fate, method, variety, maker, date, score }) => (
              <tr key={unionId}>
                <th scope="row" className="border-b! border-line! font-bold">
                  <a href={href}>{called}</a>
                </th>
                <td className="whitespace-nowrap">
                  <svg width={22} height={22} viewBox="0 0 22 22" aria-hidden className="mr-1 inline-block">
                    <FateGlyph state={fate} x={11} y={11} ringed={false} />
                  </svg>
                  {STATE_WORDS[fate]}
                </td>
                <td>{methodById(method).name}</td>
                <td>{variety}</td>
                <td>{maker}</td>
                <td className="whitespace-nowrap">{formatDate(date)}</td>
                <td>{score === null ? '–' : Math.round(score)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {more > 0 && <p>{counted(more, 'more keeper')} are not listed; choose a lot, a year or a method.</p>}
    </Shown>
  );
}
