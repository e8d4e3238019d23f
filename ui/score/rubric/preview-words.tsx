import { counted } from '@/core/units/counted';
import type { RubricPreview } from '@/core/score/rubric/rubric-preview';

/** What changed rules would have made of past practice, in words. */
export function PreviewWords({ preview }: { preview: RubricPreview }) {
  const { unions, people, mean, rises, falls, readyNow, readyThen, lost, gained } = preview;
  if (!mean) return <p>No practice union of this method was scored yet, so there is nothing to try it on.</p>;
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 tabular-nums" data-testid="preview">
      <dt>Unions, of {counted(people, 'person', 'people')}</dt>
      <dd className="text-right font-bold">{unions}</dd>
      <dt>Mean score</dt>
      <dd className="text-right font-bold">
        {mean.now.toFixed(1)} to {mean.then.toFixed(1)}
      </dd>
      <dt>Rise, fall</dt>
      <dd className="text-right font-bold">
        {rises}, {falls}
      </dd>
      <dt>Ready</dt>
      <dd className="text-right font-bold">
        {readyNow} to {readyThen}
      </dd>
      <dt>Ready, and would not be</dt>
      <dd className={`text-right font-bold ${lost > 0 ? 'text-loud' : ''}`}>{lost}</dd>
      <dt>Not ready, and would be</dt>
      <dd className="text-right font-bold">{gained}</dd>
    </dl>
  );
}
