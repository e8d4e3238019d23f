'use client';

import { DEED_WORDS, type Limb, type LimbDeed } from '@/core/plan/topworking/limb';
import { parseDecimal } from '@/core/units/decimal';
import { parseLength } from '@/core/units/parse-length';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';
import { type TreeOnBoard, FIGURES } from './use-tree';

/** The limbs of the tree: their figures, what becomes of each, when and how. */
export function LimbTable({ tree }: { tree: TreeOnBoard }) {
  return (
    <SheetTable
      label="Limbs of the tree"
      className="min-w-[62rem]"
      rows={tree.limbs}
      columns={limbColumns(tree)}
      idOf={({ id }) => id}
    />
  );
}

function limbColumns(tree: TreeOnBoard): SheetColumn<Limb>[] {
  const { limbs, mayChange, change, setLimbs } = tree;
  const nth = (limb: Limb): number => limbs.indexOf(limb) + 1;
  return [
    { id: 'nth', head: '#', value: nth, cell: nth, className: 'font-bold tabular-nums' },
    {
      id: 'limb',
      head: 'Limb',
      cell: (limb) => (
        <input
          aria-label={`Name of limb ${nth(limb)}`}
          value={limb.name}
          maxLength={40}
          readOnly={!mayChange}
          onChange={(event) => change(limb.id, { name: event.target.value })}
          className="bench-input w-36!"
        />
      ),
    },
    ...FIGURES.map(([name, label]) => figureColumn(tree, name, label)),
    {
      id: 'deed',
      head: 'What becomes of it',
      value: ({ deed }) => DEED_WORDS[deed],
      cell: (limb) => <DeedChoice i={nth(limb) - 1} limb={limb} tree={tree} />,
    },
    {
      id: 'year',
      head: 'Year',
      value: ({ deed, year }) => (deed === 'leave' ? 99 : year),
      cell: (limb) => (
        <select
          aria-label={`Year of limb ${nth(limb)}`}
          value={limb.year}
          disabled={!mayChange || limb.deed === 'leave'}
          onChange={(event) => change(limb.id, { year: Number(event.target.value) })}
          className="bench-input w-16!"
        >
          {[1, 2, 3, 4, 5, 6].map((year) => (
            <option key={year} value={year}>
              {year}
            </option>
          ))}
        </select>
      ),
    },
    graftedColumn(tree),
    { id: 'method', head: 'Method', cell: (limb) => <MethodChoice i={nth(limb) - 1} limb={limb} tree={tree} /> },
    {
      id: 'remove',
      head: <span className="sr-only">Remove the row</span>,
      cell: (limb) =>
        mayChange && (
          <button
            type="button"
            className="min-h-11 cursor-pointer px-1 underline"
            onClick={() => setLimbs((all) => all.filter((other) => other.id !== limb.id))}
          >
            Remove<span className="sr-only"> limb {nth(limb)}</span>
          </button>
        ),
    },
  ];
}

/** A column of figures to fill in; what is no figure is marked. */
function figureColumn(
  { isLength, unit, limbs, mayChange, shown, type }: TreeOnBoard,
  name: (typeof FIGURES)[number][0],
  label: string,
): SheetColumn<Limb> {
  const isFigure = (text: string): boolean => (isLength(name) ? parseLength(text, unit) : parseDecimal(text)) !== null;
  return {
    id: name,
    head: `${label}${isLength(name) ? `, ${unit}` : ''}`,
    cell: (limb) => (
      <input
        aria-label={`${label} of limb ${limbs.indexOf(limb) + 1}`}
        data-key={`${limb.id}.${name}`}
        aria-invalid={!isFigure(shown(limb, name))}
        value={shown(limb, name)}
        inputMode="decimal"
        readOnly={!mayChange}
        onChange={(event) => type(limb, name, event.target.value)}
        className="bench-input w-20!"
      />
    ),
  };
}

/** The day a limb was grafted; from then on it is under care. */
function graftedColumn({ mayChange, change, limbs }: TreeOnBoard): SheetColumn<Limb> {
  return {
    id: 'grafted',
    head: 'Grafted on',
    cell: (limb) =>
      limb.deed === 'graft' && (
        <input
          type="date"
          aria-label={`Day limb ${limbs.indexOf(limb) + 1} was grafted`}
          value={limb.graftedOn ?? ''}
          readOnly={!mayChange}
          onChange={(event) => change(limb.id, { graftedOn: event.target.value || null })}
          className="bench-input w-40!"
        />
      ),
  };
}

/** The method a limb is worked by. */
function MethodChoice({ i, limb, tree }: { i: number; limb: Limb; tree: TreeOnBoard }) {
  const { mayChange, change, methods } = tree;
  return (
    <select
      aria-label={`Method of limb ${i + 1}`}
      value={limb.method ?? ''}
      disabled={!mayChange || limb.deed !== 'graft'}
      onChange={(event) => change(limb.id, { method: event.target.value || null })}
      className="bench-input w-40!"
    >
      <option value="">none yet</option>
      {methods.map((method) => (
        <option key={method.id} value={method.id}>
          {method.name}
        </option>
      ))}
    </select>
  );
}

/** What becomes of a limb. */
function DeedChoice({ i, limb, tree }: { i: number; limb: Limb; tree: TreeOnBoard }) {
  const { mayChange, change } = tree;
  return (
    <select
      aria-label={`What becomes of limb ${i + 1}`}
      value={limb.deed}
      disabled={!mayChange}
      onChange={(event) =>
        change(limb.id, {
          deed: event.target.value as LimbDeed,
          ...(event.target.value === 'graft' ? {} : { method: null }),
        })
      }
      className="bench-input w-36!"
    >
      {(Object.keys(DEED_WORDS) as LimbDeed[]).map((deed) => (
        <option key={deed} value={deed}>
          {DEED_WORDS[deed]}
        </option>
      ))}
    </select>
  );
}
