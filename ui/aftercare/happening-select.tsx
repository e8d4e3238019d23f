import { type Happening, HAPPENINGS } from '@/core/aftercare/happening';
import { Field } from '@/ui/kit/form/field';

/** What happened to a plant, chosen from all that can. */
export function HappeningSelect({ what, onWhat }: { what: Happening; onWhat: (what: Happening) => void }) {
  return (
    <Field label="What happened">
      <select value={what} onChange={(event) => onWhat(event.target.value as Happening)}>
        {Object.entries(HAPPENINGS).map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </Field>
  );
}
