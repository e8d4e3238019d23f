'use client';

import { useState } from 'react';
import { Problem } from '@/ui/kit/form/problem';
import { useAlive } from '@/ui/kit/form/use-alive';
import { useAddPhoto } from '@/ui/score/photos/use-add-photo';

/** Takes a picture of what died, kept with its union; with reception only. */
export function GuidePhoto({ unionId }: { unionId: string }) {
  const [kept, setKept] = useState(0);
  const alive = useAlive();
  const { add, busy, problem } = useAddPhoto(unionId, () => setKept(kept + 1));
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
