import { caseOfCauses } from '@/core/findings/causes/case-of-causes';
import { SHIPPED_MODEL } from '@/core/findings/causes/shipped-tables';
import { csvCommand } from './csv-command';

/*
 * npm run -s diagnose -- FILE.csv
 * Reads rows of the form of core/findings/causes/reference/cases.csv and writes them to standard output in the same
 * order, with verdict, the three likeliest causes and their shares, what to ask next and its bits, and `problem` added.
 */
csvCommand({
  name: 'diagnose',
  needs: ['group', 'evidence'],
  json: 'evidence',
  added: [
    'computed_verdict',
    'computed_first',
    'computed_p1',
    'computed_second',
    'computed_p2',
    'computed_third',
    'computed_p3',
    'computed_ask_next',
    'computed_bits',
  ],
  computed: (row, evidence) => {
    const { verdict, likely, askNext, bits } = caseOfCauses(SHIPPED_MODEL, row.group ?? '', evidence);
    const [first, second, third] = likely;
    return {
      computed_verdict: verdict,
      computed_first: first![0],
      computed_p1: first![1],
      computed_second: second![0],
      computed_p2: second![1],
      computed_third: third![0],
      computed_p3: third![1],
      computed_ask_next: askNext,
      computed_bits: bits,
    };
  },
});
