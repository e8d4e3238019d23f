import { describe, expect, it } from 'vitest';
import type { PlannedTask } from '../../../aftercare/plan/union-plan';
import type { DayWeather } from '../../../plan/climate/day-weather';
import { addDays } from '../../../units/iso-date';
import { SHIPPED_TABLES } from '../shipped-tables';
import type { FactsOfUnion } from './facts-of-union';
import { recordedEvidence } from './union-evidence';
import { UNKNOWABLE } from './unknowable';

const MADE = '2027-03-06';
const on = (day: number): string => addDays(MADE, day);

/** A union of which the club has next to nothing; each case adds what it is about. */
const BARE: FactsOfUnion = {
  madeOn: MADE,
  deadOn: on(120),
  wayOn: 'outdoors',
  judged: null,
  wood: {
    source: 'known',
    carriesVirus: false,
    stage: 'dormant',
    cutOn: null,
    sentOn: null,
    arrivedOn: null,
    arrival: '',
    warmDays: null,
    look: null,
  },
  pair: null,
  bleeds: true,
  bark: null,
  callus: null,
  weather: [],
  hotDay: 30,
  materials: [],
  tasks: [],
  closed: [],
  kept: new Set(),
  ties: [],
  siblingLives: false,
  grewOn: [],
  leavesFall: on(240),
  signsSayDead: true,
  signs: [],
  happened: [],
};

type Part = Partial<FactsOfUnion>;
const wood = (part: Partial<FactsOfUnion['wood']>): Part => ({ wood: { ...BARE.wood, ...part } });
const judged = (
  grades: Record<string, 'good' | 'poor' | 'recut' | 'fatal' | 'not-looked-at'>,
  sidesMet: 0 | 1 | 2 | null = 2,
): Part => ({
  judged: { on: MADE, stage: 'keeper', grades, sidesMet },
});
const joined = (grades: Record<string, 'good' | 'poor' | 'fatal'>): Part => ({
  judged: { on: MADE, stage: 'joined', grades, sidesMet: 2 },
});
const weather = (days: Partial<Record<number, Partial<DayWeather>>>, many = 30): Part => ({
  weather: Array.from({ length: many }, (_, i) => ({ date: on(i + 1), low: 4, high: 14, rain: 0, ...days[i + 1] })),
});
const hot = { 3: { high: 31 }, 4: { high: 33 }, 5: { high: 30 } };
const task = (id: string, from: number, to: number, latest: number | null = null): PlannedTask => ({
  id,
  name: id,
  trigger: { kind: 'days', count: 'calendar', earliest: from, best: from, latest: to },
  every: null,
  missed: null,
  due: { from: on(from), best: on(from), to: on(to) },
  movedBy: 0,
  latest: latest === null ? null : on(latest),
  strained: false,
  occurrence: 0,
  state: 'no-longer-possible',
});
/** A task whose days passed while the union lived, and which is marked on others of the day. */
const passed = (id: string): Part => ({ tasks: [task(id, 10, 30)], kept: new Set([id]) });
const marked = (id: string, day = 20, how: 'done' | 'skipped' = 'done'): Part => ({
  ...passed(id),
  closed: [{ task: id, on: on(day), how }],
});
const tie = (state: 'on' | 'alarm' | 'off', since: number, latest = 90): FactsOfUnion['ties'] => [
  { id: 'union', since: on(since), latest: on(latest), strained: false, state, offTask: 'binding-off' },
];
const callus = (measured: number, below: number, above: number): Part => ({
  callus: { place: 'Warm box', measured, below, above },
});

/** Of each code a union that yields it, and the nearest that does not. */
const CASES: Record<string, [yields: Part, doesNot: Part]> = {
  'contact-none': [judged({ cambium: 'fatal' }), judged({ cambium: 'poor' })],
  'contact-part': [judged({ cambium: 'poor' }), judged({ cambium: 'good' })],
  'contact-one-side': [judged({ cambium: 'good' }, 1), judged({ cambium: 'good' }, 2)],
  'contact-good': [judged({ cambium: 'good' }, null), judged({ cambium: 'good' }, 1)],
  'hold-dropped': [judged({ hold: 'poor' }), judged({ hold: 'good' })],
  'strokes-many': [judged({ strokes: 'recut' }), judged({ strokes: 'poor' })],
  daylight: [judged({ daylight: 'fatal' }), judged({ daylight: 'poor' })],
  'lock-poor': [judged({ notch: 'fatal' }), judged({ tongue: 'good' })],
  'cover-missing': [judged({ cover: 'fatal' }), judged({ film: 'poor' })],
  'face-hollow': [judged({ flatness: 'fatal' }), judged({ flatness: 'poor' })],
  touched: [judged({ clean: 'poor' }), judged({ clean: 'good' })],
  'tool-dirty': [judged({ clean: 'fatal' }), judged({ clean: 'poor' })],
  'seal-missed': [judged({ seal: 'fatal' }), judged({ seal: 'not-looked-at' })],
  'seal-part': [judged({ seal: 'poor' }), judged({ seal: 'fatal' })],
  'seal-good': [judged({ seal: 'good' }), joined({ seal: 'good' })],
  'bind-loose': [judged({ bind: 'poor' }), judged({ bind: 'good' })],
  'bind-good': [judged({ bind: 'good' }), joined({ bind: 'good' })],
  'judged-upside-down': [judged({ 'way-up': 'fatal' }), judged({ 'way-up': 'good' })],
  'judged-bud-hollow': [judged({ bud: 'good', core: 'fatal' }), judged({ core: 'fatal' })],
  'judged-bud-good': [judged({ bud: 'good' }), judged({ bud: 'good', core: 'fatal' })],
  'wood-judged-dead': [judged({ wood: 'fatal' }), judged({ wood: 'poor' })],
  'wood-judged-poor': [judged({ wood: 'poor' }), judged({ wood: 'good' })],
  'wood-judged-good': [judged({ wood: 'good' }), judged({ wood: 'poor' })],
  'stored-warm': [wood({ warmDays: 3.1 }), wood({ warmDays: 3 })],
  'lot-moving': [
    wood({ look: { on: on(-2), green: 'yes', buds: 'moving' } }),
    wood({ look: { on: on(-2), green: 'yes', buds: 'shut' } }),
  ],
  'lot-sound': [
    wood({ look: { on: on(-2), green: 'yes', buds: 'shut' } }),
    wood({ look: { on: on(-2), green: 'partly', buds: 'shut' } }),
  ],
  'slip-failed': [{ bark: { on: MADE, slips: false } }, judged({ slip: 'poor' })],
  'slip-good': [judged({ slip: 'good' }), judged({ slip: 'good', flaps: 'fatal' })],
  'no-bleeder': [{ bleeds: false }, { bleeds: true }],
  'callus-cold': [callus(300, 101, 0), callus(300, 100, 0)],
  'callus-hot': [callus(300, 0, 6.5), callus(300, 0, 6)],
  'callus-in-range': [callus(300, 50, 2), callus(20, 0, 0)],
  'frost-on-shoots': [
    { ...weather({ 20: { low: -1 } }), grewOn: [on(12)] },
    { ...weather({ 10: { low: -1 } }), grewOn: [on(12)] },
  ],
  'late-bud-broke': [
    { wayOn: 'sleeping-bud', grewOn: [on(40)], leavesFall: on(70) },
    { wayOn: 'sleeping-bud', grewOn: [on(90)], leavesFall: on(70) },
  ],
  'rain-early': [
    weather({ 4: { rain: 25 }, 9: { rain: 40 } }),
    { ...weather({ 4: { rain: 25 }, 9: { rain: 40 } }), materials: ['bag'] },
  ],
  'heat-early': [weather(hot), weather({ 3: { high: 31 }, 4: { high: 33 }, 6: { high: 30 } })],
  'mild-early': [weather({}), weather({}, 12)],
  'dark-in-heat': [
    { ...weather(hot), materials: ['sealant'] },
    { ...weather(hot), materials: ['sealant'], closed: [{ task: 'dark-seal', on: on(1), how: 'done' }] },
  ],
  shaded: [{ materials: ['foil'] }, { closed: [{ task: 'dark-seal', on: on(1), how: 'skipped' }] }],
  'tie-overdue': [
    { ties: tie('alarm', 0), kept: new Set(['binding-off']) },
    { ties: tie('alarm', 0), kept: new Set() },
  ],
  'tie-off': [
    { ties: tie('off', 80), closed: [{ task: 'binding-off', on: on(80), how: 'done' }], materials: ['vinyl-tape'] },
    { ties: tie('off', 100), closed: [{ task: 'binding-off', on: on(100), how: 'done' }], materials: ['vinyl-tape'] },
  ],
  'reseal-missed': [passed('reseal'), { ...passed('reseal'), kept: new Set(['water']) }],
  'reseal-done': [marked('reseal'), passed('reseal')],
  'shoots-left': [marked('suckers', 20, 'skipped'), marked('suckers')],
  'shoots-off': [marked('none-below'), passed('none-below')],
  'branches-taller': [passed('low-branches'), marked('low-branches')],
  'top-left-on': [passed('head-1'), { ...passed('head-1'), deadOn: on(25) }],
  'no-support': [passed('tie-up'), { ...passed('tie-up'), materials: ['brace'] }],
  support: [{ materials: ['brace'] }, passed('guard')],
  'cover-opened-early': [marked('bag-open', 5), marked('bag-open', 12)],
  'cover-left-shut': [passed('cover-off'), marked('cover-off', 28)],
  'cross-genus': [{ pair: 'cross-genus' }, { pair: null }],
  'same-species': [{ pair: 'same-species' }, { pair: 'cross-genus' }],
  'source-unknown': [wood({ source: 'unknown', carriesVirus: true }), wood({ source: 'unknown', carriesVirus: false })],
  'source-certified': [wood({ source: 'certified' }), wood({ source: 'known' })],
  'wood-old-travelled': [
    wood({ stage: 'budwood', cutOn: on(-6) }),
    wood({ stage: 'dormant', cutOn: on(-60), sentOn: on(-40), arrivedOn: on(-30) }),
  ],
  'sibling-lives': [{ siblingLives: true }, { siblingLives: false }],
};

const codes = (part: Part): string[] => recordedEvidence({ ...BARE, ...part }).map(({ code }) => code);

describe('evidence of the record', () => {
  const recorded = SHIPPED_TABLES.evidence.filter(({ kind }) => kind === 'record').map(({ code }) => code);
  it('is gathered for each code of the tables, or no club can have it, and why is said', () => {
    expect([...Object.keys(CASES), ...Object.keys(UNKNOWABLE)].sort()).toEqual([...recorded].sort());
  });
  it.each(Object.entries(CASES))('%s: a union yields it, and the nearest does not', (code, [yields, doesNot]) => {
    expect(codes(yields)).toContain(code);
    expect(codes(doesNot)).not.toContain(code);
  });
  it('says of each where it comes from, and names each once', () => {
    for (const [yields] of Object.values(CASES)) {
      const found = recordedEvidence({ ...BARE, ...yields });
      expect(found.every(({ from }) => from.length > 3)).toBe(true);
      expect(new Set(found.map(({ code }) => code)).size).toBe(found.length);
    }
  });
  it('is all known to the tables', () => {
    const known = new Set(SHIPPED_TABLES.evidence.map(({ code }) => code));
    for (const [yields] of Object.values(CASES)) for (const code of codes(yields)) expect(known).toContain(code);
  });
  it('holds nothing of a union of which nothing is known', () => {
    expect(codes({})).toEqual([]);
  });
});

describe('what the answers told', () => {
  const seen = (signs: FactsOfUnion['signs'][number]['signs']): Part => ({ signs: [{ on: on(100), signs }] });
  it.each([
    ['scion-wrinkled', seen({ scion: 'wrinkled' })],
    ['scion-black', seen({ scion: 'black' })],
    ['shield-brown', seen({ shield: 'brown' })],
    ['shield-brown', seen({ patch: 'brown' })],
    ['patch-green-no-bud', seen({ patch: 'green', bud: 'hollow' })],
    ['grew-then-collapsed', { grewOn: [on(10)], deadOn: on(30) }],
    ['grew-weeks-then-died', { grewOn: [on(10), on(60)] }],
    ['grew-seasons-then-died', { grewOn: [on(30), on(420)], deadOn: on(500) }],
    ['grew-weeks-then-died', { wayOn: 'sleeping-bud', grewOn: [on(250), on(290)], deadOn: on(300) }],
    ['grew-seasons-then-died', { wayOn: 'sleeping-bud', grewOn: [on(250), on(600)], deadOn: on(640) }],
  ] as [string, Part][])('%s', (code, part) => {
    expect(codes(part)).toContain(code);
  });
  it('does not take growth in the second week for a collapse when death was seen only months later', () => {
    expect(codes({ grewOn: [on(10)], deadOn: on(120) })).toEqual([]);
  });
  it('cannot say how it snapped', () => {
    expect(codes(seen({ snapped: true }))).toEqual([]);
  });
});
