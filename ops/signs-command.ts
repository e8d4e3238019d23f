import { caseOfSigns } from '@/core/follow-up/signs/case-of-signs';
import { csvCommand, namedValues } from './csv-command';

/*
 * npm run -s signs -- FILE.csv
 * Reads rows of the form of core/follow-up/signs/reference/cases.csv and writes them to standard output in the same
 * order, with `computed_answer`, `computed_next_look` and `problem` added.
 */
csvCommand({
  name: 'signs',
  needs: ['variant', 'day', 'signs'],
  json: 'signs',
  added: ['computed_answer', 'computed_next_look'],
  computed: (row, cell) => {
    const signs = namedValues('signs', cell);
    const { answer, nextLook } = caseOfSigns(row, signs);
    return { computed_answer: answer, computed_next_look: nextLook };
  },
});
