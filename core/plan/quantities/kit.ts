import { ROUNDING } from '@/core/units/tolerance';
import { materialAmount } from '../../methods/material';
import type { Tool } from '../../methods/tool';
import { percent } from '@/core/units/percent';
import { counted } from '../../units/counted';
import { formatLength, type LengthUnit } from '../../units/length';
import { saidLength, written } from '../../units/prose';
import type { MethodNeed, QuantitySettings } from './needs';
import { dilution } from './dilution';

/** A line of the kit list. Amounts in `unit`; tape in m. */
export interface KitLine {
  id: string;
  name: string;
  unit: string;
  per: 'seat' | 'bench' | 'workshop';
  /** For one seat or one bench, null where it is for the workshop as a whole. */
  each: number | null;
  total: number;
  /** How the figure came about. */
  note: string;
}

/** What a club has of a line, and what one unit costs. */
export interface Store {
  inStore: number;
  price: number | null;
}

export interface BuyLine extends KitLine {
  inStore: number;
  buy: number;
  price: number | null;
  cost: number | null;
}

export interface KitInput {
  needs: MethodNeed[];
  people: number;
  leftHanded: number;
  settings: QuantitySettings;
  /** In which lengths are written. */
  unit: LengthUnit;
}

export const PER_PAIL = 30;
export const BED_SPACING = 0.3;
export const BED_ROW = 25;

/** Everything a workshop uses, computed. A line changed by hand goes before. */
export function kitLines({ needs, people, leftHanded, settings, unit }: KitInput): KitLine[] {
  const benches = Math.max(1, Math.ceil(people / settings.peoplePerBench));
  const lines = new Map<string, KitLine>();
  const whole = (id: string, name: string, unit: string, total: number, note: string): void => {
    const known = lines.get(id);
    if (known) {
      known.total += total;
      if (!known.note.includes(note)) known.note += `; ${note}`;
    } else lines.set(id, { id, name, unit, per: 'workshop', each: null, total, note });
  };
  for (const need of needs) {
    const { method, keepers, practice, stocks, sticks, prunings, plan, graftsPerStick, piecesEach, spoils } = need;
    if (stocks > 0)
      whole(
        `stocks-${plan.stockSpecies}`,
        `${plan.stockSpecies} stocks`,
        'pieces',
        stocks,
        `${method.name}: ${keepers} to keep${plan.practiceOn === 'good' ? `, ${practice} for practice` : ''}`,
      );
    if (sticks > 0)
      whole(
        `sticks-${plan.scionSpecies}`,
        `${plan.scionSpecies} sticks`,
        'pieces',
        sticks,
        `${method.name}: ${counted(graftsPerStick, 'piece')} from a stick${piecesEach > 1 ? `, ${piecesEach} on a stock` : ''}${spoils.share > 0 ? `, with ${percent(spoils.share)} for cuts that spoil` : ''}`,
      );
    if (prunings > 0)
      whole(
        'prunings',
        'prunings for practice',
        'pieces',
        prunings,
        `${method.name}: both halves of ${counted(practice, 'union')}`,
      );
    materialLines(need, settings, unit, whole);
    if (keepers > 0 && plan.place === 'bench') {
      whole('pails', 'pails', 'pieces', keepers / PER_PAIL, `${PER_PAIL} grafts to a pail`);
      whole(
        'bed',
        'bed places',
        'places',
        keepers,
        `${saidLength({ mm: BED_SPACING * 1000 }, unit)} apart, rows of ${BED_ROW}`,
      );
    }
  }
  const seat = (id: string, name: string, each: number, note: string): void =>
    void lines.set(id, { id, name, unit: 'pieces', per: 'seat', each, total: each * people, note });
  const bench = (id: string, name: string, unit: string, each: number, note: string): void =>
    void lines.set(id, { id, name, unit, per: 'bench', each, total: each * benches, note });
  seat('glove', 'cut-resistant gloves', 1, 'for the holding hand');
  seat('blades', 'blades or edges', 1, 'one fresh edge each');
  const tools = new Map(needs.flatMap(({ technique }) => technique.tools).map((tool) => [tool.id, tool]));
  for (const tool of tools.values()) {
    if (tool.per === 'bench') bench(`tool-${tool.id}`, tool.name, 'pieces', 1, 'shared at the bench');
    else if (tool.id !== 'glove') for (const line of ownToolLines(tool, people, leftHanded)) lines.set(line.id, line);
  }
  bench('strop', 'strop', 'pieces', 1, 'shared at the bench');
  const parts = dilution(settings.disinfectant, CHLORINE, settings.bottle);
  bench(
    'disinfectant',
    `chlorine solution, ${CHLORINE} %`,
    'l',
    settings.disinfectant,
    `${litres(parts.bottle)} of ${settings.bottle} % and ${litres(parts.water)} of water a bench`,
  );
  return [...lines.values()].map((line) => ({
    ...line,
    total: line.unit === 'pieces' || line.unit === 'places' ? Math.ceil(line.total - ROUNDING) : line.total,
  }));
}

type AddLine = (id: string, name: string, unit: string, total: number, note: string) => void;

/** What a method's unions are bound, sealed and labelled with. */
function materialLines(
  { method, technique, wood, keepers, practice }: MethodNeed,
  settings: KitInput['settings'],
  unit: LengthUnit,
  add: AddLine,
): void {
  for (const material of technique.materials) {
    const unions = material.keepersOnly ? keepers : keepers + (settings.practiceWrapped ? practice : 0);
    if (unions === 0) continue;
    const amount = materialAmount(material, wood);
    const name = written(material.name, unit);
    if (material.unit === 'mm')
      add(
        material.id,
        name,
        'm',
        (unions * amount) / 1000,
        `${method.name}: ${formatLength(Math.round(amount), unit)} a union at ${formatLength(wood[material.wrap.round], unit)}`,
      );
    else
      add(
        material.id,
        name,
        material.unit === 'g' ? 'g' : 'pieces',
        unions * amount,
        `${method.name}: ${amount} a union`,
      );
  }
}

/** What each has of their own; where it is bevelled on one side, left hands have theirs. */
function ownToolLines({ id, plural, handed }: Tool, people: number, leftHanded: number): KitLine[] {
  const line = (lineId: string, called: string, total: number, note: string): KitLine[] =>
    total > 0 ? [{ id: lineId, name: called, unit: 'pieces', per: 'workshop', each: null, total, note }] : [];
  if (!handed) return line(`tool-${id}`, plural, people, 'either hand can use it');
  return [
    ...line(id, `${plural}, right-handed`, people - leftHanded, 'bevelled on one side, so a left hand needs its own'),
    ...line(`${id}-left`, `${plural}, left-handed`, leftHanded, 'by the roster'),
  ];
}

/** A figure with its unit: one piece, two pieces. */
export function inUnits(value: number, unit: string): string {
  const rounded = Math.round(value * 100) / 100;
  return `${rounded} ${rounded === 1 && unit.endsWith('s') ? unit.slice(0, -1) : unit}`;
}

/** Strength for tools, percent: usual practice, arithmetic. */
export const CHLORINE = 1.5;
export const CHLORINE_CAUTION =
  'Chlorine: air the room, gloves and eye protection, never with acids or ammonia; rinse blades, they rust. Alcohol and flame instead: keep them apart. Follow the label and local rules.';

function litres(value: number): string {
  return value < 1 ? `${Math.round(value * 1000)} ml` : `${Math.round(value * 100) / 100} l`;
}

/** Lines as they stand after what somebody changed by hand, and what of them has to be bought. */
export function shoppingList(
  lines: KitLine[],
  edits: Record<string, { total: number }>,
  extra: KitLine[],
  store: Record<string, Store>,
): BuyLine[] {
  return [
    ...lines.map((line) =>
      edits[line.id]
        ? { ...line, total: edits[line.id]!.total, each: null, note: `${line.note}; changed by hand` }
        : line,
    ),
    ...extra,
  ].map((line) => {
    const { inStore = 0, price = null } = store[line.id] ?? {};
    const missing = Math.max(0, line.total - inStore);
    const buy =
      line.unit === 'pieces' || line.unit === 'places'
        ? Math.max(0, Math.ceil(missing - ROUNDING))
        : Math.round(missing * 100) / 100;
    return { ...line, inStore, buy, price, cost: price === null ? null : Math.round(buy * price * 100) / 100 };
  });
}
