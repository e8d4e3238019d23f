import type { LotWarning } from '@/core/plan/wood/lot-warnings';

/** What the law, the owner or the store has to say about a lot. */
export function WarningList({ warnings }: { warnings: LotWarning[] }) {
  if (warnings.length === 0) return null;
  return (
    <ul className="flex flex-col gap-1">
      {warnings.map((warning) => (
        <li
          key={warning.id}
          className={`border-l-4 px-2 py-1 ${warning.level === 'stop' ? 'border-loud' : 'border-ink'}`}
        >
          <span className="block font-bold">{warning.says}</span>
          <span className="text-sm">{warning.remedy}</span>
        </li>
      ))}
    </ul>
  );
}
