import type { ScopeView } from '@/core/findings/boards/board-views';

/** What was chosen elsewhere and stays so. */
const KEPT = ['workshopId', 'personId', 'scoreFrom', 'scoreTo'] as const;

/** What findings are about: chosen in a plain form, so that the address says it. */
export function FilterBar({
  scope,
  inWorkshop,
  children,
}: {
  scope: ScopeView;
  inWorkshop: boolean;
  children?: React.ReactNode;
}) {
  const { filter, choices } = scope;
  return (
    <form method="get" className="board mb-4 flex flex-wrap items-end gap-3 py-3" aria-label="Which keepers">
      <Choice name="method" label="Method" value={filter.method} all="all methods" choices={choices.methods} />
      {!inWorkshop && (
        <>
          <Choice
            name="year"
            label="Year"
            value={filter.year === null ? null : String(filter.year)}
            all="all years"
            choices={choices.years.map((year) => ({ id: year, name: year }))}
          />
          <Choice name="siteId" label="Site" value={filter.siteId} all="all sites" choices={choices.sites} />
        </>
      )}
      <Choice name="lotId" label="Lot of wood" value={filter.lotId} all="all lots" choices={choices.lots} />
      {KEPT.map((name) => filter[name] !== null && <input key={name} type="hidden" name={name} value={filter[name]} />)}
      {children}
      <button type="submit" className="bench-button">
        Show these
      </button>
    </form>
  );
}

interface ChoiceProps {
  name: string;
  label: string;
  value: string | null;
  all: string;
  choices: readonly { id: string; name: string }[];
}

function Choice({ name, label, value, all, choices }: ChoiceProps) {
  return (
    <label className="grid gap-1">
      <span className="text-sm font-bold">{label}</span>
      <select name={name} defaultValue={value ?? ''} className="bench-input max-w-56">
        <option value="">{all}</option>
        {choices.map(({ id, name: words }) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
