import type { Situation } from '@/core/methods/choosing/choose-method';
import { PLACE_WORDS, WOOD_WORDS } from '@/core/methods/use';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';

interface SituationFormProps {
  species: string;
  scionSpecies: string;
  unit: LengthUnit;
  situation: Situation;
  /** What is wrong with a field, by its name. */
  /** Sites with a year of their own, and the one whose year is asked; empty for the usual calendar. */
  sites: { id: string; name: string }[];
  site: string;
  problems: Record<string, string>;
}

/** What is at hand. */
export function SituationForm({ species, scionSpecies, unit, situation, sites, site, problems }: SituationFormProps) {
  const input = (name: string, label: string, value: string, mode: 'decimal' | 'text' = 'text', type = 'text') => (
    <TypedField label={label} name={name} type={type} value={value} mode={mode} problems={problems} />
  );
  const select = (name: string, label: string, value: string, options: [string, string][]) => (
    <ChosenField label={label} name={name} value={value} options={options} />
  );
  return (
    <form method="get" className="board grid grid-cols-2 gap-3 self-start" aria-label="What is at hand">
      {input('species', 'Stock is', species)}
      {input('scionSpecies', 'Scion is', scionSpecies)}
      {input('stock', `Stock Ø, ${unit}`, formatLengthNumber(situation.stock, unit), 'decimal')}
      {input('scion', `Scion Ø, ${unit}`, formatLengthNumber(situation.scion, unit), 'decimal')}
      {input('date', 'Date', situation.date, 'text', 'date')}
      {sites.length > 0 && (
        <div className="col-span-2 grid">
          {select('site', 'The year of', site, [
            ...sites.map(({ id, name }): [string, string] => [id, name]),
            ['', 'no site: the usual calendar'],
          ])}
        </div>
      )}
      {select('climate', sites.length > 0 ? 'Calendar, without a site' : 'Where the year is', situation.climate, [
        ['north', 'northern'],
        ['south', 'southern'],
        ['tropics', 'no winter'],
      ])}
      {select('place', 'Worked', situation.place, Object.entries(PLACE_WORDS))}
      {select('state', 'Bark', situation.barkSlips ? 'slips' : 'tight', [
        ['tight', 'is tight'],
        ['slips', 'slips'],
      ])}
      <div className="col-span-2 grid">{select('wood', 'Wood is', situation.wood, Object.entries(WOOD_WORDS))}</div>
      {input('woodLength', `Its length, ${unit}`, formatLengthNumber(situation.woodLength, unit), 'decimal')}
      {select('scarce', 'There is', situation.scarce ? 'yes' : 'no', [
        ['no', 'enough of it'],
        ['yes', 'little of it'],
      ])}
      {select('skill', 'Hands are', situation.practised ? 'practised' : 'new', [
        ['new', 'new'],
        ['practised', 'practised'],
      ])}
      <button type="submit" className="bench-button self-end" data-weight="main">
        Rank
      </button>
    </form>
  );
}

interface ChosenFieldProps {
  label: string;
  name: string;
  value: string;
  options: [string, string][];
}

/** One of several. */
function ChosenField({ label, name, value, options }: ChosenFieldProps) {
  return (
    <label className="text-sm font-bold">
      {label}
      <select name={name} defaultValue={value} className="bench-input font-normal">
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

interface TypedFieldProps {
  label: string;
  name: string;
  type: string;
  value: string;
  mode: 'text' | 'decimal';
  problems: Record<string, string>;
}

/** A figure or a word of the situation. */
function TypedField({ label, name, type, value, mode, problems }: TypedFieldProps) {
  return (
    <label className="text-sm font-bold">
      {label}
      <input
        name={name}
        type={type}
        defaultValue={value}
        inputMode={mode}
        maxLength={60}
        className="bench-input font-normal"
        aria-invalid={problems[name] !== undefined}
      />
      {problems[name] && <span className="block text-loud">{problems[name]}</span>}
    </label>
  );
}
