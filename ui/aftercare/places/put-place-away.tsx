'use client';

import { useRouter } from 'next/navigation';
import { AskFirst } from '@/ui/kit/form/ask-first';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Puts a place away that is no longer used. */
export function PutPlaceAway({ placeId, name }: { placeId: string; name: string }) {
  const { run, problem } = useSend();
  const router = useRouter();
  const put = async (): Promise<void> => {
    const sent = await run('DELETE', `/api/places/${placeId}`);
    if (sent?.ok) router.push('/places');
  };
  return (
    <>
      <AskFirst
        trigger={
          <button type="button" className="bench-button">
            Put away
          </button>
        }
        question={`Put ${name} away?`}
        meaning="It is no longer offered for moves. What stood in it stays on record; plants that stand in it have to be moved first."
        yes="Put it away"
        onYes={() => void put()}
      />
      <Problem>{problem?.message}</Problem>
    </>
  );
}
