interface ChoiceRowProps<Id extends string> {
  /** What is chosen, for who hears the page. */
  legend: string;
  name: string;
  choices: readonly { id: Id; words: string; disabled?: boolean }[];
  value: Id;
  onChoose: (id: Id) => void;
}

/** A few things of which one holds, side by side: a tap each. */
export function ChoiceRow<Id extends string>({ legend, name, choices, value, onChoose }: ChoiceRowProps<Id>) {
  return (
    <fieldset className="flex min-w-0 flex-wrap gap-1">
      <legend className="sr-only">{legend}</legend>
      {choices.map(({ id, words, disabled }) => (
        <label
          key={id}
          className="flex min-h-11 cursor-pointer items-center border-2 border-line bg-sheet px-2.5 text-[0.9rem] leading-tight has-checked:border-ink has-checked:bg-ink has-checked:text-paper has-disabled:cursor-default has-disabled:text-muted has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink lg:min-h-9"
        >
          <input
            type="radio"
            name={name}
            value={id}
            checked={value === id}
            disabled={disabled}
            onChange={() => onChoose(id)}
            className="sr-only"
          />
          {words}
        </label>
      ))}
    </fieldset>
  );
}
