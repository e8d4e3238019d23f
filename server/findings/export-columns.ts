import type { Field } from '@/core/methods/field';
import { figuresOf } from '@/core/methods/field';
import type { JudgementRow, UnionFactRow } from '@/db/models/union-rows';
import type { ReportRow } from '@/db/models/follow-up-rows';

export type Cell = string | number | null;

/**
 * A column of an exported table: its name with the unit in it where there is one, and which of the
 * row's own columns it tells, so that a test sees when a column of the database is told nowhere.
 */
export interface ExportColumn<Row> {
  name: string;
  /** Of figures: mm, share (0 to 1), points (0 to 100), seconds, or a count. */
  unit: 'mm' | 'degrees' | 'share' | 'points' | 'seconds' | 'count' | null;
  tells: (keyof Row)[];
  value: (row: Row) => Cell;
}

/** Decimals kept by unit: what was measured or reckoned is known no better, and no float shows its tail. */
const DECIMALS = { mm: 3, degrees: 2, share: 4, points: 2, seconds: 0, count: 0 } as const;

/** The cell of a column, a figure rounded to what its unit keeps. */
export function cellOf<Row>(column: ExportColumn<Row>, row: Row): Cell {
  const value = column.value(row);
  return typeof value === 'number' && column.unit ? Number(value.toFixed(DECIMALS[column.unit])) : value;
}

const instant = (at: Date | null): string | null => at?.toISOString() ?? null;
const bit = (flag: boolean | null): number | null => (flag === null ? null : Number(flag));

/** Columns of a row that say what is in another table or where it belongs, and stand in no export. */
export const NOT_TOLD = {
  judgements: ['clubId', 'liveCorrectsId', 'sentHash'],
  unionFacts: ['clubId', 'workshopId', 'woodLotId', 'stockLotId', 'assessorId', 'makerId', 'plantId'],
  reports: ['clubId', 'seq', 'turn', 'enteredBy', 'setAsideBy'],
} as const;

interface UnionNames {
  seat: number | null;
  number: number;
  code: string;
  variety: string;
  stock: string;
}
type Names = (unionId: string) => UnionNames;

export function unionColumns(names: Names): ExportColumn<UnionFactRow>[] {
  // Practice unions are cut open; nothing is asked of them later.
  const later = (milestone: 'healed' | 'growing' | 'season' | 'wintered'): ExportColumn<UnionFactRow> => ({
    name: milestone,
    unit: null,
    tells: [milestone],
    value: (fact) => (fact.kind === 'keeper' ? fact[milestone] : null),
  });
  return [
    { name: 'union_id', unit: null, tells: ['unionId'], value: ({ unionId }) => unionId },
    { name: 'kind', unit: null, tells: ['kind'], value: ({ kind }) => kind },
    { name: 'seat', unit: null, tells: ['seatId'], value: ({ unionId }) => names(unionId).seat },
    { name: 'number', unit: 'count', tells: ['number'], value: ({ number }) => number },
    { name: 'code', unit: null, tells: [], value: ({ unionId }) => names(unionId).code },
    { name: 'variety', unit: null, tells: [], value: ({ unionId }) => names(unionId).variety },
    { name: 'stock', unit: null, tells: [], value: ({ unionId }) => names(unionId).stock },
    { name: 'method', unit: null, tells: ['method'], value: ({ method }) => method },
    { name: 'variant', unit: null, tells: ['variant'], value: ({ variant }) => variant },
    { name: 'date', unit: null, tells: ['date'], value: ({ date }) => date },
    { name: 'position', unit: null, tells: ['position'], value: ({ position }) => position },
    { name: 'helped', unit: null, tells: ['helped'], value: ({ helped }) => bit(helped) },
    { name: 'stage', unit: null, tells: ['stage'], value: ({ stage }) => stage },
    { name: 'score', unit: 'points', tells: ['score'], value: ({ score }) => score },
    { name: 'contact', unit: 'share', tells: ['contact'], value: ({ contact }) => contact },
    { name: 'contact_grade', unit: null, tells: ['contactGrade'], value: ({ contactGrade }) => contactGrade },
    { name: 'fatal', unit: null, tells: ['fatal'], value: ({ fatal }) => bit(fatal) },
    { name: 'outlook', unit: null, tells: ['outlook'], value: ({ outlook }) => outlook },
    { name: 'outlook_by', unit: null, tells: ['outlookBy'], value: ({ outlookBy }) => outlookBy },
    { name: 'voided', unit: null, tells: ['voided'], value: ({ voided }) => bit(voided) },
    later('healed'),
    later('growing'),
    later('season'),
    later('wintered'),
    { name: 'first_alive_on', unit: null, tells: ['firstAliveOn'], value: ({ firstAliveOn }) => firstAliveOn },
    { name: 'last_alive_on', unit: null, tells: ['lastAliveOn'], value: ({ lastAliveOn }) => lastAliveOn },
    { name: 'first_dead_on', unit: null, tells: ['firstDeadOn'], value: ({ firstDeadOn }) => firstDeadOn },
    { name: 'contradicted', unit: null, tells: ['contradicted'], value: ({ contradicted }) => bit(contradicted) },
    { name: 'reminded', unit: null, tells: ['reminded'], value: ({ reminded }) => bit(reminded) },
  ];
}

/** Fields and points of all methods of a table, each once; a row fills those of its own method. */
export function judgementColumns(
  fields: Field[],
  points: string[],
  fieldsOf: (method: string) => Field[],
  names: Names,
): ExportColumn<JudgementRow>[] {
  const told = <Name extends keyof JudgementRow>(
    name: string,
    attribute: Name,
    value: (held: JudgementRow[Name]) => Cell,
    unit: ExportColumn<JudgementRow>['unit'] = null,
  ): ExportColumn<JudgementRow> => ({ name, unit, tells: [attribute], value: (row) => value(row[attribute]) });
  const as = <Held extends Cell>(held: Held): Cell => held;
  const origin = (measure: JudgementRow['measures'][string] | undefined): string =>
    measure === undefined ? 'assumed' : 'pick' in measure ? measure.pick : measure.origin;
  return [
    told('judgement_id', 'id', as),
    told('union_id', 'unionId', as),
    { name: 'seat', unit: null, tells: [], value: ({ unionId }) => names(unionId).seat },
    { name: 'number', unit: 'count', tells: [], value: ({ unionId }) => names(unionId).number },
    told('assessor_id', 'assessorId', as),
    told('method', 'method', as),
    told('stage', 'stage', as),
    ...fields.flatMap((field): ExportColumn<JudgementRow>[] => [
      // A pick stands with the figure it stood for.
      {
        name: `${field.id}_${field.unit}`,
        unit: field.unit,
        tells: ['measures'],
        value: ({ method, measures }) =>
          fieldsOf(method).some(({ id }) => id === field.id)
            ? (figuresOf(fieldsOf(method), measures)[field.id] ?? null)
            : null,
      },
      {
        name: `${field.id}_origin`,
        unit: null,
        tells: ['measures'],
        // A field that another method of the day has stays empty.
        value: ({ method, measures }) =>
          fieldsOf(method).some(({ id }) => id === field.id) ? origin(measures[field.id]) : null,
      },
    ]),
    ...points.map((point): ExportColumn<JudgementRow> => ({
      name: `mark_${point}`,
      unit: null,
      tells: ['marks'],
      value: ({ marks }) => marks[point] ?? '',
    })),
    told('contact', 'contact', as, 'share'),
    told('left', 'contactLeft', as, 'share'),
    told('right', 'contactRight', as, 'share'),
    told('touching_mm', 'touchingMm', as, 'mm'),
    told('touching_runs', 'runs', (runs) =>
      runs.map(({ from, to }) => `${from.toFixed(4)}-${to.toFixed(4)}`).join(' '),
    ),
    told('contact_grade', 'contactGrade', as),
    told('contact_words', 'contactWords', as),
    told('fatal_points', 'fatal', (fatal) => fatal.join(' ')),
    told('score', 'score', as, 'points'),
    told('model', 'modelVersion', as),
    told('rubric_id', 'rubricId', as),
    told('corrects_id', 'correctsId', as),
    told('rescored_by', 'rescoredBy', as),
    told('blind', 'blind', bit),
    told('seconds', 'seconds', as, 'seconds'),
    told('strokes', 'strokes', as, 'count'),
    told('outlook', 'outlook', as),
    told('outlook_by', 'outlookBy', as),
    told('made_at', 'madeAt', instant),
    told('withdrawn_at', 'withdrawnAt', instant),
    told('filled_in_at', 'filledInAt', instant),
    told('device_at', 'deviceAt', instant),
    told('recorded_at', 'recordedAt', instant),
    told('note', 'note', as),
  ];
}

export function reportColumns(
  codeOf: (unionId: string) => string,
  milestoneOf: (roundId: string) => string,
): ExportColumn<ReportRow>[] {
  return [
    { name: 'report_id', unit: null, tells: ['id'], value: ({ id }) => id },
    { name: 'union_id', unit: null, tells: ['unionId'], value: ({ unionId }) => unionId },
    { name: 'code', unit: null, tells: [], value: ({ unionId }) => codeOf(unionId) },
    { name: 'milestone', unit: null, tells: ['roundId'], value: ({ roundId }) => milestoneOf(roundId) },
    { name: 'answer', unit: null, tells: ['answer'], value: ({ answer }) => answer },
    { name: 'said', unit: null, tells: ['said'], value: ({ said }) => said },
    {
      name: 'signs',
      unit: null,
      tells: ['signs'],
      value: ({ signs }) => (signs && Object.keys(signs).length > 0 ? JSON.stringify(signs) : ''),
    },
    { name: 'reading', unit: null, tells: ['reading'], value: ({ reading }) => reading },
    { name: 'why', unit: null, tells: ['why'], value: ({ why }) => why },
    { name: 'usual_day', unit: 'count', tells: ['usualDay'], value: ({ usualDay }) => usualDay },
    { name: 'next_look_on', unit: null, tells: ['nextLookOn'], value: ({ nextLookOn }) => nextLookOn },
    { name: 'source', unit: null, tells: ['source'], value: ({ source }) => source },
    { name: 'seen_on', unit: null, tells: ['seenOn'], value: ({ seenOn }) => seenOn },
    { name: 'came_on', unit: null, tells: ['cameOn'], value: ({ cameOn }) => cameOn },
    { name: 'set_aside', unit: null, tells: ['setAsideAt'], value: ({ setAsideAt }) => bit(setAsideAt !== null) },
    { name: 'set_aside_why', unit: null, tells: ['setAsideWhy'], value: ({ setAsideWhy }) => setAsideWhy },
    { name: 'recorded_at', unit: null, tells: ['recordedAt'], value: ({ recordedAt }) => instant(recordedAt) },
    { name: 'note', unit: null, tells: ['note'], value: ({ note }) => note },
  ];
}
