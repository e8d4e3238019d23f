import type { Context } from '@/server/platform/context';
import { orNotFound } from '../../_http/or-not-found';
import { pageContext } from '../../_http/session';
import { answered, type Answered, type Asked } from './asked';

type Ask<Board> = (context: Context, filter: object, asked: Asked) => Promise<Board>;
type Show<Board> = React.ComponentType<Answered<Board>>;

/** A page of findings over the years, of what its address chooses. */
export function clubFindings<Board>(ask: Ask<Board>, ShownBoard: Show<Board>) {
  return async function ClubFindings({ searchParams }: { searchParams: Promise<Asked> }) {
    const [context, asked] = await Promise.all([pageContext(), searchParams]);
    return <ShownBoard {...await orNotFound(answered(asked, {}, (filter) => ask(context, filter, asked)))} />;
  };
}

interface WorkshopFindingsProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<Asked>;
}

/** The same of one workshop. */
export function workshopFindings<Board>(ask: Ask<Board>, ShownBoard: Show<Board>) {
  return async function WorkshopFindings({ params, searchParams }: WorkshopFindingsProps) {
    const [context, asked, { workshop: workshopId }] = await Promise.all([pageContext(), searchParams, params]);
    return (
      <ShownBoard {...await orNotFound(answered(asked, { workshopId }, (filter) => ask(context, filter, asked)))} />
    );
  };
}
