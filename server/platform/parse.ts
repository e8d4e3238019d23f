import { ValidationError, type InferType, type Schema } from 'yup';
import { UseCaseError } from './use-case-error';

/**
 * Input as the schema has it, or a refusal that names each field. Unknown keys are dropped.
 *
 * @param now needed where the schema has days, which lie within bounds of it.
 */
export function parse<S extends Schema>(schema: S, input: unknown, now?: Date): InferType<S> {
  try {
    return schema.validateSync(input, { abortEarly: false, stripUnknown: true, context: { now } }) as InferType<S>;
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const problems = error.inner.length > 0 ? error.inner : [error];
    // Of several refusals of a field the first is said: what is missing, before what its form ought to be.
    const fields: Record<string, string> = {};
    for (const { path = '', message } of problems) fields[path] ??= message;
    throw new UseCaseError('invalid', problems[0]!.message, fields);
  }
}
