import type { ComponentProps } from 'react';
import { VariantQuestions } from './variant-questions';

/** What nobody has chosen yet of a day that allows several, asked where unions are made; nothing where all is said. */
export function OpenVariants({ choices, ...props }: Omit<ComponentProps<typeof VariantQuestions>, 'mayChange'>) {
  const open = choices.filter((choice) => choice.open);
  if (open.length === 0) return null;
  return (
    <section className="board mb-4" aria-label="How it lives on">
      <VariantQuestions {...props} choices={open} mayChange />
    </section>
  );
}
