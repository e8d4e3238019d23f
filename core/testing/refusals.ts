import { type AnyObject, type Schema, ValidationError } from 'yup';

/** A schema of any kind, with or without a default. */
type AnySchema = Pick<Schema<unknown, AnyObject, unknown, 'd' | ''>, 'validateSync'>;

/** The day the tests of inputs are entered on. */
export const ENTERED_ON = new Date('2026-03-10T09:00:00Z');

/** What a schema refuses of an input, by the path of its field; empty when all of it is taken. */
export function refusals(schema: AnySchema, input: unknown, now = ENTERED_ON): Record<string, string> {
  try {
    schema.validateSync(input, { abortEarly: false, context: { now } });
    return {};
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    const refused: Record<string, string> = {};
    for (const { path = '', message } of all) refused[path] ??= message;
    return refused;
  }
}

/** An input as the schema takes it. */
export function taken(schema: AnySchema, input: unknown, now = ENTERED_ON): unknown {
  return schema.validateSync(input, { context: { now } });
}
