'use client';

import { QueryClient, useQuery } from '@tanstack/react-query';
import { filterQuery, type FindingsFilter } from '@/core/findings/facts/findings-filter';
import type { ModelName, ModelView, ModelViews } from '@/core/findings/boards/model-views';

/** How often a model that is being reckoned is asked for, ms. */
const ASK_EVERY = 600;

export const modelQueries = new QueryClient();

/** A model of a filter's keepers: asked for until it is done. */
export function useModel<Name extends ModelName>(
  name: Name,
  filter: FindingsFilter,
): { view: ModelView<ModelViews[Name]> | null; failed: boolean; again: () => void } {
  const query = filterQuery(filter);
  const { data, isError, refetch } = useQuery(
    {
      queryKey: ['model', name, query],
      queryFn: async ({ signal }): Promise<ModelView<ModelViews[Name]>> => {
        const answer = await fetch(`/api/models/${name}?${query}`, { signal });
        if (!answer.ok) throw new Error(String(answer.status));
        return (await answer.json()) as ModelView<ModelViews[Name]>;
      },
      refetchInterval: ({ state }) => (state.data?.state === 'reckoning' ? ASK_EVERY : false),
      retry: 2,
    },
    modelQueries,
  );
  return { view: data ?? null, failed: isError, again: () => void refetch() };
}
