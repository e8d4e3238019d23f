import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as school from '../schools';
import { chosen, type Choices } from '../school';
import type { Technique, Wood } from '../method';
import { pointsFor } from './points';
import { cutsOf, stepsOf } from './steps';

function materials(): Technique['materials'] {
  return [material.stretchTape(50), material.film(45), material.SEALANT, material.LABEL];
}

function tasks(choices: Choices): Technique['aftercare'] {
  const off = chosen(choices, school.BINDING_OFF);
  return [
    aftercare.WATER,
    aftercare.WARM,
    aftercare.CALLUS_SEEN,
    aftercare.RESEAL,
    aftercare.SWELL,
    ...(chosen(choices, school.SHOOTS_BELOW) === 'all-off'
      ? [aftercare.SUCKERS]
      : [aftercare.NURSE, aftercare.LOW_BRANCHES]),
    aftercare.ONE_SHOOT,
    aftercare.BLOSSOM,
    aftercare.TIE_UP,
    off === 'slit' ? aftercare.SLIT_RUBBER : aftercare.PERFORATE,
    aftercare.LABEL,
    aftercare.PLANT_OUT,
    aftercare.SECOND_CHANCE,
  ];
}

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { cut } = cuts;
  return {
    start: cut.start,
    steps: stepsOf(cuts),
    points: pointsFor(choices),
    materials: materials(),
    aftercare: tasks(choices),
  };
}
