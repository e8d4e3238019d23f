import { BUDWOOD_DAYS, LONG_ROAD, WARM_DAYS } from '@/core/findings/causes/evidence/wood-evidence';
import { COLD_SHARE, HOT_HOURS, MUCH_RAIN, SPELL } from '@/core/findings/causes/evidence/weather-evidence';
import { POWER_BEFORE } from '@/core/findings/causes/fitted-power';
import { STRENGTHS } from '@/core/findings/causes/cause-tables';
import { SHIPPED_TABLES } from '@/core/findings/causes/shipped-tables';
import { UNKNOWABLE } from '@/core/findings/causes/evidence/unknowable';
import { NAMED_BELOW, TOLD_FROM } from '@/core/findings/shared/shared-factors';
import { OUR_GUESS, USUAL_PRACTICE } from '@/core/units/figure-source';
import type { FigureRow, FigureSection } from './figure-section';

/** What is gone by when it is asked why unions died; the tables themselves a club sees and changes on a page of its own. */
export function causeFigures(): FigureSection {
  const CLUB = 'a club changes it';
  const rows: FigureRow[] = [
    ...Object.entries(STRENGTHS).map(([strength, ratio]): FigureRow => ({
      name: `Evidence of strength ${strength}`,
      value: `${Number(ratio.toFixed(3))} times as likely`,
      kind: OUR_GUESS,
      margin: 'half to twice',
    })),
    {
      name: 'Wood is stored warm from',
      value: `${WARM_DAYS} days above its range`,
      kind: USUAL_PRACTICE,
      margin: '2 days',
    },
    { name: 'Budwood is old after', value: `${BUDWOOD_DAYS} days`, kind: USUAL_PRACTICE, margin: '2 days' },
    { name: 'Wood was long on the road after', value: `${LONG_ROAD} days`, kind: USUAL_PRACTICE, margin: '7 days' },
    { name: 'A hot spell', value: `${SPELL} hot days running`, kind: OUR_GUESS, margin: '1 to 5 days' },
    { name: 'Much rain in three weeks', value: `${MUCH_RAIN} mm`, kind: OUR_GUESS, margin: '30 to 100 mm' },
    {
      name: 'A callus place was too hot after',
      value: `${HOT_HOURS} hours`,
      kind: USUAL_PRACTICE,
      margin: '3 hours',
    },
    {
      name: 'A callus place was too cold for',
      value: `${Math.round(COLD_SHARE * 100)} % of the time`,
      kind: USUAL_PRACTICE,
      margin: '20 to 50 %',
    },
    { name: 'A group of deaths is told from factor', value: String(TOLD_FROM), kind: OUR_GUESS, margin: '10 to 100' },
    {
      name: 'A group is named where chance names one in so many clubs, all groups looked at',
      value: `${Math.round(NAMED_BELOW * 100)} %`,
      kind: USUAL_PRACTICE,
      margin: '1 to 10 %',
    },
    {
      name: 'Shares are raised to, before causes were settled blind',
      value: `${POWER_BEFORE.mean}, give or take ${POWER_BEFORE.spread}`,
      kind: OUR_GUESS,
      margin: '0.5 to 1',
    },
    {
      name: 'Weights of causes and strengths of evidence',
      value: `${SHIPPED_TABLES.causes.length} causes, ${SHIPPED_TABLES.evidence.length} pieces`,
      kind: OUR_GUESS,
      margin: CLUB,
    },
  ];
  return { title: 'Why unions die', rows };
}

/** Evidence that the tables name and no club can have here, with why. */
export function unknowableLines(): string[] {
  return [
    '## Evidence that no club can have here',
    '',
    'The tables of causes name it, and a strength can be kept for it; nothing that is entered yields it.',
    '',
    ...Object.entries(UNKNOWABLE).map(([code, why]) => `- \`${code}\`: ${why}.`),
    '',
  ];
}
