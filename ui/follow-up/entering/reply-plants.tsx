'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatCode } from '@/core/codes/plant-code';
import type { Reply, ReplyPlant } from '@/core/follow-up/reply/reply';
import { SAID, type Said } from '@/core/follow-up/said';
import type { useSend } from '@/ui/kit/form/use-send';

interface ReplyPlantsProps {
  reply: Reply;
  run: ReturnType<typeof useSend>['run'];
  busy: boolean;
}

const WORDS: Record<Said, string> = {
  alive: 'It lives',
  unsure: 'Not sure',
  dead: 'It is dead',
  'not-found': 'Cannot find it',
};

/**
 * The plants of whoever wrote a letter, beside it: one tap enters what it says of one. A letter about a single plant is
 * settled with that; one about several once somebody says that it was looked at.
 */
export function ReplyPlants({ reply, run, busy }: ReplyPlantsProps) {
  const [entered, setEntered] = useState<ReadonlyMap<string, Said>>(new Map());
  const { plants, sentOn, id } = reply;
  if (plants.length === 0) return null;
  const named = plants.filter((plant) => plant.named);
  // A letter of several lines may say something of others, too: it stays until somebody says that it was looked at.
  const lines = reply.text.split('\n').filter((line) => line.trim() !== '').length;
  const single = plants.length === 1 || (named.length === 1 && lines === 1);
  const enter = async ({ unionId }: ReplyPlant, said: Said): Promise<void> => {
    const body = { unionId, said, signs: {}, source: 'mail', seenOn: sentOn ?? '', cameOn: sentOn ?? '' };
    const sent = await run('PUT', `/api/reports/${uuid()}`, body);
    if (!sent?.ok) return;
    setEntered(new Map(entered).set(unionId, said));
    if (single) await run('PATCH', `/api/replies/${id}`);
  };
  const listed = named.length > 0 ? named : plants;
  const others = named.length > 0 ? plants.filter((plant) => !plant.named) : [];
  const row = (plant: ReplyPlant) => (
    <li key={plant.unionId} className="flex flex-wrap items-center gap-2 py-1">
      <span className="grow basis-56">
        <strong className="tabular-nums">{formatCode(plant.code)}</strong> {plant.variety}
        {plant.position && `, ${plant.position}`}{' '}
        <span className="text-sm text-muted">
          {plant.told === '' ? 'nothing told yet' : `told last: ${plant.told}`}
        </span>
      </span>
      {SAID.map((said) => (
        <button
          key={said}
          type="button"
          className="bench-button"
          disabled={busy}
          aria-pressed={entered.get(plant.unionId) === said}
          aria-label={`${formatCode(plant.code)}: ${WORDS[said]}`}
          onClick={() => void enter(plant, said)}
        >
          {WORDS[said]}
        </button>
      ))}
    </li>
  );
  return (
    <div className="mt-2">
      <p className="text-sm text-muted">
        {single
          ? 'One tap enters what it says, and the letter is settled.'
          : 'A tap enters what it says of a plant; then say that it was looked at.'}
      </p>
      <ul className="divide-y divide-line border-y border-line">{listed.map(row)}</ul>
      {others.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2">Other plants of theirs ({others.length})</summary>
          <ul className="divide-y divide-line">{others.map(row)}</ul>
        </details>
      )}
    </div>
  );
}
