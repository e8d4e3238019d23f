import type { TablesPreview } from '@/core/findings/causes/tables-preview';
import { counted } from '@/core/units/counted';

/** What changed tables would say of past deaths, beside what is said now. */
export function PreviewResult({
  preview: { deaths, changed, settled, agreeBefore, agreeAfter },
}: {
  preview: TablesPreview;
}) {
  return (
    <div className="mt-3" role="status">
      <p className="font-bold">
        {changed.length === 0
          ? `Of ${counted(deaths, 'death')} the same would be said.`
          : `Of ${counted(deaths, 'death')} ${changed.length} would be said otherwise.`}{' '}
        {settled > 0 &&
          `Of ${settled} that a person settled, the tables say the same of ${agreeBefore} now, of ${agreeAfter} then.`}
      </p>
      <ul className="mt-1">
        {changed.slice(0, 20).map(({ unionId, called, href, before, after, settled: by }) => (
          <li key={unionId}>
            <a href={href}>{called}</a>: {before}, then {after}
            {by && ` (settled: ${by})`}
          </li>
        ))}
      </ul>
      {changed.length > 20 && <p className="text-sm text-muted">And {changed.length - 20} more.</p>}
    </div>
  );
}
