'use client';

import { DEED_WORDS, type Limb, type LimbDeed } from '@/core/plan/topworking/limb';
import { parseDecimal } from '@/core/units/decimal';
import { type TreeOnBoard, FIGURES } from './use-tree';

/** One limb: its figures, what becomes of it, when and how. */
function LimbRow({ i, limb, tree }: { i: number; limb: Limb; tree: TreeOnBoard }) {
  const { mayChange, change, shown, type, setLimbs } = tree;
  return (
    <tr>
      <td className="font-bold tabular-nums">{i + 1}</td>
      <td>
        <input
          aria-label={`Name of limb ${i + 1}`}
          value={limb.name}
          maxLength={40}
          readOnly={!mayChange}
          onChange={(event) => change(limb.id, { name: event.target.value })}
          className="bench-input w-36!"
        />
      </td>
      {FIGURES.map(([name, label]) => (
        <td key={name}>
          <input
            aria-label={`${label} of limb ${i + 1}`}
            data-key={`${limb.id}.${name}`}
            aria-invalid={parseDecimal(shown(limb, name)) === null}
            value={shown(limb, name)}
            inputMode="decimal"
            readOnly={!mayChange}
            onChange={(event) => type(limb, name, event.target.value)}
            className="bench-input w-20!"
          />
        </td>
      ))}
      <td>
        <DeedChoice i={i} limb={limb} tree={tree} />
      </td>
      <td>
        <select
          aria-label={`Year of limb ${i + 1}`}
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
      </td>
      <td>
        <MethodChoice i={i} limb={limb} tree={tree} />
      </td>
      <td>
        {mayChange && (
          <button
            type="button"
            className="min-h-11 cursor-pointer px-1 underline"
            onClick={() => setLimbs((all) => all.filter((other) => other.id !== limb.id))}
          >
            Remove<span className="sr-only"> limb {i + 1}</span>
          </button>
        )}
      </td>
    </tr>
  );
}

/** The limbs of the tree. */
export function LimbTable({ tree }: { tree: TreeOnBoard }) {
  const { isLength, unit, limbs } = tree;
  return (
    <table className="bench-table min-w-[62rem]">
      <caption className="sr-only">Limbs of the tree</caption>
      <thead>
        <tr>
          <th scope="col">#</th>
          <th scope="col">Limb</th>
          {FIGURES.map(([name, label]) => (
            <th key={name} scope="col">
              {label}
              {isLength(name) ? `, ${unit}` : ''}
            </th>
          ))}
          <th scope="col">What becomes of it</th>
          <th scope="col">Year</th>
          <th scope="col">Method</th>
          <th scope="col">
            <span className="sr-only">Remove the row</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {limbs.map((limb, i) => (
          <LimbRow key={limb.id} i={i} limb={limb} tree={tree} />
        ))}
      </tbody>
    </table>
  );
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
