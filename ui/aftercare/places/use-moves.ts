'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { InputError } from '@/core/contact/input-error';
import { ANYWHERE, inRow, type Place, type Spot, spotWords } from '@/core/aftercare/places/place';
import { spotsFor, spotsFrom } from '@/core/aftercare/places/free-spots';
import { parseStretch } from '@/core/aftercare/places/stretch';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { counted } from '@/core/units/counted';
import { useSend } from '@/ui/kit/form/use-send';
import { deviceToday } from '@/ui/kit/device/device-clock';

/** Where plants are to go. */
export interface Goal {
  place: Pick<Place, 'id' | 'name' | 'kind' | 'rows'> | null;
  /** Of a bed: a stretch as it is typed; left empty somewhere in it. */
  stretch: string;
  limb: string;
  side: Spot['side'];
  on: string;
  note: string;
  /** Who has them from now on; empty where that stays as it is. */
  who: '' | 'us' | 'growers';
}

interface LastMove {
  actionId: string;
  words: string;
}

/** Chooses plants and moves them; the last move can be taken back. All are moved or none. */
export function useMoves(plants: readonly PlacedPlant[]) {
  const { run, busy, problem, setProblem } = useSend();
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const [on, setOn] = useState(() => deviceToday());
  const [last, setLast] = useState<LastMove | null>(null);
  /** The same request keeps its id until it was answered, so that a second try is no second move. */
  const [pending, setPending] = useState<{ body: string; actionId: string } | null>(null);

  const send = async (
    ids: readonly string[],
    place: Goal['place'],
    spots: readonly Spot[],
    at: Goal,
  ): Promise<void> => {
    const body = moveBody(ids, plants, place, spots, at);
    const spelled = JSON.stringify(body);
    const actionId = pending?.body === spelled ? pending.actionId : uuid();
    setPending({ body: spelled, actionId });
    const sent = await run<{ moved: number }>('PUT', `/api/plant-moves/${actionId}`, body);
    if (!sent?.ok) return;
    setLast({ actionId, words: movedWords(ids.length, place, spots) });
    setSelected(new Set());
    setPending(null);
  };
  /** What was typed cannot be, and why. */
  const refused = (error: unknown): void => {
    if (!(error instanceof InputError)) throw error;
    setProblem({ message: error.message, fields: { [error.field]: error.message } });
  };
  const moveTo = async (ids: readonly string[], goal: Goal): Promise<void> => {
    try {
      const { place, stretch, limb, side } = goal;
      const spots =
        place?.rows && stretch.trim() !== ''
          ? spotsFor(ids.length, parseStretch(stretch), place)
          : ids.map((): Spot => (place?.kind === 'tree' ? { ...ANYWHERE, limb: limb.trim(), side } : ANYWHERE));
      await send(ids, place, spots, goal);
    } catch (error) {
      refused(error);
    }
  };
  /** Puts plants on the spots of a bed from one on: what is dropped on the map. */
  const dropOn = async (
    ids: readonly string[],
    place: NonNullable<Goal['place']>,
    spot: { row: number; position: number },
  ): Promise<void> => {
    try {
      const staying = plants.filter(
        ({ plantId, standing }) => standing?.placeId === place.id && !ids.includes(plantId),
      );
      const spots = spotsFrom(
        inRow(spot),
        ids.length,
        place,
        staying.map(({ standing }) => standing!.spot),
      );
      await send(ids, place, spots, { place, stretch: '', limb: '', side: '', on, note: '', who: '' });
    } catch (error) {
      refused(error);
    }
  };
  const takeBack = async (): Promise<void> => {
    if (!last) return;
    const sent = await run('DELETE', `/api/plant-moves/${last.actionId}`);
    if (sent?.ok) setLast(null);
  };
  return { selected, setSelected, on, setOn, last, busy, problem, setProblem, refused, moveTo, dropOn, takeBack };
}

export type Moves = ReturnType<typeof useMoves>;

function moveBody(
  ids: readonly string[],
  plants: readonly PlacedPlant[],
  place: Goal['place'],
  spots: readonly Spot[],
  { on, note, who }: Pick<Goal, 'on' | 'note' | 'who'>,
): object {
  const byId = new Map(plants.map((plant) => [plant.plantId, plant]));
  const moves = ids.map((plantId, i) => {
    const standing = byId.get(plantId)?.standing ?? null;
    return { plantId, from: standing && { placeId: standing.placeId, ...standing.spot }, to: spots[i]! };
  });
  return { moves, toPlaceId: place?.id ?? null, on, note, ...(who === '' ? {} : { withUs: who === 'us' }) };
}

function movedWords(count: number, place: Goal['place'], spots: readonly Spot[]): string {
  const where = place === null ? 'out of all places' : `to ${place.name}`;
  const [first, end] = [spotWords(spots[0]!), spotWords(spots.at(-1)!)];
  const along = first === '' ? '' : first === end ? `, ${first}` : `, ${first} to ${end}`;
  return `${counted(count, 'plant')} moved ${where}${along}.`;
}
