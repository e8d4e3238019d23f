import { FIRST_CROP, firstCropFrom } from '../../methods/timetable/tasks-of-growth';
import { kinOf } from '../../methods/compatibility/compatibility';
import { methodById } from '../../methods/registry';
import type { Choices } from '../../methods/school';
import { CITRUS } from '../../methods/schools/of-kin';
import { shownTechnique } from '../../methods/shown-technique';
import type { AftercareTask } from '../../methods/timetable/aftercare-task';
import { variantWith, type WayOn } from '../../methods/variant';
import type { VariantId } from '../../methods/use';
import type { IsoDate } from '../../units/iso-date';
import { BINDINGS, bindingOf, withActualBinding } from './actual-binding';

/** Kins that bear nuts. */
const NUTS: readonly string[] = ['walnut', 'hickory'];

/** How a union was made, as far as its plan goes by it. */
export interface MadeUnion {
  method: string;
  variant: VariantId;
  schools: Choices;
  /** Of the scion: citrus kin goes by rules of its own, whatever else is followed that day. */
  species: string;
  /** Type of its stock, as the club names it; empty where nobody knows. */
  stockType?: string;
  /** Ids of the materials that were really used. */
  materials: readonly string[];
  madeOn: IsoDate;
}

/** What is grown from seed bears late. */
const SEEDLING = /\bseedlings?\b/i;

/** The year from which a graft is looked at for fruit. Source: usual practice, aftercare; six years are our guess. */
export function bearsFrom(species: string, stockType: string): number {
  if (NUTS.includes(kinOf(species) ?? '')) return 4;
  return SEEDLING.test(stockType) ? 6 : 2;
}

/** What a union's plan is made from. */
export interface PlanBasis {
  wayOn: WayOn;
  aftercare: AftercareTask[];
  /** What binds it neither gives nor rots. */
  strains: boolean;
}

/**
 * The aftercare of a union by its method, variant, schools and what it was really bound with.
 *
 * @throws Error for a method nobody knows
 */
export function planBasis({
  method: methodId,
  variant,
  schools: followed,
  species,
  stockType = '',
  materials,
}: MadeUnion): PlanBasis {
  const schools = kinOf(species) === 'citrus' ? { ...followed, [CITRUS.id]: 'citrus' } : followed;
  const method = methodById(methodId);
  const technique = shownTechnique(method, schools);
  const usual = technique.materials.map(({ id }) => id);
  const used = materials.length > 0 ? materials : usual;
  const bearing = (task: AftercareTask): AftercareTask =>
    task === FIRST_CROP ? firstCropFrom(bearsFrom(species, stockType)) : task;
  const binding = bindingOf(used);
  return {
    wayOn: variantWith(method, variant).wayOn,
    aftercare: withActualBinding(technique.aftercare.map(bearing), schools, usual, used),
    strains: binding !== null && BINDINGS[binding].strains,
  };
}
