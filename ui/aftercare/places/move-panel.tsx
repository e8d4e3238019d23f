'use client';

import { Undo2, X } from 'lucide-react';
import { useState } from 'react';
import { LIMB_SIDES, type Place, PLACE_WORDS } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { counted } from '@/core/units/counted';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { deviceToday } from '@/ui/kit/device/device-clock';
import { HappenedToChosen } from './happened-to-chosen';
import { ChoosePlants } from './choose-plants';
import type { Goal, Moves } from './use-moves';

/** A place as it is chosen in a list. */
export type Choice = Pick<Place, 'id' | 'name' | 'kind' | 'rows' | 'capacity'> & {
  site: string;
  held: number;
  limbs: string[];
};

interface MovePanelProps {
  moves: Moves;
  plants: readonly PlacedPlant[];
  places: readonly Choice[];
  bed: Choice | null;
}

/** What is chosen, and where it goes. */
export function MovePanel({ moves, plants, places, bed }: MovePanelProps) {
  const { selected, setSelected, last, busy, problem } = moves;
  return (
    <section aria-labelledby="move" className="self-start border-2 border-ink bg-sheet p-3">
      <h2 id="move" className="mb-2 flex items-center justify-between gap-2">
        {selected.size === 0 ? 'Move plants' : `${counted(selected.size, 'plant')} chosen`}
        {selected.size > 0 && (
          <button
            type="button"
            className="bench-button px-2.5"
            aria-label="Choose none"
            onClick={() => setSelected(new Set())}
          >
            <X aria-hidden className="size-4" />
          </button>
        )}
      </h2>
      <Problem>{problem?.message}</Problem>
      {last && (
        <p role="status" className="mb-2 flex flex-wrap items-center gap-2 border-l-4 border-life pl-2 font-bold">
          {last.words}
          <button type="button" className="bench-button" disabled={busy} onClick={() => void moves.takeBack()}>
            <Undo2 aria-hidden className="size-4" /> Take it back
          </button>
        </p>
      )}
      <ChoosePlants moves={moves} plants={plants} bed={bed} />
      <Destination moves={moves} places={places} />
      <HappenedToChosen plantIds={[...selected]} />
    </section>
  );
}

type Chosen = Omit<Goal, 'place' | 'on'> & { placeId: string };

/** The place, the spot in it and the day. */
function Destination({ moves, places }: Pick<MovePanelProps, 'moves' | 'places'>) {
  const [goal, setGoal] = useState<Chosen>({
    placeId: '',
    stretch: '',
    limb: '',
    side: '',
    note: '',
    who: '',
  });
  const place = places.find(({ id }) => id === goal.placeId) ?? null;
  const change = (changes: Partial<typeof goal>): void => setGoal({ ...goal, ...changes });
  const { selected, on, setOn, busy, problem } = moves;
  const nowhere = goal.placeId === 'none';
  return (
    <form
      className="mt-3 flex flex-col gap-2 border-t border-line pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (selected.size === 0)
          return moves.setProblem({
            message: 'Choose at least one plant: by its tag, on the map or in the list.',
            fields: {},
          });
        if (!place && !nowhere)
          return moves.setProblem({ message: 'Choose where they go.', fields: { to: 'Choose a place.' } });
        void moves.moveTo([...selected], { ...goal, place, on });
      }}
    >
      <Field label="To" error={problem?.fields.to}>
        <select
          value={goal.placeId}
          onChange={(event) => {
            const kind = places.find(({ id }) => id === event.target.value)?.kind;
            // What goes home is its grower’s from then on.
            change({ placeId: event.target.value, stretch: '', limb: '', who: kind === 'home' ? 'growers' : '' });
          }}
        >
          <option value="">Choose a place</option>
          {places.map(({ id, name, kind, site, held, capacity }) => (
            <option key={id} value={id}>
              {name} ({PLACE_WORDS[kind].toLowerCase()}, {site}; {held} of {capacity})
            </option>
          ))}
          <option value="none">out of all places</option>
        </select>
      </Field>
      {place && <SpotFields place={place} goal={goal} moves={moves} onChange={change} />}
      <Field label="Who has them">
        <select value={goal.who} onChange={(event) => change({ who: event.target.value as Goal['who'] })}>
          <option value="">as before</option>
          <option value="us">they stay with us</option>
          <option value="growers">they go home with their growers</option>
        </select>
      </Field>
      <div className="grid grid-cols-2 gap-2">
        <Field label="On" error={problem?.fields.on}>
          <input type="date" value={on} max={deviceToday()} onChange={(event) => setOn(event.target.value)} />
        </Field>
        <Field label="Note">
          <input value={goal.note} maxLength={200} onChange={(event) => change({ note: event.target.value })} />
        </Field>
      </div>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {selected.size === 0 ? 'Move' : `Move ${counted(selected.size, 'plant')}`}
      </button>
    </form>
  );
}

interface SpotFieldsProps {
  place: Choice;
  goal: Chosen;
  moves: Moves;
  onChange: (changes: Partial<Chosen>) => void;
}

/** Where in the place: a stretch of a bed, a limb and side of a tree. */
function SpotFields({ place, goal, moves, onChange }: SpotFieldsProps) {
  return (
    <>
      {place.rows && (
        <Field
          label="Spots"
          hint={`As “row 1, 1 to ${Math.max(2, moves.selected.size)}”; left empty: somewhere in it`}
          error={moves.problem?.fields.stretch ?? moves.problem?.fields.spot}
        >
          <input value={goal.stretch} onChange={(event) => onChange({ stretch: event.target.value })} />
        </Field>
      )}
      {place.kind === 'tree' && (
        <div className="grid grid-cols-2 gap-2">
          <Field label="Limb">
            <input
              list={`limbs-${place.id}`}
              value={goal.limb}
              maxLength={40}
              onChange={(event) => onChange({ limb: event.target.value })}
            />
          </Field>
          <datalist id={`limbs-${place.id}`}>
            {place.limbs.map((limb) => (
              <option key={limb} value={limb} />
            ))}
          </datalist>
          <Field label="Side">
            <select value={goal.side} onChange={(event) => onChange({ side: event.target.value as Goal['side'] })}>
              <option value="">not noted</option>
              {LIMB_SIDES.map((side) => (
                <option key={side}>{side}</option>
              ))}
            </select>
          </Field>
        </div>
      )}
    </>
  );
}
