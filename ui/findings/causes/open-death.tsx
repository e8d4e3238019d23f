'use client';

import { QueryClient, useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { DeathLine, OpenedDeath } from '@/core/findings/causes/death-view';
import { CausePanel } from './cause-panel';

const openedDeaths = new QueryClient();

interface OpenDeathProps {
  line: DeathLine;
  /** It stands among the deaths of all workshops. */
  overYears: boolean;
  maySettle: boolean;
  mayStrike: boolean;
}

/** A line that was opened: what is known of it comes from the server, and again after every change of the page. */
export function OpenDeath({ line, overYears, maySettle, mayStrike }: OpenDeathProps) {
  const { data, isError, refetch } = useQuery(
    {
      queryKey: ['death', line.unionId],
      queryFn: async ({ signal }): Promise<OpenedDeath> => {
        const answer = await fetch(`/api/deaths/${line.unionId}${overYears ? '?overYears' : ''}`, { signal });
        if (!answer.ok) throw new Error(String(answer.status));
        return (await answer.json()) as OpenedDeath;
      },
      enabled: line.problem === '',
      retry: 2,
    },
    openedDeaths,
  );
  // A page that was refreshed tells of something new, such as evidence that was struck out.
  useEffect(() => void openedDeaths.invalidateQueries({ queryKey: ['death', line.unionId] }), [line]);
  if (line.problem !== '') return <p className="board mb-2">{line.problem}</p>;
  if (data) return <CausePanel {...data} maySettle={maySettle} mayStrike={mayStrike} />;
  return (
    <p className="board mb-2" role="status">
      {isError ? (
        <>
          What speaks for its causes cannot be fetched right now.{' '}
          <button type="button" className="bench-button" onClick={() => void refetch()}>
            Try again
          </button>
        </>
      ) : (
        'Fetching what speaks for its causes.'
      )}
    </p>
  );
}
