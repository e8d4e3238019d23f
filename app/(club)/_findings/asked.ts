import { UseCaseError } from '@/server/platform/use-case-error';

export type Asked = Record<string, string | string[] | undefined>;

/** What a page of findings shows, and what was wrong with its address where it shows all instead. */
export interface Answered<Board> {
  board: Board;
  problem: string | null;
}

/**
 * Asks for a board with what the address chooses; where that cannot be read, for all of it, with words that say so.
 *
 * @param base what is chosen whatever the address says: the workshop of its pages
 */
export async function answered<Board>(
  asked: Asked,
  base: { workshopId?: string },
  ask: (filter: object) => Promise<Board>,
): Promise<Answered<Board>> {
  const chosen = Object.fromEntries(Object.entries(asked).map(([name, value]) => [name, [value].flat()[0]]));
  try {
    return { board: await ask({ ...chosen, ...base }), problem: null };
  } catch (error) {
    if (!(error instanceof UseCaseError && error.refusal === 'invalid')) throw error;
    return { board: await ask(base), problem: `${error.message} All are shown instead.` };
  }
}
