import { object, string } from 'yup';
import { text, optionalText, trimmed, count, decimal } from '@/core/inputs/fields';

export const sourceInput = object({
  kind: string()
    .oneOf(['keeper', 'tree'] as const, 'Choose a tree or a keeper.')
    .required('Choose a tree or a keeper.'),
  name: text('a name for the plant', 120),
  variety: text('the variety', 80),
  species: text('the species', 60),
  region: optionalText('the region', 80),
  note: optionalText('the note', 300),
  code: trimmed()
    .transform((value: unknown) => (typeof value === 'string' ? value.toUpperCase() : value))
    .default(''),
});

export const year = () =>
  decimal()
    .typeError('Enter the year in figures.')
    .required('Enter the year.')
    .integer('Enter a whole year.')
    .min(1950, 'That year cannot be right.')
    .max(2200, 'That year cannot be right.');

export const yearInput = object({ sticks: count('sticks it can give', 0, 10_000) });

export const promiseInput = object({
  year: year(),
  whom: text('who gets them', 120),
  sticks: count('sticks', 1, 10_000),
});
