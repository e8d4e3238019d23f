'use client';

import { useRouter } from 'next/navigation';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import type { Climate } from '@/core/methods/choosing/season';
import { DEED_WORDS, type Limb, type LimbDeed } from '@/core/plan/topworking/limb';
import {
  programmeWarnings,
  programmeYears,
  suggestProgramme,
  type ProgrammeYear,
} from '@/core/plan/topworking/programme';
import { treeView } from '@/core/plan/topworking/tree-view';
import { parseDecimal } from '@/core/units/decimal';
import { formatLengthNumber, toMillimetres, type LengthUnit } from '@/core/units/length';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import type { DisplayList } from '@/core/drawing/display-list';

interface Plan {
  tree: string;
  species: string;
  firstYear: number;
  version: number;
  limbs: Limb[];
}

interface TreePlanProps {
  /** Null for a tree that is not saved yet. */
  id: string | null;
  plan: Plan;
  unit: LengthUnit;
  climate: Climate;
  methods: { id: string; name: string }[];
  mayChange: boolean;
}

/** Text of a limb's figures as typed. */
type Texts = Record<string, string>;
const FIGURES = [
  ['height', 'Height'],
  ['bearing', 'Points to, °'],
  ['angle', 'Angle, °'],
  ['caliper', 'Caliper'],
] as const;
type FigureName = (typeof FIGURES)[number][0];
const YEARS = 3;

/** A tree's limbs as a table and as a plan, with what becomes of each in which year. */
export function TreePlan({ id, plan, unit, climate, methods, mayChange }: TreePlanProps) {
  const router = useRouter();
  const { run, busy, problem } = useSend();
  const [planId] = useState(() => id ?? uuid());
  const [head, setHead] = useState({ tree: plan.tree, species: plan.species, firstYear: String(plan.firstYear) });
  const [limbs, setLimbs] = useState(plan.limbs);
  const [texts, setTexts] = useState<Texts>({});
  const warnings = programmeWarnings(limbs, unit);
  const years = programmeYears(limbs);
  const isLength = (name: FigureName): boolean => name === 'height' || name === 'caliper';
  const shown = (limb: Limb, name: FigureName): string =>
    texts[`${limb.id}.${name}`] ?? (isLength(name) ? formatLengthNumber(limb[name], unit) : String(limb[name]));
  const change = (limbId: string, changes: Partial<Limb>): void =>
    setLimbs((all) => all.map((limb) => (limb.id === limbId ? { ...limb, ...changes } : limb)));
  const type = (limb: Limb, name: FigureName, text: string): void => {
    setTexts((all) => ({ ...all, [`${limb.id}.${name}`]: text }));
    const value = parseDecimal(text);
    if (value !== null) change(limb.id, { [name]: isLength(name) ? toMillimetres(value, unit) : value });
  };
  const unreadable = Object.entries(texts).find(
    ([key, text]) => parseDecimal(text) === null && limbs.some(({ id: limbId }) => key.startsWith(limbId)),
  );
  const add = (): void =>
    setLimbs((all) => [
      ...all,
      {
        id: uuid(),
        name: `Limb ${all.length + 1}`,
        height: 1000,
        bearing: (all.length * 90) % 360,
        angle: 50,
        caliper: 35,
        deed: 'leave',
        year: 1,
        method: null,
      },
    ]);
  const save = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    if (unreadable) return document.querySelector<HTMLElement>(`[data-key="${unreadable[0]}"]`)?.focus();
    const sent = await run('PUT', `/api/topworking/${planId}`, { ...head, version: plan.version, limbs });
    if (sent?.ok && !id) router.push(`/topworking/${planId}`);
  };
  const drawing = treeView(limbs);
  return (
    <form onSubmit={(event) => void save(event)} noValidate>
      <h1 className="mb-3">{plan.tree || 'A tree to change over'}</h1>
      <Problem>
        {unreadable ? 'One of the figures cannot be read. Enter it in figures, such as 35 or 35,5.' : problem?.message}
      </Problem>
      <TreeHead
        problem={problem}
        head={head}
        mayChange={mayChange}
        setHead={setHead}
        warnings={warnings}
        drawing={drawing}
        limbs={limbs}
      />
      {limbs.length === 0 && (
        <p className="board">
          Walk round the tree with a caliper and add its limbs: height on the trunk, where each points, its angle to the
          trunk, and how thick it is where it would be cut, 300 to 450 mm out.
        </p>
      )}
      {limbs.length > 0 && (
        <div className="relative overflow-x-auto">
          <LimbTable
            isLength={isLength}
            unit={unit}
            limbs={limbs}
            mayChange={mayChange}
            change={change}
            shown={shown}
            type={type}
            methods={methods}
            setLimbs={setLimbs}
          />
        </div>
      )}
      {mayChange && <LimbTools add={add} limbs={limbs} setLimbs={setLimbs} climate={climate} busy={busy} />}
      <h2 className="mt-5 mb-1">Year by year</h2>
      <YearList years={years} head={head} methods={methods} />
    </form>
  );
}

interface YearListProps {
  years: ProgrammeYear[];
  head: { tree: string; species: string; firstYear: string };
  methods: TreePlanProps['methods'];
}

/** What is done year by year. */
function YearList({ years, head, methods }: YearListProps) {
  return (
    <ol className="border-t-2 border-ink">
      {years.map(({ year, graft, remove, nurse, left }) => (
        <li key={year} className="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[6rem_minmax(0,1fr)_12rem]">
          <span className="text-xl font-bold tabular-nums">{Number(head.firstYear) + year - 1}</span>
          <span>
            {remove.length > 0 && <>Take out {remove.map(({ name }) => name).join(', ')}. </>}
            {graft.length > 0 && (
              <>
                Graft{' '}
                {graft
                  .map(
                    ({ name, method }) =>
                      `${name} (${methods.find((choice) => choice.id === method)?.name.toLowerCase() ?? 'no method yet'})`,
                  )
                  .join(', ')}
                .{' '}
              </>
            )}
            {nurse.length > 0 && (
              <>
                {nurse
                  .map(
                    ({ name, year: off }) =>
                      `${name} feeds the roots${off === year ? ' and comes off when the scions grow strongly' : ''}`,
                  )
                  .join('; ')}
                .
              </>
            )}
          </span>
          <span className="text-muted">
            {left.length} {left.length === 1 ? 'limb' : 'limbs'} left to convert
          </span>
        </li>
      ))}
    </ol>
  );
}

interface LimbToolsProps {
  add: () => void;
  limbs: Limb[];
  setLimbs: Dispatch<SetStateAction<Limb[]>>;
  climate: TreePlanProps['climate'];
  busy: boolean;
}

/** Adds a limb, and suggests a programme. */
function LimbTools({ add, limbs, setLimbs, climate, busy }: LimbToolsProps) {
  return (
    <p className="mt-3 flex flex-wrap gap-2">
      <button type="button" className="bench-button" onClick={add}>
        Add a limb
      </button>
      <button
        type="button"
        className="bench-button"
        disabled={limbs.length === 0}
        onClick={() => setLimbs(suggestProgramme(limbs, climate, YEARS))}
      >
        Suggest by angle and caliper
      </button>
      <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
        Save the programme
      </button>
    </p>
  );
}

interface LimbRowProps {
  i: number;
  limb: Limb;
  mayChange: TreePlanProps['mayChange'];
  change: (limbId: string, changes: Partial<Limb>) => void;
  shown: (limb: Limb, name: FigureName) => string;
  type: (limb: Limb, name: FigureName, text: string) => void;
  methods: TreePlanProps['methods'];
  setLimbs: Dispatch<SetStateAction<Limb[]>>;
}

/** One limb: its figures, what becomes of it, when and how. */
function LimbRow({ i, limb, mayChange, change, shown, type, methods, setLimbs }: LimbRowProps) {
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
        <DeedChoice i={i} limb={limb} mayChange={mayChange} change={change} />
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
        <MethodChoice i={i} limb={limb} mayChange={mayChange} change={change} methods={methods} />
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

interface LimbTableProps {
  isLength: (name: FigureName) => boolean;
  unit: TreePlanProps['unit'];
  limbs: Limb[];
  mayChange: TreePlanProps['mayChange'];
  change: (limbId: string, changes: Partial<Limb>) => void;
  shown: (limb: Limb, name: FigureName) => string;
  type: (limb: Limb, name: FigureName, text: string) => void;
  methods: TreePlanProps['methods'];
  setLimbs: Dispatch<SetStateAction<Limb[]>>;
}

/** The limbs of the tree. */
function LimbTable({ isLength, unit, limbs, mayChange, change, shown, type, methods, setLimbs }: LimbTableProps) {
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
          <LimbRow
            key={limb.id}
            i={i}
            limb={limb}
            mayChange={mayChange}
            change={change}
            shown={shown}
            type={type}
            methods={methods}
            setLimbs={setLimbs}
          />
        ))}
      </tbody>
    </table>
  );
}

interface TreeHeadProps {
  problem: { message: string; fields: Record<string, string> } | null;
  head: { tree: string; species: string; firstYear: string };
  mayChange: TreePlanProps['mayChange'];
  setHead: Dispatch<SetStateAction<{ tree: string; species: string; firstYear: string }>>;
  warnings: string[];
  drawing: DisplayList;
  limbs: Limb[];
}

/** Which tree, and its drawing. */
function TreeHead({ problem, head, mayChange, setHead, warnings, drawing, limbs }: TreeHeadProps) {
  return (
    <div className="mb-4 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[26rem_minmax(0,1fr)]">
      <div className="flex flex-col gap-3">
        <Field label="Which tree" error={problem?.fields.tree}>
          <input
            value={head.tree}
            maxLength={120}
            readOnly={!mayChange}
            onChange={(event) => setHead({ ...head, tree: event.target.value })}
          />
        </Field>
        <div className="grid grid-cols-2 gap-3">
          <Field label="Species" error={problem?.fields.species}>
            <input
              value={head.species}
              maxLength={60}
              readOnly={!mayChange}
              onChange={(event) => setHead({ ...head, species: event.target.value })}
            />
          </Field>
          <Field label="First year" error={problem?.fields.firstYear}>
            <input
              value={head.firstYear}
              inputMode="numeric"
              readOnly={!mayChange}
              onChange={(event) => setHead({ ...head, firstYear: event.target.value })}
            />
          </Field>
        </div>
        {warnings.length > 0 && (
          <ul className="border-l-4 border-ink pl-3" aria-label="To think of">
            {warnings.map((warning) => (
              <li key={warning} className="py-0.5">
                {warning}
              </li>
            ))}
          </ul>
        )}
        <p className="border-l-4 border-loud pl-3 text-sm">
          Undercut each limb first and stand clear of the drop. Ladders, power saws and power lines are for trained
          people under local rules. Ask leave before grafting on another’s tree.
        </p>
      </div>
      <div className="min-w-0 overflow-hidden border border-line bg-sheet p-2">
        <UnionDrawing
          drawing={drawing}
          width={560}
          title={`Plan of the tree: ${limbs.length} limbs`}
          className="h-auto! w-full!"
        />
      </div>
    </div>
  );
}

interface MethodChoiceProps {
  i: LimbRowProps['i'];
  limb: LimbRowProps['limb'];
  mayChange: LimbRowProps['mayChange'];
  change: LimbRowProps['change'];
  methods: LimbRowProps['methods'];
}

/** The method a limb is worked by. */
function MethodChoice({ i, limb, mayChange, change, methods }: MethodChoiceProps) {
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

interface DeedChoiceProps {
  i: LimbRowProps['i'];
  limb: LimbRowProps['limb'];
  mayChange: LimbRowProps['mayChange'];
  change: LimbRowProps['change'];
}

/** What becomes of a limb. */
function DeedChoice({ i, limb, mayChange, change }: DeedChoiceProps) {
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
