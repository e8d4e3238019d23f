import type { Phenology } from './phenology';

/** Years that are the same but for the species put together, so that kin are told once. */
export function alike(years: readonly Phenology[]): { year: Phenology; species: string }[] {
  const groups = new Map<string, { year: Phenology; species: string[] }>();
  for (const year of years) {
    const key = JSON.stringify({ ...year, species: '' });
    const known = groups.get(key);
    if (known) known.species.push(year.species);
    else groups.set(key, { year, species: [year.species] });
  }
  return [...groups.values()].map(({ year, species }) => ({ year, species: species.join(', ') }));
}
