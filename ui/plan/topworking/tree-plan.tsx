'use client';
import { saidLength } from '@/core/units/prose';
import { suggestProgramme } from '@/core/plan/topworking/programme';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { useTree, type TreeOnBoard, type TreePlanProps } from './use-tree';
import { LimbTable } from './limb-table';
const YEARS = 3;

/** A tree's limbs as a table and as a plan, with what becomes of each in which year. */
export function TreePlan(props: TreePlanProps) {
  const tree = useTree(props);
  const { plan, mayChange, problem, limbs, unreadable, save } = tree;

  return (
    <form onSubmit={(event) => void save(event)} noValidate>
      <h1 className="mb-3">{plan.tree || 'A tree to change over'}</h1>
      <Problem>
        {unreadable ? 'One of the figures cannot be read. Enter it in figures, such as 35 or 35,5.' : problem?.message}
      </Problem>
      <TreeHead tree={tree} />
      {limbs.length === 0 && (
        <p className="board">
          Walk round the tree with a caliper and add its limbs: height on the trunk, where each points, its angle to the
          trunk, and how thick it is where it would be cut, {saidLength({ mm: 300, to: 450 }, tree.unit)} out.
        </p>
      )}
      {limbs.length > 0 && <LimbTable tree={tree} />}
      {mayChange && <LimbTools tree={tree} />}
      <h2 className="mt-5 mb-1">Year by year</h2>
      <YearList tree={tree} />
    </form>
  );
}

/** What is done year by year. */
function YearList({ tree }: { tree: TreeOnBoard }) {
  const { years, firstYear, methods } = tree;
  return (
    <ol className="border-t-2 border-ink">
      {years.map(({ year, graft, remove, nurse, left }) => (
        <li key={year} className="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[6rem_minmax(0,1fr)_12rem]">
          <span className="text-xl font-bold tabular-nums">{firstYear + year - 1}</span>
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

/** Adds a limb, and suggests a programme. */
function LimbTools({ tree }: { tree: TreeOnBoard }) {
  const { add, limbs, setLimbs, day, busy } = tree;
  return (
    <p className="mt-3 flex flex-wrap gap-2">
      <button type="button" className="bench-button" onClick={add}>
        Add a limb
      </button>
      <button
        type="button"
        className="bench-button"
        disabled={limbs.length === 0 || !day}
        onClick={() => day && setLimbs(suggestProgramme(limbs, day, YEARS, tree.methods))}
      >
        Suggest by angle, caliper and day
      </button>
      <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
        Save the programme
      </button>
    </p>
  );
}

/** Which tree, and its drawing. */
function TreeHead({ tree }: { tree: TreeOnBoard }) {
  const { problem, head, mayChange, setHead, warnings, drawing, limbs } = tree;
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
          <Field label="First grafting on" error={problem?.fields.graftDay}>
            <input
              type="date"
              value={head.graftDay}
              readOnly={!mayChange}
              onChange={(event) => setHead({ ...head, graftDay: event.target.value })}
            />
          </Field>
        </div>
        {mayChange && !head.graftDay && (
          <p className="text-sm text-muted">
            Enter the day you mean to graft. Which methods are in season hangs on it; later years follow on the same
            day.
          </p>
        )}
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
