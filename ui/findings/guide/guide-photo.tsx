'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Problem } from '@/ui/kit/form/problem';
import { useAlive } from '@/ui/kit/form/use-alive';
import { useSend } from '@/ui/kit/form/use-send';

const MOST_BYTES = 8_000_000;

/** Takes a picture of what died, kept with its union; with reception only. */
export function GuidePhoto({ unionId }: { unionId: string }) {
  const { run, busy, problem, setProblem } = useSend();
  const [kept, setKept] = useState(0);
  const alive = useAlive();
  const add = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > MOST_BYTES)
      return setProblem({
        message: 'The picture is larger than 8 MB. Take it smaller, or choose another.',
        fields: {},
      });
    const form = new FormData();
    form.set('file', file);
    const sent = await run('PUT', `/api/unions/${unionId}/photos/${uuid()}`, form);
    if (sent?.ok) setKept(kept + 1);
  };
  return (
    <div className="mt-4">
      <label className="bench-button">
        {busy ? 'Sending…' : kept === 0 ? 'Add a picture' : 'Add another picture'}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          className="sr-only"
          disabled={!alive || busy}
          onChange={(change) => {
            void add(change.target.files?.[0]);
            change.target.value = '';
          }}
        />
      </label>
      <span role="status" className="ml-2">
        {kept > 0 && `${kept} kept with this union.`}
      </span>
      <Problem>{problem?.message}</Problem>
    </div>
  );
}
