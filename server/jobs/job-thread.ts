import type { MessagePort } from 'node:worker_threads';
import { methodById } from '@/core/methods/registry';
import type { Paper } from '@/core/units/paper';
import { bedListPdf } from '@/exchange/pdf/bed-list';
import { clubReportPdf } from '@/exchange/pdf/club-report';
import { doorSheetPdf } from '@/exchange/pdf/door-sheet';
import { growersLetterPdf } from '@/exchange/pdf/growers-letter';
import { kitListPdf } from '@/exchange/pdf/kit-list';
import { landSlipPdf } from '@/exchange/pdf/land-slip';
import { personCardsPdf } from '@/exchange/pdf/person-card';
import { plantingOrderPdf } from '@/exchange/pdf/planting-order';
import { reportSlipsPdf } from '@/exchange/pdf/report-slips';
import { type ScoreSheet, scoreSheetPdf } from '@/exchange/pdf/score-sheet';
import { seasonPosterPdf } from '@/exchange/pdf/season-poster';
import { tagsPdf } from '@/exchange/pdf/tags';
import { templateSheetsPdf } from '@/exchange/pdf/template-sheets';
import { visitSheetPdf } from '@/exchange/pdf/visit-sheet';
import { readEml } from '@/exchange/read-eml';
import { drawSteps, meshStep, printHandout } from './draw-steps';
import { MODELS } from './fit-models';
import { READERS } from './read-files';

/*
 * What runs in the threads of the pool (run-job.ts), so that no request waits for another's file, paper, drawing or model.
 * Jobs take and give plain data.
 */

export const JOBS = {
  'read run': READERS.run,
  'read readings': READERS.readings,
  'read roster': READERS.roster,
  'read normals': READERS.normals,
  'read weather': READERS.weather,
  'read answers': READERS.answers,
  'read calipers': READERS.calipers,
  'read letter': (bytes: Uint8Array) => readEml(Buffer.from(bytes)),
  'print bed list': bedListPdf,
  'print report': clubReportPdf,
  'print door sheet': doorSheetPdf,
  'print letters': growersLetterPdf,
  'print kit': kitListPdf,
  'print land slip': landSlipPdf,
  'print cards': personCardsPdf,
  'print planting order': plantingOrderPdf,
  'print slips': reportSlipsPdf,
  'print score sheet': ({ method, ...sheet }: Omit<ScoreSheet, 'method'> & { method: string }, paper: Paper) =>
    scoreSheetPdf({ ...sheet, method: methodById(method) }, paper),
  'print poster': seasonPosterPdf,
  'print tags': tagsPdf,
  'print templates': templateSheetsPdf,
  'print visit': visitSheetPdf,
  'print handout': printHandout,
  'draw steps': drawSteps,
  'mesh step': meshStep,
  'fit mixed': MODELS.mixed,
  'fit points': MODELS.points,
  'fit slope': MODELS.slope,
  'fit weights': MODELS.weights,
  'fit survival': MODELS.survival,
};

export interface Job {
  kind: keyof typeof JOBS;
  args: unknown[];
  /** Hears that the job has begun, and how far it is. */
  port: MessagePort;
}

/** Ten words a second are enough to see it go on. */
const TELL_EVERY = 100;

/** Does one job. A RangeError says in words why it cannot be done. */
export default async function doJob({ kind, args, port }: Job): Promise<unknown> {
  port.postMessage('begun');
  let told = 0;
  const tell = (share: number): void => {
    if (Date.now() - told < TELL_EVERY) return;
    told = Date.now();
    port.postMessage(share);
  };
  try {
    const fitted = kind.startsWith('fit ') ? [...args, tell] : args;
    return await (JOBS[kind] as (...passed: unknown[]) => unknown)(...fitted);
  } finally {
    port.close();
  }
}
