'use client';

import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface TraceLine {
  id: string;
  what: string;
  text: string;
  page: string;
}

/** Texts in which somebody who was erased may still be named: only a person can tell. */
export function TracesBoard({ traces }: { traces: TraceLine[] }) {
  const { run, busy, problem } = useSend();
  return (
    <div className="flex flex-col gap-3">
      <p className="max-w-prose text-muted">
        Names and addresses of erased people were replaced where that was sure. These texts may still name them. Mend
        them where they stand, then say so here.
      </p>
      <Problem>{problem?.message}</Problem>
      <ul className="divide-y divide-line border-y border-line">
        {traces.map(({ id, what, text, page }) => (
          <li key={id} className="flex flex-wrap items-center gap-3 py-2">
            <span className="min-w-0 grow">
              <a href={page}>{what}</a>: <q className="break-words">{text.slice(0, 300)}</q>
            </span>
            <button
              type="button"
              className="bench-button"
              disabled={busy}
              onClick={() => void run('DELETE', `/api/traces/${id}`)}
            >
              Mended, or names nobody
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
