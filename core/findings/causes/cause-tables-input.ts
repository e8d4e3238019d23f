import { array, type InferType, mixed, number, object, string } from 'yup';
import { id, text } from '../../inputs/fields';

const RELOAD = 'Reload the page and enter it again.';
const figure = () => number().strict().typeError('Enter a figure.').required('Enter a figure.');
const strengths = () =>
  mixed<Record<string, string>>()
    .required(RELOAD)
    .test(
      'strengths',
      RELOAD,
      (value) =>
        typeof value === 'object' &&
        !Array.isArray(value) &&
        Object.keys(value).length <= 60 &&
        Object.values(value).every((strength) => typeof strength === 'string' && strength.length <= 8),
    );

/** Tables of causes as a form sends them; what they hold is checked by checkTables. */
export const causeTablesInput = object({
  changeId: id('the change'),
  version: number().strict().required(RELOAD).integer(RELOAD).min(0, RELOAD),
  source: text('who says so', 300),
  tables: object({
    causes: array(
      object({ cause: string().required(RELOAD).max(40), weights: mixed<Record<string, number>>().required(RELOAD) }),
    )
      .required(RELOAD)
      .max(60, RELOAD),
    evidence: array(
      object({
        code: string().required(RELOAD).max(40),
        kind: string().required(RELOAD).max(10),
        group: string().required(RELOAD).max(40),
        strengths: strengths(),
      }),
    )
      .required(RELOAD)
      .max(400, RELOAD),
    questions: array(
      object({
        question: string().required(RELOAD).max(120),
        effort: figure(),
        answers: array(object({ code: string().required(RELOAD).max(40), found: figure() }))
          .required(RELOAD)
          .max(20, RELOAD),
      }),
    )
      .required(RELOAD)
      .max(60, RELOAD),
  }).required(RELOAD),
});

export type CauseTablesEntry = InferType<typeof causeTablesInput>;
