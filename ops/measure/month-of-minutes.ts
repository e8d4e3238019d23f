import { v7 as uuid } from 'uuid';

/** A logger's file of a month, a reading a minute, as the form of a place sends it; another file each time. */
export function monthOfMinutes(): FormData {
  const from = Date.now() - 40 * 86_400_000 + Math.floor(Math.random() * 30_000);
  const lines = ['time,temperature_c'];
  for (let i = 0; i < 30 * 1440; i++)
    lines.push(`${new Date(from + i * 60_000).toISOString().slice(0, 19)}Z,${(22 + Math.sin(i / 400)).toFixed(2)}`);
  const form = new FormData();
  form.set('file', new File([lines.join('\n')], 'month.csv', { type: 'text/csv' }));
  form.set('logId', uuid());
  form.set('unit', 'C');
  form.set('zone', 'UTC');
  form.set('anyway', 'yes');
  return form;
}
