import type { Add } from './ready-line';

/** The weather that is forecast for the days after, degC, and what a union of the species stands of it. */
export interface Fortnight {
  simulated: boolean;
  hottest: number;
  coldest: number;
  mean: number;
  limits: { from: number; to: number; stop: number } | null;
  indoors: boolean;
  degrees: (celsius: number) => string;
}

/** Whether grafts can knit in the days after. */
export function addForecast(
  { simulated, hottest, coldest, mean, limits, indoors, degrees }: Fortnight,
  add: Add,
): void {
  const question = 'What is the weather in the days after?';
  const by = simulated ? ' (simulated weather)' : '';
  const figures = `${degrees(coldest)} to ${degrees(hottest)}, mean ${degrees(mean)}${by}.`;
  if (indoors)
    add(
      'forecast',
      question,
      coldest < -8 || hottest > 32 ? 'care' : 'go',
      `Outdoors ${figures} The grafts callus indoors.`,
      coldest < -8 || hottest > 32 ? 'Watch the callus place: it follows the weather more than one thinks.' : null,
      coldest < -8 || hottest > 32 ? 'dates' : null,
    );
  else if (!limits)
    add(
      'forecast',
      question,
      'care',
      `${figures} No callus figure is known for this species.`,
      'Enter one at the site, with who says so.',
      'site',
    );
  else if (hottest > limits.stop)
    add(
      'forecast',
      question,
      'care',
      `${figures} Grafts knit badly above ${degrees(limits.stop)}.`,
      'Graft in the early hours; shade the unions, or cover them with foil.',
      'dates',
    );
  else if (mean < limits.from)
    add(
      'forecast',
      question,
      'care',
      `${figures} Callus forms from ${degrees(limits.from)}; it will be slow.`,
      'Cover well, expect every sign later, and tell people so.',
      'briefing',
    );
  else if (coldest < 0)
    add(
      'forecast',
      question,
      'care',
      `${figures} Frost in the first days.`,
      'Cover the grafts on cold nights.',
      'dates',
    );
  else add('forecast', question, 'go', figures);
}
