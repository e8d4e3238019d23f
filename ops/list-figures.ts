import { CALLUSED, KNITTING_BANDS } from '@/core/plan/phenology/knitting-rate';
import type { FigureRow, FigureSection, Kind } from './figure-section';
import { causeFigures, unknowableLines } from './list-cause-figures';
import { NARROW_PATCH } from '@/core/contact/patch-contact';
import { BRIDGING_DISTANCE, FACE_GAP_LIMIT } from '@/core/contact/limits';
import { HOLLOW_PICKS } from '@/core/contact/hollow';
import { BUD_HEIGHT, CITRUS_BUD_HEIGHT } from '@/core/methods/common/bud-place';
import type { Method } from '@/core/methods/method';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { THRESHOLD_WORDS, type ThresholdId, USUAL_THRESHOLDS } from '@/core/methods/thresholds';
import { FIRST_MOVEMENT } from '@/core/methods/timetable/first-movement';
import { SEASON_PHASES } from '@/core/methods/timetable/season-phases';
import { triggerWords } from '@/core/methods/timetable/trigger-words';
import { USUAL_DAY } from '@/core/plan/benches/time-plan';
import { ASSUMPTIONS } from '@/core/plan/phenology/assumptions';
import { BED_ROW, BED_SPACING, CHLORINE, PER_PAIL } from '@/core/plan/quantities/kit';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import { STORE } from '@/core/plan/wood/store';
import { USUAL_READY_RULE } from '@/core/score/readiness/ready-rule';
import { FATAL_CAP } from '@/core/score/rubric/score-union';
import { RUBBER } from '@/core/teach/taught-wrap';
import { OUR_GUESS, USUAL_PRACTICE } from '@/core/units/figure-source';
import { written } from '@/core/units/prose';

/*
 * Every figure the tool goes by, with who says it and how far it may be off, as docs/figures.md has it. Made from the
 * code, so that the page cannot say otherwise than the tool does; a test holds the two together.
 */

const row = (name: string, value: string, kind: Kind, margin: string): FigureRow => ({ name, value, kind, margin });
const span = ({ from, to }: { from: number; to: number }, unit = 'mm'): string => `${from} to ${to} ${unit}`;
const CLUB_EDITS = 'a club changes it';

export function figureSections(): FigureSection[] {
  return [
    contact(),
    rubric(),
    plan(),
    assumptions(),
    movement(),
    phases(),
    warmth(),
    wrapping(),
    causeFigures(),
    ...METHODS.map(ofMethod),
  ];
}

function contact(): FigureSection {
  return {
    title: 'Contact',
    rows: [
      row('Lines this near count as touching', `${BRIDGING_DISTANCE} mm`, OUR_GUESS, '0.2 to 1 mm'),
      row('Faces further apart do not count', `${FACE_GAP_LIMIT} mm`, OUR_GUESS, '0.2 to 1 mm'),
      row('Hollow picked in words', `${Object.values(HOLLOW_PICKS).join(', ')} mm`, OUR_GUESS, 'half as much again'),
      row('Bark nobody measured', 'a tenth of the diameter, 0.5 mm at least', OUR_GUESS, 'half as much again'),
      row('Narrow patch, share of its window', String(NARROW_PATCH), OUR_GUESS, '0.4 to 0.8'),
    ],
  };
}

function rubric(): FigureSection {
  const thresholds = Object.entries(USUAL_THRESHOLDS) as [ThresholdId, number][];
  return {
    title: 'Scoring',
    rows: [
      ...thresholds.map(([id, value]) =>
        row(
          THRESHOLD_WORDS[id].name,
          THRESHOLD_WORDS[id].unit === 'share' ? `${Math.round(100 * value)} %` : `${value} mm`,
          id === 'matched' ? OUR_GUESS : USUAL_PRACTICE,
          CLUB_EDITS,
        ),
      ),
      row('Cap of a fatal fault', String(FATAL_CAP), USUAL_PRACTICE, CLUB_EDITS),
      row('Ready: last unions', String(USUAL_READY_RULE.last), USUAL_PRACTICE, CLUB_EDITS),
      row('Ready: score of each', String(USUAL_READY_RULE.score), USUAL_PRACTICE, CLUB_EDITS),
    ],
  };
}

function plan(): FigureSection {
  const { confidence, usableBuds, waste, peoplePerBench, bottle, disinfectant } = USUAL_SETTINGS;
  const guessed = (name: string, value: string): FigureRow => row(name, value, OUR_GUESS, 'a plan changes it');
  return {
    title: 'The plan',
    rows: [
      guessed('Confidence that each goes home with what was promised', `${100 * confidence} %`),
      guessed('Usable buds on a stick', String(usableBuds)),
      guessed('Waste of a stick', `${100 * waste} %`),
      guessed('People at a bench', String(peoplePerBench)),
      guessed('Bottle of chlorine', `${bottle} %`),
      guessed('Disinfectant a bench', `${disinfectant} l`),
      row('Chlorine for tools', `${CHLORINE} %`, USUAL_PRACTICE, 'none'),
      row('Store of dormant wood', span(STORE, '°C'), USUAL_PRACTICE, 'none'),
      guessed('Grafts to a pail', String(PER_PAIL)),
      guessed('Places in a row', `${1000 * BED_SPACING} mm apart, ${BED_ROW} to a row`),
      guessed('First union of a beginner', `${USUAL_DAY.firstUnion} minutes`),
      guessed('Times this at each doubling', String(USUAL_DAY.falling)),
      guessed(
        'Briefing, demonstration, clearing',
        [USUAL_DAY.briefing, USUAL_DAY.demonstration, USUAL_DAY.clearing].map((minutes) => `${minutes} min`).join(', '),
      ),
      row('Height of a bud above the soil', span(BUD_HEIGHT), USUAL_PRACTICE, '50 to 75 mm higher for beginners'),
      row('The same, citrus kin', span(CITRUS_BUD_HEIGHT), USUAL_PRACTICE, '50 to 75 mm higher for beginners'),
    ],
  };
}

function assumptions(): FigureSection {
  return {
    title: 'Assumptions of a site',
    rows: ASSUMPTIONS.map(({ name, value, unit, margin, source }) =>
      row(
        name,
        `${value} ${unit}`,
        source === null ? OUR_GUESS : USUAL_PRACTICE,
        margin > 0 ? `${margin} ${unit} to either side; a site changes it` : 'a site changes it',
      ),
    ),
  };
}

function movement(): FigureSection {
  const { suspectBefore, swellFrom, swellBy, leaf, asleepUntil } = FIRST_MOVEMENT;
  const days = (name: string, value: string): FigureRow => row(name, value, USUAL_PRACTICE, 'stretched by cold');
  return {
    title: 'First movement of dormant scions',
    rows: [
      days('Growth is suspect', `before day ${suspectBefore}`),
      days('Buds swell', `from day ${swellFrom} to ${swellBy}`),
      days('A leaf shows', `about day ${leaf}`),
      days('Some sleep', `until day ${asleepUntil}`),
    ],
  };
}

function phases(): FigureSection {
  return {
    title: 'Turns of the year',
    rows: Object.values(SEASON_PHASES).map(({ words, turn, from, to }) =>
      row(words, `day ${from} to ${to} of ${turn.replaceAll('-', ' ')}`, OUR_GUESS, 'two weeks'),
    ),
  };
}

function warmth(): FigureSection {
  return {
    title: 'Knitting warmth',
    rows: [
      ...Object.entries(KNITTING_BANDS).flatMap(([kin, { a, b, c, d }]) => [
        row(`Cuts of ${kin} knit fully`, `${b} to ${c} °C`, USUAL_PRACTICE, '2 °C to either side'),
        row(`Cuts of ${kin} knit not at all`, `up to ${a} and from ${d} °C`, OUR_GUESS, '3 °C to either side'),
      ]),
      row(
        'A bench graft is callused',
        `after ${CALLUSED} days of full warmth`,
        USUAL_PRACTICE,
        'a batch is opened to see',
      ),
    ],
  };
}

function wrapping(): FigureSection {
  return {
    title: 'Wraps that are drawn',
    rows: [row('Width of a budding rubber', `${RUBBER.width} mm, half over`, OUR_GUESS, '4 to 10 mm')],
  };
}

function ofMethod(method: Method): FigureSection {
  const { use, prior, callusDays, variants, stumps, name } = method;
  const technique = shownTechnique(method);
  return {
    title: name,
    rows: [
      row(
        'Usual take',
        `${Math.round(100 * prior.low)} to ${Math.round(100 * prior.high)} %`,
        USUAL_PRACTICE,
        `stands for ${prior.weight} unions until a club has its own`,
      ),
      row(
        'Stock',
        `${span(use.stock)}${use.stock.thicker ? ' and thicker' : ''}`,
        use.stock.guessed ? OUR_GUESS : USUAL_PRACTICE,
        use.stock.guessed ? 'the upper end is the guess' : 'none',
      ),
      ...(use.ratio ? [row('Scion to stock', `${use.ratio.from} to ${use.ratio.to}`, USUAL_PRACTICE, 'none')] : []),
      row('Wood for a union', `${use.woodLength} mm`, OUR_GUESS, 'a fifth'),
      row('Days left alone to callus', String(callusDays), USUAL_PRACTICE, 'stretched by cold'),
      ...(stumps ?? []).map(({ upTo, set, keep }, i, rows) =>
        row(
          `Scions on a stump ${upTo === null ? `above ${rows[i - 1]!.upTo} mm` : `up to ${upTo} mm`}`,
          `${set} set, ${keep} kept`,
          method.id === 'cleft' ? USUAL_PRACTICE : OUR_GUESS,
          'a plan changes it',
        ),
      ),
      ...technique.steps.flatMap((step) =>
        step.figures
          .filter(({ range }) => range)
          .map((figure) =>
            row(
              `${figure.name}, step “${step.id}”`,
              span(figure.range!),
              guessedRange(method.id, step.id) ? OUR_GUESS : USUAL_PRACTICE,
              'a fifth at most by the rubric',
            ),
          ),
      ),
      row(
        'Weights of the points',
        technique.points.map(({ id, weight }) => `${id} ${weight}`).join(', '),
        method.id === 'whip-and-tongue' ? USUAL_PRACTICE : OUR_GUESS,
        CLUB_EDITS,
      ),
      ...technique.materials.flatMap((material) =>
        material.unit === 'mm'
          ? [
              row(
                written(material.name, 'mm'),
                `${material.wrap.width} mm wide, overlap ${100 * material.wrap.overlap} %, stretch ${100 * material.wrap.stretch} %`,
                OUR_GUESS,
                'the kit is changed by hand',
              ),
            ]
          : [],
      ),
      ...variants.flatMap(({ words, rounds }) =>
        rounds.map(({ milestone, trigger }) =>
          row(
            `Round ${milestone}${words ? `, ${words}` : ''}`,
            triggerWords(trigger, 'mm'),
            USUAL_PRACTICE,
            'the window is our guess, a week or so',
          ),
        ),
      ),
      ...technique.aftercare.map(({ id, trigger, every }) =>
        row(
          `Aftercare ${id}`,
          `${triggerWords(trigger, 'mm')}${every ? `, then every ${every} days` : ''}`,
          GUESSED_TASKS.includes(id) ? OUR_GUESS : USUAL_PRACTICE,
          'stretched by cold',
        ),
      ),
    ],
  };
}

/** Lengths no sheet gives. */
function guessedRange(method: string, step: string): boolean {
  return method === 'side-veneer' || (method === 'top-wedge' && step === 'wedge');
}

/** Tasks whose day no table gives. */
const GUESSED_TASKS = ['none-below', 'soft-bark', 'side-shoots', 'first-crop', 'head-back-last', 'brace', 'tie-stub'];

/** The page. */
export function figuresPage(): string {
  const cell = (text: string): string => text.replaceAll('|', '/');
  return [
    '# Figures',
    '',
    'Every figure the tool goes by, with its kind of source and its margin; written by `node --import tsx ops/figures.ts`',
    'from the code. *Usual practice* is what practitioners commonly do and say; *our guess* is nobody’s but ours, with a',
    'wide margin. What a club measured itself, and a statistic somebody published, stand with their names at the site',
    'and in the table of pairs, where each figure can be changed.',
    '',
    ...figureSections().flatMap(({ title, rows }) => [
      `## ${title}`,
      '',
      '| Figure | Value | Source | Margin |',
      '| --- | --- | --- | --- |',
      ...rows.map(({ name, value, kind, margin }) => `| ${[name, value, kind, margin].map(cell).join(' | ')} |`),
      '',
    ]),
    ...unknowableLines(),
  ].join('\n');
}
