import { Field } from './field';

/** In which degrees a file has its temperatures, where its heading does not say. */
export function DegreesField({ error }: { error: string | undefined }) {
  return (
    <Field label="Degrees in the file" error={error}>
      <select name="unit" defaultValue="">
        <option value="">as its heading says</option>
        <option value="C">°C</option>
        <option value="F">°F</option>
      </select>
    </Field>
  );
}
