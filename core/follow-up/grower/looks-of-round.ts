import type { RoundKind } from '../../methods/milestones';
import { methodById } from '../../methods/registry';
import type { Choices } from '../../methods/school';
import { woodOf } from '../../methods/shown-technique';
import { variantWith, type WayOn } from '../../methods/variant';
import type { VariantId } from '../../methods/use';
import { stageStrip } from '../../teach/healing/stage-strip';
import type { HealingAge } from '../../teach/healing/healing-stages';
import type { LengthUnit } from '../../units/length';
import type { Look } from './grower-page';

/** The age at which a union looks as a round asks of it; covers that stay shut and tips are slower. */
function ageOf(kind: RoundKind, wayOn: WayOn): HealingAge {
  if (kind === 'healed')
    return ['outdoors', 'covered', 'spring-chip', 'tip'].includes(wayOn) ? 'one-month' : 'two-weeks';
  return kind === 'growing' && !wayOn.startsWith('sleeping') ? 'two-months' : 'one-year';
}

/**
 * What to look for in a round: a union of the method that lives, and one that does not, at that age.
 *
 * @returns null for looks of later years, which a drawing tells nothing of
 */
export function looksOfRound(
  { method: methodId, variant, schools }: { method: string; variant: VariantId; schools: Choices },
  kind: RoundKind,
  unit: LengthUnit,
): { right: Look; wrong: Look } | null {
  if (kind === 'year' || kind === 'crop') return null;
  const method = methodById(methodId);
  const { wayOn } = variantWith(method, variant);
  const stages = stageStrip(method, { choices: schools, wood: woodOf(method.shownWith), variant, unit });
  const stage = stages.find(({ age }) => age === ageOf(kind, wayOn));
  return stage ? { right: unlettered(stage.good), wrong: unlettered(stage.failed) } : null;
}

/** Names in a drawing are in one language: on a grower’s page it speaks for itself. */
function unlettered({ drawing, words }: Look): Look {
  const items = drawing.items.filter(({ role }) => role !== 'dimension' && role !== 'name');
  return { words, drawing: { ...drawing, items } };
}
