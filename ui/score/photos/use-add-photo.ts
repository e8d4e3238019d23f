'use client';

import { v7 as uuid } from 'uuid';
import { useSend } from '@/ui/kit/form/use-send';

const MOST_BYTES = 8_000_000;

/** Adds a picture to a union; what is too large is said before it is sent. */
export function useAddPhoto(unionId: string, onKept: (photoId: string) => void) {
  const { run, busy, problem, setProblem } = useSend();
  const add = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > MOST_BYTES)
      return setProblem({
        message: 'The picture is larger than 8 MB. Take it smaller, or choose another.',
        fields: {},
      });
    const form = new FormData();
    form.set('file', file);
    const id = uuid();
    const sent = await run('PUT', `/api/unions/${unionId}/photos/${id}`, form);
    if (sent?.ok) onKept(id);
  };
  return { add, run, busy, problem };
}
