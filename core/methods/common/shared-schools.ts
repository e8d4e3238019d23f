import type { AftercareTask } from '../timetable/aftercare-task';
import { AT_ONCE, calendarDays } from '../timetable/trigger';
import type { Method, Technique } from '../method';
import { chosen, type SchoolQuestion } from '../school';
import * as school from '../schools';
import * as material from './materials';

/** Aftercare that ends a binding, whatever it is made of. */
const BINDINGS = ['tape-off', 'heavy-tape-off', 'slit-rubber', 'perforate', 'wrap-winter'];
const BINDING_WORDS: Record<string, string> = {
  unwind: 'cut the knot and unwind',
  slit: 'slit it on the side away from the bud',
  perforate: 'perforate it in several places and let growth burst it',
};
const ROOT_WORDS: Record<string, string> = {
  half: 'Trim the roots by half, to fit the pot',
  hard: 'Trim the roots hard',
  leave: 'Leave the roots long',
};
const STAGE_WORDS: Record<string, string> = {
  waking: 'Both pieces are just waking: join them within hours.',
  pushing: 'A bud is pushing: wrap it over, so that it cannot dry.',
};

/**
 * A method whose technique follows the questions that methods answer alike: stage of the scion,
 * knife, turns, binding, stock above the bud, shoots below, roots, dark sealant.
 */
export function followingSharedSchools(method: Method): Method {
  const offers = (question: SchoolQuestion): boolean => method.schools.some(({ id }) => id === question.id);
  return {
    ...method,
    technique: (choices, wood) => {
      const answer = (question: SchoolQuestion): string | null => (offers(question) ? chosen(choices, question) : null);
      return [stage, knife, turns, aftercare, roots, darkSeal].reduce(
        (technique, follow) => follow(technique, answer),
        method.technique(choices, wood),
      );
    },
  };
}

type Answer = (question: SchoolQuestion) => string | null;

function stage(technique: Technique, answer: Answer): Technique {
  const words = STAGE_WORDS[answer(school.SCION_STAGE) ?? ''];
  if (!words) return technique;
  return {
    ...technique,
    steps: technique.steps.map((step) =>
      step.id === 'wood' ? { ...step, lookFor: `${step.lookFor} ${words}` } : step,
    ),
    points: technique.points.map((point) =>
      point.id === 'wood' ? { ...point, good: 'green, just moving, straight, fitting' } : point,
    ),
  };
}

/** Said once, at the first cut that makes a face. */
function knife(technique: Technique, answer: Answer): Technique {
  const kind = answer(school.KNIFE);
  const at = technique.steps.findIndex(({ id, pull }) => pull && !['stock-off', 'saw', 'trim'].includes(id));
  if (!kind || at < 0) return technique;
  const words =
    kind === 'single' ? 'The flat side of the blade rides on the wood that is kept.' : 'Any blade will do that shaves.';
  return {
    ...technique,
    steps: technique.steps.map((step, i) => (i === at ? { ...step, lookFor: `${step.lookFor} ${words}` } : step)),
  };
}

function turns(technique: Technique, answer: Answer): Technique {
  if (answer(school.TURNS) !== 'layers') return technique;
  return {
    ...technique,
    steps: technique.steps.map((step) =>
      step.id === 'bind' && !step.action.includes('two layers')
        ? { ...step, action: `${step.action.replace(/\.$/, '')}, two layers.` }
        : step,
    ),
  };
}

function aftercare(technique: Technique, answer: Answer): Technique {
  const binding = BINDING_WORDS[answer(school.BINDING_OFF) ?? ''];
  const shortLow = (answer(school.NURSE_LIMB) ?? answer(school.SHOOTS_BELOW)) === 'short-low';
  const close = answer(school.HEAD_BACK) === 'close';
  const followed = (task: AftercareTask): AftercareTask => {
    if (binding && BINDINGS.includes(task.id)) return { ...task, name: `${task.name}: ${binding}` };
    if (shortLow && task.id === 'nurse')
      return { ...task, name: 'Keep short low leaves until the scion grows; shorten them if it is slow' };
    if (close && task.id === 'head-back')
      return { ...task, name: task.name.replace('12 mm above', 'as close as possible above') };
    return task;
  };
  return { ...technique, aftercare: technique.aftercare.map(followed) };
}

function roots(technique: Technique, answer: Answer): Technique {
  const words = ROOT_WORDS[answer(school.ROOT_TRIM) ?? ''];
  if (!words) return technique;
  const task: AftercareTask = {
    id: 'roots',
    name: `${words}; any root above the main whorl comes off entirely`,
    trigger: AT_ONCE,
    every: null,
    missed: 'It does not fit the pot, or roots turn in it.',
  };
  return { ...technique, aftercare: [task, ...technique.aftercare] };
}

function darkSeal(technique: Technique, answer: Answer): Technique {
  const by = answer(school.DARK_SEAL);
  const dark = technique.materials.some(({ id }) => id === 'sealant' || id === 'insulating-tape');
  if (!by || !dark) return technique;
  const added = by === 'paint' ? material.PAINT : material.FOIL;
  const task: AftercareTask = {
    id: 'dark-seal',
    name: by === 'paint' ? 'Paint dark sealant and tape white, once dry' : 'Lay foil over dark sealant and tape',
    trigger: calendarDays(0, 0, 1),
    every: null,
    missed: 'It heats the cambium past 32 °C in the sun.',
  };
  return {
    ...technique,
    materials: technique.materials.some(({ id }) => id === added.id)
      ? technique.materials
      : [...technique.materials, added],
    aftercare: [...technique.aftercare, task],
  };
}
