'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { TakeBoard, TakeGroupView, TakeMark } from '@/core/findings/boards/board-views';
import { filterQuery, type FindingsFilter } from '@/core/findings/facts/findings-filter';
import { TAKE_KIND_WORDS, type TakeKind } from '@/core/findings/facts/take-by';
import { counted } from '@/core/units/counted';
import { FateGlyph, FateSymbols, STATE_WORDS } from '../causes/fate-glyph';
import { range, shareWords } from './take-words';

const COUNTED_BY: Record<TakeKind, keyof FindingsFilter | null> = {
  lot: 'lotId',
  day: null,
  hand: 'personId',
  variety: null,
  method: 'method',
  site: 'siteId',
};

/** Plain counts first: keepers by what they share, each a mark with its fate. */
export function TakeGroups({ board }: { board: Pick<TakeBoard, 'kinds' | 'scope' | 'marks'> }) {
  const { kinds, scope, marks } = board;
  const [chosen, setChosen] = useState<TakeKind>(kinds.find(({ groups }) => groups.length > 1)?.kind ?? 'lot');
  const shown = kinds.find(({ kind }) => kind === chosen) ?? kinds[0];
  if (!shown) return null;
  return (
    <section aria-labelledby="groups-title">
      <h2 id="groups-title">Who lives, by what they share</h2>
      <FateSymbols />
      <div className="my-2 flex flex-wrap gap-2" role="group" aria-label="Counted by">
        {kinds.map(({ kind, groups }) => (
          <button
            key={kind}
            type="button"
            className="bench-button"
            aria-pressed={kind === shown.kind}
            data-weight={kind === shown.kind ? 'main' : undefined}
            onClick={() => setChosen(kind)}
          >
            {TAKE_KIND_WORDS[kind]} <span className="text-sm font-normal">{groups.length}</span>
          </button>
        ))}
      </div>
      <ul className="board grid grid-cols-[minmax(0,1fr)] gap-0 py-1">
        {shown.groups.map((group) => (
          <GroupRow key={group.level} group={group} kind={shown.kind} filter={scope.filter} all={marks} />
        ))}
      </ul>
      {shown.more > 0 && (
        <p className="mt-2 max-w-prose">
          These are the {shown.groups.length} with the most keepers; {shown.more.toLocaleString('en')} more are counted
          and not listed. A method, year or site above lists fewer.
        </p>
      )}
      <p className="mt-2 max-w-prose text-sm text-muted">
        Green lives, dark with a cross died, dashed is not known; a mark leads to its plant. The share is of those heard
        of, with Wilson’s 95 % interval. Intervals that overlap do not tell two rows apart, and what stands in two kinds
        at once (a lot that was all of a day) cannot be told apart here: weighing everything at once is one page on.
      </p>
    </section>
  );
}

interface GroupRowProps {
  group: TakeGroupView;
  kind: TakeKind;
  filter: FindingsFilter;
  all: TakeBoard['marks'];
}

function GroupRow({ group, kind, filter, all }: GroupRowProps) {
  const { level, name, take, marks, twins } = group;
  const by = COUNTED_BY[kind];
  return (
    <li className="grid grid-cols-[minmax(0,1fr)] items-center gap-x-4 gap-y-1 border-b border-line py-2 last:border-0 md:grid-cols-[minmax(0,15rem)_minmax(0,1fr)_9.5rem]">
      <span className="font-bold">
        {by ? <Link href={`${pageOf(kind)}?${filterQuery({ ...filter, [by]: level })}`}>{name}</Link> : name}
        {twins.length > 0 && (
          <span className="block text-sm font-normal text-muted">the same grafts as {twins.join(' and ')}</span>
        )}
      </span>
      {marks ? <Marks marks={marks.map((at) => all[at]!)} /> : <Bar {...group} />}
      <span className="text-sm">
        <strong className="text-base">{shareWords(take.rate)}</strong>{' '}
        <span className="whitespace-nowrap text-muted">
          {take.rate === null ? 'nothing known' : range(take.interval)}
        </span>
        <span className="block text-muted">
          {take.alive} live, {take.dead} died{take.unknown > 0 ? `, ${take.unknown} unknown` : ''}
        </span>
      </span>
    </li>
  );
}

/** A hand and a method have findings of their own; of the others the unions are listed. */
const pageOf = (kind: TakeKind): string => (kind === 'hand' || kind === 'method' ? '/findings' : '/findings/unions');

const ORDER: Record<TakeMark['state'], number> = { alive: 0, dead: 1, unknown: 2 };

function Marks({ marks }: { marks: TakeBoard['marks'] }) {
  const sorted = [...marks].sort((a, b) => ORDER[a.state] - ORDER[b.state]);
  return (
    // What is tapped is no smaller than 24 px.
    <span className="flex flex-wrap [&_svg]:block [&_svg]:size-6">
      {sorted.map(({ called, href, state }) => (
        <a key={`${href} ${called}`} href={href} title={`${called}, ${STATE_WORDS[state]}`}>
          <svg aria-hidden>
            <FateGlyph state={state} x={12} y={12} />
          </svg>
        </a>
      ))}
    </span>
  );
}

/** Too many to be seen one by one: a bar of the three. */
function Bar({ take: { alive, dead, unknown, handedOver } }: TakeGroupView) {
  const width = (count: number): string => `${(100 * count) / Math.max(1, handedOver)}%`;
  return (
    <span
      className="flex h-5 border border-ink"
      role="img"
      aria-label={`${alive} live, ${dead} died, ${counted(unknown, 'keeper')} unknown`}
    >
      <span className="bg-life" style={{ width: width(alive) }} />
      <span className="bg-ink" style={{ width: width(dead) }} />
      <span className="bg-sheet" style={{ width: width(unknown) }} />
    </span>
  );
}
