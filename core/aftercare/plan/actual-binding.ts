import type { Prose } from '../../units/prose';
import { chosen, type Choices } from '../../methods/school';
import { TAPE_OFF } from '../../methods/schools/of-aftercare';
import { RUBBER_OFF, STRETCH_OFF, TAPE_OFF_BY } from '../../methods/schools/of-covering';
import { type AftercareTask, task } from '../../methods/timetable/aftercare-task';
import { heavyOff, paperGone, rubberOff, stretchOff, tapeOff, tiesOff } from '../../methods/timetable/tasks-of-binding';
import { event } from '../../methods/timetable/trigger';

/** What holds a union together, as somebody may really have used it. */
interface Binding {
  name: Prose;
  /** It neither gives nor rots, so that growth strains it. */
  strains: boolean;
  /** How it comes off, by school; null where it rots by itself. */
  off: (choices: Choices) => AftercareTask | null;
}

const tape =
  (name: string): Binding['off'] =>
  (choices) =>
    tapeOff(name, chosen(choices, TAPE_OFF_BY), chosen(choices, TAPE_OFF));

/** Bindings by the id of their material. Source: usual practice, materials and what they need. */
export const BINDINGS = {
  'stretch-tape': {
    name: 'stretch grafting tape',
    strains: false,
    off: (choices) => stretchOff(chosen(choices, STRETCH_OFF)),
  },
  film: {
    name: 'thin stretch film',
    strains: false,
    off: () =>
      task('binding-off', 'Look at the film, and take off what lingers', event('growth-starts', 20), 'It girdles.'),
  },
  rubber: { name: 'budding rubber', strains: true, off: (choices) => rubberOff(chosen(choices, RUBBER_OFF)) },
  band: { name: 'rubber band', strains: true, off: (choices) => rubberOff(chosen(choices, RUBBER_OFF)) },
  'vinyl-tape': { name: 'vinyl budding tape', strains: true, off: tape('vinyl') },
  'insulating-tape': { name: 'insulating tape', strains: true, off: tape('insulating tape') },
  'cloth-tape': { name: 'strong cloth tape', strains: true, off: tape('cloth tape') },
  'heavy-tape': {
    name: 'strong grafting tape',
    strains: true,
    off: (choices) => heavyOff(chosen(choices, TAPE_OFF_BY)),
  },
  'paper-tape': { name: 'paper tape, which rots', strains: false, off: paperGone },
  'duct-tape': { name: 'duct tape', strains: true, off: tape('duct tape') },
  'plastic-ties': { name: 'plastic ties', strains: true, off: tiesOff },
  'masking-tape': { name: 'masking tape, which rots', strains: false, off: () => null },
} as const satisfies Record<string, Binding>;

export type BindingId = keyof typeof BINDINGS;
export const BINDING_IDS = Object.keys(BINDINGS) as BindingId[];

const isBinding = (id: string): id is BindingId => Object.hasOwn(BINDINGS, id);

/** What holds a union of these materials: a tape or rubber; film beside it covers the scion, a band holds for the moment. */
export function bindingOf(materials: readonly string[]): BindingId | null {
  const bindings = materials.filter(isBinding);
  return (
    bindings.find((id) => id !== 'film' && id !== 'band') ?? bindings.find((id) => id === 'band') ?? bindings[0] ?? null
  );
}

/** Materials with another binding in the place of theirs. */
export function boundWith(materials: readonly string[], binding: BindingId): string[] {
  const before = bindingOf(materials);
  return before === null
    ? [binding, ...materials]
    : materials.map((material) => (material === before ? binding : material));
}

/** Tasks that take a binding off, by the way a method has it; a union has one of them. */
export const BINDING_OFF: readonly string[] = ['binding-off', 'unwrap-bud'];

/**
 * The aftercare of a union that was bound with something else than its method usually is: what comes off then, and when.
 *
 * @param usual ids of the materials the method asks for by these schools
 * @param used ids of those it was made with
 * @example withActualBinding(aftercareOfAWhip, {}, ['stretch-tape'], ['vinyl-tape']) // the vinyl must come off
 */
export function withActualBinding(
  aftercare: readonly AftercareTask[],
  choices: Choices,
  usual: readonly string[],
  used: readonly string[],
): AftercareTask[] {
  const binding = bindingOf(used);
  if (binding === null || binding === bindingOf(usual)) return [...aftercare];
  const off = BINDINGS[binding].off(choices);
  return [...aftercare.filter(({ id }) => !BINDING_OFF.includes(id)), ...(off ? [off] : [])];
}
