import type { Conflict } from '@/core/plan/dates/date-conflicts';

/** What speaks against the plan, each with a way out; said when nothing does. */
export function ConflictList({
  conflicts,
  siteId,
  hasNormals,
}: {
  conflicts: Conflict[];
  siteId: string;
  hasNormals: boolean;
}) {
  return (
    <div>
      {!hasNormals && (
        <p className="mb-3 border-l-4 border-loud bg-sheet px-3 py-2">
          This site has no normals, so nothing can be dated by its year and the usual calendar stands in.{' '}
          <a href={`/sites/${siteId}`} className="font-bold">
            Enter them, read a CSV file or take a simulated climate
          </a>
          .
        </p>
      )}
      {conflicts.length === 0 && hasNormals && (
        <p className="text-muted">No date of the plan speaks against this day.</p>
      )}
      <ul className="flex flex-col gap-2">
        {conflicts.map(({ id, level, says, remedy }) => (
          <li key={id} className={`border-l-4 bg-sheet px-3 py-2 ${level === 'stop' ? 'border-loud' : 'border-ink'}`}>
            <span className="block font-bold">
              {level === 'stop' ? 'Will not work: ' : 'Mind: '}
              {says}
            </span>
            <span className="text-sm">{remedy}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
