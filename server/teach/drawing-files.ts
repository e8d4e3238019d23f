import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DisplayList } from '@/core/drawing/display-list';
import type { Method, Wood } from '@/core/methods/method';
import { METHODS } from '@/core/methods/registry';
import { type Choices, chosen } from '@/core/methods/school';
import { STOCK_RANGES } from '@/core/methods/stock-ranges';
import { fittingWood } from '@/core/teach/fitting-wood';
import type { StepBody } from '@/core/teach/step-bodies';
import { type StagePicture, stageStrip } from '@/core/teach/healing/stage-strip';
import type { VariantId } from '@/core/methods/use';
import { kept } from '@/server/platform/kept';
import { type StepSheet, stepSheets } from '@/core/teach/step-sheets';
import type { LengthUnit } from '@/core/units/length';
import { boundedCache, cacheKey } from '@/db/bounded-cache';
import { drawingFile } from '@/exchange/svg/drawing-file';
import { notFound } from '@/server/platform/use-case-error';
import { bodiesDrawnAlready, drawnBodies } from './drawn-bodies';

/*
 * Drawings of steps as files beside the page: a page of twenty drawings would carry each twice, once to be seen and
 * once for the framework, and browsers keep files. A file's name is the hash of what is in it; its address says as well
 * how it is drawn, so that any server can draw it again.
 */

/** Where a drawing is shown, which sets its colours: a page, the projector in a dim room, a phone in the sun. */
export type Theme = 'page' | 'dim' | 'sun';

/** What the steps of a page are drawn of. */
export interface StepsDrawn {
  method: Method;
  choices: Choices;
  wood: Wood;
  unit: LengthUnit;
  theme: Theme;
}

/** Files by name. */
const files = boundedCache<string>('drawing files', 16_000_000);

const keyOf = ({ method, ...drawn }: StepsDrawn): unknown => ({ ...drawn, method: method.id });

/** The steps of a method with each drawing in a file: in the page stay its words, and daylight, which tells what is wrong. */
export function filedSteps(drawn: StepsDrawn): StepSheet[] {
  return kept('filed steps', keyOf(drawn), () => fileSteps(drawn));
}

function fileSteps(drawn: StepsDrawn): StepSheet[] {
  const { method, choices, wood, unit } = drawn;
  return stepSheets(method, choices, wood, unit).map((step, at) => {
    const filed = (part: string, drawing: DisplayList): DisplayList => filedDrawing(drawing, drawn, `${at}.${part}`);
    return {
      ...step,
      drawing: filed('drawing', step.drawing),
      wrongDrawing: step.wrongDrawing && filed('wrongDrawing', step.wrongDrawing),
      lines: step.lines && filed('lines', step.lines),
      wrap: step.wrap?.map((picture, i) => ({ ...picture, drawing: filed(`wrap-${i}`, picture.drawing) })) ?? null,
    };
  });
}

/** The same of steps that were drawn as bodies. */
export function filedBodies(bodies: readonly StepBody[], drawn: StepsDrawn): StepBody[] {
  return bodies.map(({ right, wrong }, at) => ({
    right: filedDrawing(right, drawn, `${at}.right`),
    wrong: wrong && filedDrawing(wrong, drawn, `${at}.wrong`),
  }));
}

/** The steps as bodies, at once where they were drawn before; else as soon as they are. */
export function filedBodiesOf(drawn: StepsDrawn): StepBody[] | Promise<StepBody[]> {
  const known = filed.get(cacheKey('filed bodies', keyOf(drawn)));
  if (known) return known;
  const { method, choices, wood, unit } = drawn;
  return drawnBodies(method, choices, wood, unit).then((bodies) => {
    const found = filedBodies(bodies, drawn);
    filed.set(cacheKey('filed bodies', keyOf(drawn)), found);
    return found;
  });
}
const filed = boundedCache<StepBody[]>('filed bodies', 4_000_000);

/** What becomes of a union of a variant, with each picture in a file. */
export function filedStages(drawn: StepsDrawn, variant: VariantId): StagePicture[] {
  return kept('filed stages', [keyOf(drawn), variant], () =>
    stageStrip(drawn.method, { ...drawn, variant }).map((stage, at) => {
      const filedOf = (what: 'good' | 'failed'): StagePicture['good'] => ({
        ...stage[what],
        drawing: filedDrawing(stage[what].drawing, drawn, `${at}.${what}`, variant),
      });
      return { ...stage, good: filedOf('good'), failed: filedOf('failed') };
    }),
  );
}

const stays = ({ kind, role }: DisplayList['items'][number]): boolean => kind === 'label' || role === 'daylight';

function filedDrawing(drawing: DisplayList, drawn: StepsDrawn, part: string, variant = ''): DisplayList {
  const { method, choices, wood, unit, theme } = drawn;
  const name = keepFile(drawing, theme);
  const query = new URLSearchParams({
    method: method.id,
    part,
    stock: String(wood.stock),
    scion: String(wood.scion),
    unit,
    theme,
    ...(variant === '' ? {} : { variant }),
    ...Object.fromEntries(
      method.schools.flatMap(({ id, options }) =>
        choices[id] === undefined || choices[id] === options[0]!.id ? [] : [[id, choices[id]]],
      ),
    ),
  });
  return { ...drawing, items: drawing.items.filter(stays), anchors: [], src: `/drawings/${name}?${query}` };
}

function keepFile(drawing: DisplayList, theme: Theme): string {
  const svg = drawingFile({ ...drawing, items: drawing.items.filter((item) => !stays(item)) }, rulesOf(theme));
  const name = `${createHash('sha1').update(svg).digest('base64url')}.svg`;
  files.set(name, svg);
  return name;
}

/** A file by its name, or drawn again as its address says. */
export interface DrawingFile {
  svg: string;
  /** It is what its name says, and may be kept for ever. */
  same: boolean;
}

/**
 * The file of a drawing.
 *
 * @param member whoever asks is signed in: others get no bodies drawn, only those that members had drawn
 * @throws UseCaseError for an address that names no drawing
 */
export async function drawingFileOf(
  name: string,
  query: Record<string, string>,
  member: boolean,
): Promise<DrawingFile> {
  const known = files.get(name);
  if (known) return { svg: known, same: true };
  const { drawing, theme } = await drawnAgain(query, member);
  const again = keepFile(drawing, theme);
  return { svg: files.get(again)!, same: again === name };
}

async function drawnAgain(
  query: Record<string, string>,
  member: boolean,
): Promise<{ drawing: DisplayList; theme: Theme }> {
  const method = METHODS.find(({ id }) => id === query.method);
  const [, step, part] = /^(\d{1,2})\.([a-zA-Z]+(?:-\d)?)$/.exec(query.part ?? '') ?? [];
  if (!method || !part) throw notFound('The drawing');
  const unit: LengthUnit = query.unit === 'in' ? 'in' : 'mm';
  const { wood, problem } = fittingWood(
    method,
    { stock: Number(query.stock), scion: Number(query.scion) },
    unit,
    STOCK_RANGES,
  );
  if (problem) throw notFound('The drawing');
  const choices = Object.fromEntries(method.schools.map((question) => [question.id, chosen(query, question)]));
  const theme: Theme = query.theme === 'dim' || query.theme === 'sun' ? query.theme : 'page';
  const at = Number(step);
  let drawing: DisplayList | null | undefined;
  if (part === 'right' || part === 'wrong') {
    const bodies = await (member ? drawnBodies : bodiesDrawnAlready)(method, choices, wood, unit);
    drawing = bodies?.[at]?.[part];
  } else if (part === 'good' || part === 'failed') {
    const variant = method.variants.find(({ id }) => id === query.variant)?.id ?? method.variants[0]!.id;
    drawing = stageStrip(method, { choices, wood, unit, variant })[at]?.[part].drawing;
  } else {
    const sheet = stepSheets(method, choices, wood, unit)[at];
    drawing = part.startsWith('wrap-')
      ? sheet?.wrap?.[Number(part.slice('wrap-'.length))]?.drawing
      : sheet?.[part as 'drawing' | 'wrongDrawing' | 'lines'];
  }
  if (!drawing?.items) throw notFound('The drawing');
  return { drawing, theme };
}

const rules = new Map<Theme, string>();

/** The rules for drawings of app/globals.css as a file of its own needs them: with the theme's colours, and for it alone. */
function rulesOf(theme: Theme): string {
  if (!rules.has(theme)) {
    const css = readFileSync(join(/* turbopackIgnore: true */ process.cwd(), 'app', 'globals.css'), 'utf8');
    rules.set(theme, drawingRules(css, theme));
  }
  return rules.get(theme)!;
}

/** Rules whose selectors begin with `.drawing`, and those of `.dim .drawing` in a dim room. */
export function drawingRules(css: string, theme: Theme): string {
  const coloursIn = (block: string): [string, string][] => {
    const [, body = ''] = new RegExp(`${block} \\{([^}]*)\\}`).exec(css) ?? [];
    return [...body.matchAll(/--color-([\w-]+): (#[0-9a-f]+);/g)].map(([, name, value]) => [name!, value!]);
  };
  const colours = new Map([
    ...coloursIn('@theme static'),
    ...(theme === 'page' ? [] : coloursIn(theme === 'dim' ? '\\.dim' : '\\.sun')),
  ]);
  const lines = css.split('\n').filter((line) => line.startsWith('.drawing ') || line.startsWith('.dim .drawing '));
  return (
    lines
      .filter((line) => theme === 'dim' || !line.startsWith('.dim'))
      // The general rules come first: what the theme changes has to win.
      .sort((a, b) => Number(a.startsWith('.dim')) - Number(b.startsWith('.dim')))
      .map((line) => line.replaceAll('.dim .drawing ', '').replaceAll('.drawing ', ''))
      .filter((line) => !line.startsWith('text'))
      .join('')
      .replaceAll(/var\(--color-([\w-]+)\)/g, (_, name: string) => colours.get(name) ?? 'none')
      .replaceAll(/\s*([{};:,])\s*/g, '$1')
  );
}
