import { aftercareOfCase } from '@/core/aftercare/reference-case';
import { csvCommand, namedValues } from './csv-command';

/*
 * npm run -s aftercare -- FILE.csv
 * Reads rows of the form of core/aftercare/reference/cases.csv and writes them to standard output in the same order,
 * with `computed` (JSON) and `problem` added.
 */
csvCommand({
  name: 'aftercare',
  needs: ['kind', 'inputs'],
  json: 'inputs',
  added: ['computed'],
  computed: (row, inputs) => ({
    computed: JSON.stringify(aftercareOfCase(row.kind ?? '', namedValues('inputs', inputs))),
  }),
});
