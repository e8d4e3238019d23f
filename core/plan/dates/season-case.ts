import { InputError } from '@/core/contact/input-error';
import type { MethodFacts } from '../../methods/method-facts';
import { PLACE_WORDS, type Place } from '../../methods/use';
import { problemOfNormals } from '../climate/normals';
import { assumptionsWith } from '../phenology/assumptions';
import { phenologyOf } from '../phenology/phenology';
import { type DayVerdict, methodYear, verdictOn } from './season-finder';
import { WOOD_SUPPLIES, type WoodSupply } from './season-window';

/** Columns of a day on which somebody would graft. */
export const SEASON_COLUMNS = [
  'hemisphere',
  'low',
  'high',
  'last_frost',
  'first_frost',
  'frost_margin',
  'method',
  'scion',
  'stock',
  'where',
  'wood',
  'day',
] as const;

/**
 * Whether a method can be done on a day at a site, read from a row of text.
 *
 * @param row temperatures in degC, twelve to a cell, January first; frost dates as month and day, or empty
 * @throws InputError that names the column
 */
export function seasonCase(row: Record<string, string>, methods: readonly MethodFacts[]): DayVerdict {
  const oneOf = <Value extends string>(column: string, values: readonly Value[]): Value => {
    const value = (row[column] ?? '').trim();
    if (!values.includes(value as Value))
      throw new InputError(column, `The column ${column} must be one of ${values.join(', ')}.`);
    return value as Value;
  };
  const months = (column: string): number[] => (row[column] ?? '').trim().split(/\s+/).map(Number);
  const monthDay = (column: string): string | null => {
    const value = (row[column] ?? '').trim();
    if (value === '') return null;
    if (!/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/.test(value))
      throw new InputError(column, `The column ${column} must be month and day, such as 04-10, or empty.`);
    return value;
  };
  const hemisphere = oneOf('hemisphere', ['north', 'south'] as const);
  const normals = { low: months('low'), high: months('high') };
  const problem = problemOfNormals(normals);
  if (problem) throw new InputError('low', problem);
  const [lastFrost, firstFrost] = [monthDay('last_frost'), monthDay('first_frost')];
  if ((lastFrost === null) !== (firstFrost === null))
    throw new InputError('last_frost', 'Give both frost dates, or neither where it never freezes.');
  const day = (row.day ?? '').trim();
  if (!/^\d{4}-\d\d-\d\d$/.test(day) || Number.isNaN(Date.parse(day)))
    throw new InputError('day', 'The column day must be a date such as 2027-04-10.');
  const margin = Number(row.frost_margin ?? 0);
  if (!(margin >= 0 && margin <= 60))
    throw new InputError('frost_margin', 'The column frost_margin must be days from 0 to 60.');
  const id = oneOf(
    'method',
    methods.map((method) => method.id),
  );
  const climate = { normals, lastFrost, firstFrost, frostMargin: margin };
  const assumption = assumptionsWith({});
  const yearOf = (column: 'scion' | 'stock') => {
    const species = (row[column] ?? '').trim();
    if (species === '') throw new InputError(column, `The column ${column} names no kind.`);
    return phenologyOf({ species, hemisphere, climate, assumption, observations: [] }, day);
  };
  return verdictOn(
    day,
    methodYear({
      method: methods.find((method) => method.id === id)!,
      place: oneOf('where', Object.keys(PLACE_WORDS) as Place[]),
      wood: oneOf('wood', Object.keys(WOOD_SUPPLIES) as WoodSupply[]),
      scion: yearOf('scion'),
      stock: yearOf('stock'),
      climate,
      assumption,
    }),
  );
}
