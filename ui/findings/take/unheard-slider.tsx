'use client';

import { useId, useState } from 'react';
import type { TakeGroupView, UnheardView } from '@/core/findings/boards/board-views';
import { takeAsHeard, takeAsReminded, takeIf, turnsAt } from '@/core/findings/take/unheard-scenarios';
import { betterOfTwo, type BetterOfTwo } from '@/core/findings/take/better-of-two';
import { percent } from '@/core/units/percent';
import type { TakeRate } from '@/core/findings/take/take-rate';

interface UnheardSliderProps {
  unheard: UnheardView;
  /** Groups two of which can be compared. */
  groups: readonly TakeGroupView[];
}

/** What the take would be if those not heard of fared so or so, and where a conclusion would turn. */
export function UnheardSlider({ unheard: { counts, reminded }, groups }: UnheardSliderProps) {
  const [share, setShare] = useState(() => Math.round(100 * (counts.alive / Math.max(1, counts.alive + counts.dead))));
  const [rate, setRate] = useState('70');
  const ids = [useId(), useId()];
  if (counts.unknown === 0 || counts.alive + counts.dead === 0) return null;
  const asHeard = takeAsHeard(counts);
  const asReminded = takeAsReminded(counts, reminded);
  const now = takeIf(counts, share / 100)!;
  const typed = Number(rate.replace(',', '.')) / 100;
  const readable = rate.trim() !== '' && typed >= 0 && typed <= 1;
  return (
    <section aria-labelledby="unheard-title" className="board">
      <h2 id="unheard-title">The {counts.unknown === 1 ? 'one' : counts.unknown} nobody heard of</h2>
      <p className="mt-1">
        If they live as often as those heard of, {percent(asHeard!)} of all live
        {asReminded === null ? '' : `; if as often as those who answered only after a reminder, ${percent(asReminded)}`}
        .
      </p>
      <label htmlFor={ids[0]} className="mt-3 block font-bold">
        If {share} % of them live, {percent(now)} of all do
      </label>
      <input
        id={ids[0]}
        type="range"
        min={0}
        max={100}
        value={share}
        onChange={({ target }) => setShare(Number(target.value))}
        className="h-11 w-full max-w-xl"
        aria-valuetext={`${share} % of the unheard live: ${percent(now)} of all`}
      />
      <p className="flex max-w-xl justify-between text-sm text-muted">
        <span>all dead: {percent(takeIf(counts, 0)!)}</span>
        <span>all alive: {percent(takeIf(counts, 1)!)}</span>
      </p>
      <p className="mt-2 flex flex-wrap items-center gap-2">
        <label htmlFor={ids[1]}>Is take above</label>
        <input
          id={ids[1]}
          inputMode="decimal"
          value={rate}
          onChange={({ target }) => setRate(target.value)}
          className="bench-input w-20"
        />
        <span>
          %? <strong>{readable ? turnWords(counts, typed) : 'Enter a percentage from 0 to 100.'}</strong>
        </span>
      </p>
      <BestOfTwo groups={groups} />
    </section>
  );
}

function turnWords(counts: UnheardView['counts'], rate: number): string {
  const turn = turnsAt(counts, rate);
  if (turn === null)
    return takeIf(counts, 0)! >= rate ? 'Yes, whatever became of them.' : 'No, whatever became of them.';
  return `Only if at least ${percent(turn)} of those not heard of live.`;
}

const heard = ({ alive, dead, unknown }: TakeRate): UnheardView['counts'] => ({ alive, dead, unknown });

/** Whether the unheard could change which of the two with most known fates is better. */
function BestOfTwo({ groups }: { groups: readonly TakeGroupView[] }) {
  const [first, second] = [...groups]
    .filter(({ take }) => take.alive + take.dead > 0)
    .sort((a, b) => b.take.alive + b.take.dead - (a.take.alive + a.take.dead));
  if (!first || !second) return null;
  const found = betterOfTwo(heard(first.take), heard(second.take));
  return (
    <p className="mt-2">
      {first.name} or {second.name}: {found && betterWords(found, first.name, second.name)}
    </p>
  );
}

function betterWords(found: BetterOfTwo, first: string, second: string): string {
  if (found.told === 'not apart')
    return `those heard of do not tell which is better; the difference may be anything from ${points(found.low)} to ${points(found.high)} trees in a hundred for ${first}.`;
  const [better, other] = found.first ? [first, second] : [second, first];
  if (found.certain) return `${better} is ahead whatever became of those not heard of.`;
  return found.turn === null
    ? `${better} is ahead among those heard of; if those of ${other} nobody heard of did much better, it could turn.`
    : `${better} is ahead among those heard of; it turns where ${percent(found.turn)} of those not heard of live.`;
}

const points = (share: number): string => `${share < 0 ? '−' : '+'}${Math.abs(100 * share).toFixed(0)}`;
