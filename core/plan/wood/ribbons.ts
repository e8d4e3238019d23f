/** Flagging ribbons that tell wood lots apart: colour, pattern and a name, so that none relies on colour alone. */
export const RIBBONS = [
  { id: 'marsh', name: 'blue, plain', colour: '#2b5fa8', pattern: 'plain' },
  { id: 'barley', name: 'yellow, bars', colour: '#d9a400', pattern: 'bars' },
  { id: 'plum', name: 'violet, dots', colour: '#7a4a9e', pattern: 'dots' },
  { id: 'rust', name: 'orange, slant', colour: '#c65a11', pattern: 'slant' },
  { id: 'lake', name: 'turquoise, checks', colour: '#12808c', pattern: 'checks' },
  { id: 'chalk', name: 'white, one line', colour: '#f4f4ee', pattern: 'line' },
  { id: 'slate', name: 'grey, crosses', colour: '#6b7280', pattern: 'crosses' },
  { id: 'umber', name: 'brown, two lines', colour: '#70482a', pattern: 'lines' },
] as const;

export type Ribbon = (typeof RIBBONS)[number];

/** @throws Error for an id no ribbon has. */
export function ribbonById(id: string): Ribbon {
  const ribbon = RIBBONS.find((candidate) => candidate.id === id);
  if (!ribbon) throw new Error(`No ribbon is called "${id}".`);
  return ribbon;
}
