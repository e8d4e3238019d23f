'use client';

import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface TagDoubtNoticeProps {
  plantId: string;
  doubt: 'plant' | 'lot';
  mayDecide: boolean;
}

/** Says that a plant is not sure since its tag fell off, and what that means; the lead can say that it is again. */
export function TagDoubtNotice({ plantId, doubt, mayDecide }: TagDoubtNoticeProps) {
  const { run, busy, problem } = useSend();
  return (
    <div role="note" className="mb-4 border-l-4 border-ink bg-mist p-3">
      <p className="font-bold">
        {doubt === 'lot'
          ? 'Its tag fell off, and its variety is not sure: it is left out of findings by lot.'
          : 'Its tag fell off, and which plant of its lot it is, is not sure. Its variety is.'}
      </p>
      <Problem>{problem?.message}</Problem>
      {mayDecide && (
        <button
          type="button"
          className="bench-button mt-2"
          disabled={busy}
          onClick={() => void run('DELETE', `/api/plants/${plantId}/doubt`)}
        >
          It is sure now
        </button>
      )}
    </div>
  );
}
