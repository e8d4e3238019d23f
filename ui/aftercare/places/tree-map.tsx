'use client';

import Link from 'next/link';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatCode } from '@/core/codes/plant-code';
import { DEED_WORDS } from '@/core/plan/topworking/limb';
import { treeViews } from '@/core/plan/topworking/tree-view';
import type { PlacedPlant, TreeLimb } from '@/core/aftercare/places/place-view';
import { parseLength } from '@/core/units/parse-length';
import { formatDate } from '@/core/units/iso-date';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { deviceToday } from '@/ui/kit/device/device-clock';

interface TreeMapProps {
  limbs: readonly TreeLimb[];
  plants: readonly PlacedPlant[];
  unit: LengthUnit;
  mayChange: boolean;
  me: { id: string; name: string };
}

/** A tree from the side and from above, with its limbs: what is grafted, how it grows, and what hangs on each side. */
export function TreeMap({ limbs, plants, unit, mayChange, me }: TreeMapProps) {
  const [limbId, setLimbId] = useState<string | null>(null);
  if (limbs.length === 0)
    return (
      <p className="board mb-3">
        No programme of this tree is noted, so its limbs cannot be drawn. Choose one under “Change”, or note limb and
        side with each move.
      </p>
    );
  const { side, above } = treeViews(limbs);
  return (
    <div className="mb-4">
      <div className="flex flex-wrap gap-x-4">
        <UnionDrawing drawing={side} width={340} title="The tree from the side" />
        <UnionDrawing drawing={above} width={340} title="The tree from above, north up" />
      </div>
      <ol className="mt-3 divide-y divide-line border-y border-line">
        {limbs.map((limb, i) => (
          <li key={limb.id} className="py-2">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
              <span className="w-8 font-bold">{i + 1}</span>
              <span className="basis-52 grow">
                <strong>{limb.name}</strong>, {DEED_WORDS[limb.deed].toLowerCase()}
                {limb.graft
                  ? `; grafted ${formatDate(limb.graft.madeOn)}`
                  : limb.deed === 'graft'
                    ? `; year ${limb.year}`
                    : ''}
                <LimbGrowth limb={limb} unit={unit} />
                <OnLimb plants={plants} name={limb.name} />
              </span>
              {limb.graft && mayChange && (
                <button
                  type="button"
                  className="bench-button"
                  aria-expanded={limbId === limb.id}
                  onClick={() => setLimbId(limbId === limb.id ? null : limb.id)}
                >
                  Measure
                </button>
              )}
            </div>
            {limbId === limb.id && <HeightForm limb={limb} unit={unit} me={me} onDone={() => setLimbId(null)} />}
          </li>
        ))}
      </ol>
    </div>
  );
}

/** How fast the graft of a limb grows beside the others, and what follows for the nurse limb. */
function LimbGrowth({ limb: { graft, growth, thinNurse }, unit }: { limb: TreeLimb; unit: LengthUnit }) {
  if (!graft || !growth) return null;
  return (
    <span className={`block text-sm ${growth.slow ? 'font-bold' : 'text-muted'}`}>
      {formatLength(growth.perWeek, unit)} a week
      {growth.kin ? `; its kin ${formatLength(growth.kin.perWeek, unit)} (${growth.kin.count})` : ''}
      {growth.slow ? '. That is slow' : ''}
      {thinNurse === '' ? '' : `: ${thinNurse}`}
    </span>
  );
}

function OnLimb({ plants, name }: { plants: readonly PlacedPlant[]; name: string }) {
  const here = plants.filter(({ standing }) => standing?.spot.limb === name);
  if (here.length === 0) return null;
  return (
    <span className="block text-sm">
      {here.map(({ plantId, code, standing }, i) => (
        <span key={plantId}>
          {i > 0 && ', '}
          <Link href={`/plants/${code}`}>{formatCode(code)}</Link>
          {standing!.spot.side === '' ? '' : ` (${standing!.spot.side})`}
        </span>
      ))}
    </span>
  );
}

interface HeightFormProps {
  limb: TreeLimb;
  unit: LengthUnit;
  me: { id: string; name: string };
  onDone: () => void;
}

/** Enters how long the shoot of a limb's graft is. */
function HeightForm({ limb, unit, me, onDone }: HeightFormProps) {
  const { run, busy, problem, setProblem } = useSend();
  const [id] = useState(() => uuid());
  const [typed, setTyped] = useState('');
  const [on, setOn] = useState(() => deviceToday());
  const save = async (): Promise<void> => {
    const value = parseLength(typed, unit);
    if (value === null)
      return setProblem({ message: 'Enter the length as a number.', fields: { lengthMm: 'A number.' } });
    const sent = await run('PUT', `/api/union-observations/${id}`, {
      unionId: limb.id,
      kind: 'height',
      lengthMm: value,
      seenOn: on,
      assessorId: me.id,
    });
    if (sent?.ok) onDone();
  };
  return (
    <form
      noValidate
      className="mt-2 flex flex-wrap items-end gap-3 border-l-4 border-ink bg-mist p-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Problem>{problem?.message}</Problem>
      <Field label={`Longest new shoot, ${unit}`} needed error={problem?.fields.lengthMm}>
        <input inputMode="decimal" value={typed} onChange={(event) => setTyped(event.target.value)} />
      </Field>
      <Field label="On" error={problem?.fields.seenOn}>
        <input type="date" value={on} max={deviceToday()} onChange={(event) => setOn(event.target.value)} />
      </Field>
      <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
        Keep it
      </button>
    </form>
  );
}
