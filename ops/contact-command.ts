import { contactOfCase, gradeOfCase } from '@/core/contact/reference-case';
import { csvCommand, namedValues } from './csv-command';

/*
 * npm run -s contact -- FILE.csv
 * Reads rows of the form of reference/contact-cases.csv and writes them to standard output in the
 * same order, with computed, computed_left, computed_right, computed_grade and problem added.
 */

const share = (value: number | null): string => (value === null ? '' : value.toFixed(4));

csvCommand({
  name: 'contact',
  needs: ['model', 'inputs'],
  json: 'inputs',
  added: ['computed', 'computed_left', 'computed_right', 'computed_grade'],
  computed: (row, cell) => {
    const figures = namedValues('inputs', cell);
    const model = row.model ?? '';
    const { contact, left, right } = contactOfCase(model, figures);
    return {
      computed: share(contact),
      computed_left: share(left),
      computed_right: share(right),
      computed_grade: gradeOfCase(model, figures) ?? '',
    };
  },
});
