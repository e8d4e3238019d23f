import { turnbull } from '@/core/findings/survival/turnbull';
import { modelCommand, numberIn } from './model-command';

/*
 * npm run -s survival -- FILE.csv
 * Reads left (last day seen alive) and right (day seen dead, empty for never), a plant a row, and prints Turnbull's
 * estimate as JSON: [{from, to, survival_after}].
 */
modelCommand({
  name: 'survival',
  needs: ['left', 'right'],
  answer: ({ rows }) =>
    turnbull(
      rows.map((row, at) => ({
        left: numberIn(row, 'left', at),
        right: (row.right ?? '').trim() === '' ? null : numberIn(row, 'right', at),
      })),
    ).steps.map(({ from, to, survivalAfter }) => ({ from, to, survival_after: survivalAfter })),
});
